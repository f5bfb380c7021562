import { lowerFirst } from '../../base/observations'
import { findFinding } from '../../findings'
import { FINDING_WEIGHS, USUAL_CHANCE } from './chances'
import type { CureKind } from './cure-outlook'
import { chanceHere } from './own-experience'
import type { WorthInput, WorthLine } from './types'

const MEMORY = 'from memory'

/** How a cure succeeds or not, in words. */
const KIND_SAYS: Readonly<Record<CureKind, string>> = {
  outside: 'it is outside the drive',
  work: 'by work alone',
  bought: 'its part is sold',
  'at hand': 'its part is at hand',
  'to be found': 'its part has to be found in another drive',
}

const percent = (label: string, chance: number, note: string): WorthLine => ({
  label,
  value: chance * 100,
  unit: '%',
  note,
})

/** Findings that say something of the chance, with what each weighs. */
export const weighedFindings = (ids: ReadonlySet<string>) =>
  [...ids].flatMap(id => (FINDING_WEIGHS[id] ? [{ id, ...FINDING_WEIGHS[id] }] : []))

/**
 * How likely the drive works afterwards: as it was typed; else by its case, where somebody complains; else by its type
 * and what was found.
 */
export function chanceOf(input: WorthInput): { readonly chance: number; readonly lines: readonly WorthLine[] } {
  const { mechanism, account, outlook = null, endings = { working: 0, all: 0 } } = input
  if (account.chance !== null)
    return { chance: account.chance, lines: [percent('Chance of success', account.chance, 'as you set it')] }
  const usual = chanceHere(USUAL_CHANCE[mechanism].value, endings)
  const ofKind = percent(
    'Usual chance of its kind',
    usual,
    endings.all ? `${MEMORY}, and ${endings.working} of ${endings.all} that left here` : MEMORY,
  )
  const lines: WorthLine[] = []
  let before: number
  if (outlook) {
    before = outlook.chance
    const { likely } = outlook
    const cause = likely
      ? `likeliest, ${Math.round(likely.probability * 100)} %: ${lowerFirst(likely.label)}; ${KIND_SAYS[likely.kind]}`
      : ''
    lines.push(percent('Chance by what it may be', before, cause))
  } else {
    const weighed = weighedFindings(new Set(input.found)).filter(w => w.chance !== 1)
    before = weighed.reduce((p, w) => p * w.chance, usual)
    lines.push(
      ofKind,
      ...weighed.map((w): WorthLine => ({
        label: `times, for “${findFinding(w.id).question.ask} ${findFinding(w.id).finding.label}”`,
        value: w.chance,
        unit: 'factor',
        note: MEMORY,
      })),
    )
  }
  // A case has what was read among its evidence already.
  const reads = outlook ? null : (input.reads ?? null)
  const chance = reads ? 1 - (1 - before) * reads.doubt : before
  if (reads)
    lines.push({ label: 'Doubt left, times', value: reads.doubt, unit: 'factor', note: `${reads.label}; ${MEMORY}` })
  if (lines.length > 1) lines.push(percent('Chance of success', chance, ''))
  return { chance, lines }
}
