import { clash, compareCost, handling, hostPins, type Cable, type Cost, type Setting } from './evaluate'
import { foundPosition, type DriveProfile, type HostProfile, type Line, type Need, type Position, type Want, type Way } from './profile'
import { SIGNALS } from './signals'

export interface Solution {
  readonly setting: Setting
  readonly cost: Cost
  /** Nodes of the search that were looked at. */
  readonly visited: number
}

/** Lines and ways gathered so far, with what they rule out. */
class Gathered {
  readonly lines: Line[] = []
  readonly ways: Way[] = []
  push(p: { readonly lines?: readonly Line[], readonly ways?: readonly Way[] }): void {
    this.lines.push(...p.lines ?? [])
    this.ways.push(...p.ways ?? [])
  }

  pop(p: Position): void {
    this.lines.length -= p.lines?.length ?? 0
    this.ways.length -= p.ways?.length ?? 0
  }
}

/**
 * The best setting of a drive for a host: fewest musts missed, then fewest things noticed, second-best wants, wires and
 * moved straps, in this order. Exact: depth-first with a bound that never overrates what is left, so that nothing better
 * is passed over. Positions that the drive was found in are tried first; of equals the first one stands.
 * @param driven pins that the host drives; those of `host` where left out
 * @returns null where the drive's own parts clash in every setting
 */
export function solveFit(host: HostProfile, drive: DriveProfile, cable: Cable, driven: ReadonlyMap<number, string> = hostPins(host)): Solution | null {
  const order = searchOrder(host, drive, cable)
  const setting: number[] = drive.choices.map(() => 0)
  const gathered = new Gathered()
  gathered.push(drive.fixed)
  if (clash(gathered.lines, gathered.ways, driven, cable)) return null
  let best: { setting: number[], cost: Cost } | null = null
  let visited = 0

  const descend = (depth: number, wires: number, moved: number): void => {
    visited++
    // What is still open, without the positions that what is set already rules out.
    const open: Position[] = []
    for (let d = depth; d < order.length; d++) {
      let any = false
      for (const p of drive.choices[order[d]!.choice]!.positions) {
        if (clashesWith(gathered, p, driven, cable)) continue
        any = true
        open.push(p)
      }
      if (!any) return
    }
    const cost = bound(host.needs, gathered, open, cable, wires, moved)
    if (best && compareCost(cost, best.cost) >= 0) return
    if (depth === order.length) {
      best = { setting: [...setting], cost }
      return
    }
    const { choice, positions } = order[depth]!
    const c = drive.choices[choice]!
    for (const at of positions) {
      const p = c.positions[at]!
      if (clashesWith(gathered, p, driven, cable)) continue
      const [w, m] = handling(c, at)
      setting[choice] = at
      gathered.push(p)
      descend(depth + 1, wires + w, moved + m)
      gathered.pop(p)
    }
  }
  descend(0, 0, 0)
  return best ? { ...(best as { setting: number[], cost: Cost }), visited } : null
}

/** Choices that touch most needs come first, so that the bound bites early; the found position of each is tried first. */
function searchOrder(host: HostProfile, drive: DriveProfile, cable: Cable) {
  const touched = (p: Position) => host.needs.filter(n => n.wants.some(w => offers(p, w, cable) || (w.kind !== 'way' && p.lines?.some(l => l.pin === w.pin)))).length
  return drive.choices
    .map((c, choice) => {
      const found = c.positions.indexOf(foundPosition(c))
      return { choice, touches: c.positions.reduce((s, p) => s + touched(p), 0), positions: [found, ...c.positions.keys()].filter((p, i, all) => all.indexOf(p) === i) }
    })
    .sort((a, b) => b.touches - a.touches || a.choice - b.choice)
}

/** Whether a position alone brings what a want asks for; quiet pins are nothing's to bring. */
function offers(p: { readonly lines?: readonly Line[], readonly ways?: readonly Way[] }, want: Want, cable: Cable): boolean {
  switch (want.kind) {
    case 'line': return p.lines?.some(l => l.signal === want.signal && (cable === 'made' || l.pin === want.pin)) ?? false
    case 'way': return p.ways?.some(w => w.mode === want.mode && want.oneOf.includes(w.value)) ?? false
    case 'quiet': return false
  }
}

function clashesWith(g: Gathered, p: Position, driven: ReadonlyMap<number, string>, cable: Cable): boolean {
  for (const l of p.lines ?? []) {
    if (SIGNALS[l.signal].from === 'host') {
      for (const o of g.lines) if (o.signal === l.signal && o.pin !== l.pin) return true
      continue
    }
    if (cable === 'straight' && driven.has(l.pin)) return true
    for (const o of g.lines) if (o.pin === l.pin && o.signal !== l.signal && SIGNALS[o.signal].from === 'drive') return true
  }
  for (const w of p.ways ?? []) for (const o of g.ways) if (o.mode === w.mode && o.value !== w.value) return true
  // A position that clashes with itself can never stand.
  return clash(p.lines ?? [], p.ways ?? [], driven, cable)
}

/** Cost that no completion can beat: each need is taken as met by the best want that is or may still be brought. */
function bound(needs: readonly Need[], g: Gathered, open: readonly Position[], cable: Cable, wires: number, moved: number): Cost {
  let [musts, notices, second] = [0, 0, 0]
  for (const need of needs) {
    const at = need.wants.findIndex(w => w.kind === 'quiet'
      ? cable === 'made' || !g.lines.some(l => l.pin === w.pin && SIGNALS[l.signal].from === 'drive')
      : offers(g, w, cable) || open.some(p => offers(p, w, cable)))
    if (at >= 0) second += at
    else if (need.weight === 'must') musts++
    else notices++
  }
  return [musts, notices, second, wires, moved]
}

/** How many settings there are, whether they clash or not. */
export const settingsOf = (drive: DriveProfile): number => drive.choices.reduce((n, c) => n * c.positions.length, 1)
