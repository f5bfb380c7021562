import { byText } from '../../base/order'
import {
  beltLayout,
  isMaterial,
  beltStretch,
  STRETCH,
  lengthByRemains,
  lengthRange,
  beltPath,
  type BeltMaterial,
} from '../../calculators/mechanics'
import type { Values } from '../../calculators/calculator'

/** A belt at hand. */
export interface ShelfBelt {
  readonly id: string
  readonly name: string
  readonly insideMm: number
  readonly sectionMm: number
  readonly material: BeltMaterial
}

export interface RankedBelt {
  readonly belt: ShelfBelt
  readonly stretch: number
  readonly grade: 'fits' | 'for a trial only' | 'no'
  /** Why it stands where it does, a sentence. */
  readonly because: string
}

/** A section may differ by so much before guides and flanges matter (from memory). */
const SECTION = 0.25

/**
 * Belts at hand, the best first: those inside their material's stretch by how near they come to the aim, then those
 * that would do for a trial, then those that cannot.
 * @param v the sizes of the Belt instrument; each belt is laid on the path at its own section
 */
export function rankBelts(v: Values, belts: readonly ShelfBelt[]): RankedBelt[] {
  const wanted = v.section as number
  return belts
    .map((belt): RankedBelt & { readonly off: number } => {
      const s = STRETCH[belt.material]
      const stretch = beltStretch(
        beltPath(beltLayout({ ...v, section: belt.sectionMm })).length,
        belt.insideMm,
        belt.sectionMm,
      )
      const thick = belt.sectionMm / wanted - 1
      const percent = `${(Math.abs(stretch) * 100).toFixed(1)} %`
      const off = Math.abs(stretch - s.aim) / (s.most - s.least) + Math.abs(thick)
      if (stretch < 0) return { belt, stretch, off, grade: 'no', because: `Longer than its path by ${percent}.` }
      if (stretch > s.most * 1.6)
        return { belt, stretch, off, grade: 'no', because: `Stretched by ${percent}: it would wear the bearings.` }
      if (stretch < s.least || stretch > s.most)
        return {
          belt,
          stretch,
          off,
          grade: 'for a trial only',
          because: `Stretched by ${percent}: ${stretch < s.least ? 'slack' : 'tight'}, for a trial only.`,
        }
      if (Math.abs(thick) > SECTION)
        return {
          belt,
          stretch,
          off,
          grade: 'for a trial only',
          because: `Stretched by ${percent}, but ${thick > 0 ? 'thicker' : 'thinner'} by ${Math.abs(belt.sectionMm - wanted).toFixed(1)} mm: see that it clears its guides and does not climb.`,
        }
      return { belt, stretch, off, grade: 'fits', because: `Stretched by ${percent}: snug.` }
    })
    .sort((a, b) => GRADES.indexOf(a.grade) - GRADES.indexOf(b.grade) || a.off - b.off || byText(a.belt.id, b.belt.id))
}
const GRADES = ['fits', 'for a trial only', 'no'] as const

/** What a drive wants: a range of inside lengths of a section and kind. */
export interface BeltNeed {
  readonly drive: string
  readonly leastMm: number
  readonly orderMm: number
  readonly mostMm: number
  readonly sectionMm: number
  readonly material: BeltMaterial
}

/** Calculators that work out which belt a drive needs. */
const WORKED_OUT = { belt: lengthRange, 'belt-remains': lengthByRemains } as const
type BeltCalculatorId = keyof typeof WORKED_OUT
export const isBeltCalculator = (id: string): id is BeltCalculatorId => id in WORKED_OUT

/** The need that follows from what was typed into one of them. @throws ParameterError where that cannot be */
export function beltNeed(drive: string, v: Values, by: BeltCalculatorId = 'belt'): BeltNeed {
  const { leastMm, orderMm, mostMm } = WORKED_OUT[by](v)
  return {
    drive,
    leastMm,
    orderMm,
    mostMm,
    sectionMm: v.section as number,
    material: isMaterial(v.material) ? v.material : 'square',
  }
}

const alike = (a: Pick<BeltNeed, 'material' | 'sectionMm'>, b: Pick<BeltNeed, 'material' | 'sectionMm'>) =>
  a.material === b.material && Math.abs(a.sectionMm / b.sectionMm - 1) < 0.1

/** Other drives that one and the same belt would serve: sister mechanisms, as far as the belt goes. */
export const sistersOf = (need: BeltNeed, others: readonly BeltNeed[]): BeltNeed[] =>
  others.filter(o => o.drive !== need.drive && alike(need, o) && o.leastMm <= need.mostMm && need.leastMm <= o.mostMm)

/**
 * Gives belts at hand to drives, each belt once, so that as many drives as can be are served: belts from short to long,
 * each to the drive whose range ends first (optimal for ranges on a line).
 */
export function serveFromShelf(
  needs: readonly BeltNeed[],
  belts: readonly ShelfBelt[],
): {
  readonly served: readonly { readonly need: BeltNeed; readonly belt: ShelfBelt }[]
  readonly unserved: readonly BeltNeed[]
} {
  const served: { need: BeltNeed; belt: ShelfBelt }[] = []
  let unserved = [...needs]
  for (const belt of [...belts].sort((a, b) => a.insideMm - b.insideMm || byText(a.id, b.id))) {
    const fits = unserved.filter(n => alike(n, belt) && n.leastMm <= belt.insideMm && belt.insideMm <= n.mostMm)
    const need = fits.sort((a, b) => a.mostMm - b.mostMm || byText(a.drive, b.drive))[0]
    if (!need) continue
    served.push({ need, belt })
    unserved = unserved.filter(n => n !== need)
  }
  return { served, unserved }
}

export interface BeltOrder {
  readonly insideMm: number
  readonly sectionMm: number
  readonly material: BeltMaterial
  readonly drives: readonly string[]
}

/**
 * The fewest different belts that serve every need: within a section and kind, lengths are chosen so that each lies in
 * every range it serves (greedy by upper end, which is optimal for ranges on a line). Each is then put as near to what
 * its drives would like best as their ranges allow, and rounded to whole millimetres where that stays inside.
 */
export function orderBelts(needs: readonly BeltNeed[]): BeltOrder[] {
  const groups: BeltNeed[][] = []
  for (const need of [...needs].sort((a, b) => a.mostMm - b.mostMm || byText(a.drive, b.drive))) {
    const group = groups.find(g => g.every(o => alike(o, need)) && Math.min(...g.map(o => o.mostMm)) >= need.leastMm)
    if (group) group.push(need)
    else groups.push([need])
  }
  return groups
    .map(g => {
      const [least, most] = [Math.max(...g.map(n => n.leastMm)), Math.min(...g.map(n => n.mostMm))]
      const liked = Math.min(most, Math.max(least, g.reduce((s, n) => s + n.orderMm, 0) / g.length))
      const whole = Math.round(liked)
      return {
        insideMm: whole >= least && whole <= most ? whole : Number(liked.toFixed(1)),
        sectionMm: g[0]!.sectionMm,
        material: g[0]!.material,
        drives: g.map(n => n.drive).sort(),
      }
    })
    .sort((a, b) => a.sectionMm - b.sectionMm || a.insideMm - b.insideMm)
}
