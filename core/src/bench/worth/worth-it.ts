import { ParameterError } from '../../base/errors'
import { upperFirst } from '../../base/observations'
import { findFinding } from '../../findings'
import type { MechanismId } from '../../drives'
import type { Account } from '../../log'
import { FINDING_WEIGHS, USUAL_CHANCE } from './chances'
import type { WhatReads } from './what-reads'

export type Verdict = 'rescue' | 'go-on' | 'if-it-matters' | 'part-out' | 'unknown'

/** The verdicts, as a person reads them. */
export const VERDICTS: Readonly<Record<Verdict, string>> = {
  rescue: 'Rescue the disk first',
  'go-on': 'Go on',
  'if-it-matters': 'Go on only if it matters to you',
  'part-out': 'Strip it for parts',
  unknown: 'Not known yet',
}

/** One line of the arithmetic. */
export interface WorthLine {
  readonly label: string
  readonly value: number
  readonly unit: 'money' | 'hours' | '%' | 'factor'
  readonly note: string
}

export interface Worth {
  readonly verdict: Verdict
  /** Whole sentences, the most important first. */
  readonly reasons: readonly string[]
  readonly chance: number
  readonly hoursToGo: number
  /** What going on brings over parting it out, hours not counted; null while values are missing. */
  readonly gain: number | null
  /** What each further hour would bring; null where nothing is to be gained or known. */
  readonly perHour: number | null
  readonly lines: readonly WorthLine[]
}

export interface WorthInput {
  readonly mechanism: MechanismId
  readonly account: Account
  /** Ids of the findings that hold. */
  readonly found: Iterable<string>
  /** Minutes of hands that its likely cure will take, the proof included. */
  readonly minutesToGo: number
  /** Minutes of hands of all its undone steps, as a thorough overhaul would do them; shown, never priced. */
  readonly overhaulMinutes?: number
  /** That a disk reads in it, where that was seen. */
  readonly reads?: WhatReads | null
}

const money = (x: number) =>
  (Math.abs(x) < 0.005 ? 0 : x).toFixed(Math.abs(x) < 100 && x % 1 !== 0 ? 2 : 0).replace('-', '−')

/**
 * Whether a drive is worth the hours: what going on is expected to bring (chance times its price working, and parts
 * otherwise, less parts to buy), against parting it out now. What was paid is already spent and decides nothing.
 * @throws ParameterError where a number is impossible
 */
export function worthIt({ mechanism, account, found, minutesToGo, overhaulMinutes, reads = null }: WorthInput): Worth {
  check(account)
  const ids = new Set(found)
  const weighed = [...ids].flatMap(id => (FINDING_WEIGHS[id] ? [{ id, ...FINDING_WEIGHS[id] }] : []))
  const usual = USUAL_CHANCE[mechanism].value
  const before = weighed.reduce((p, w) => p * w.chance, usual)
  const chance = account.chance ?? (reads ? 1 - (1 - before) * reads.doubt : before)
  const hoursToGo = minutesToGo / 60 + weighed.reduce((h, w) => h + w.hours, 0)
  const lines: WorthLine[] =
    account.chance !== null
      ? [{ label: 'Chance of success', value: account.chance * 100, unit: '%', note: 'as you set it' }]
      : [
          { label: 'Usual chance of its kind', value: usual * 100, unit: '%', note: 'from memory' },
          ...weighed
            .filter(w => w.chance !== 1)
            .map((w): WorthLine => ({
              label: `times, for “${findFinding(w.id).question.ask} ${findFinding(w.id).finding.label}”`,
              value: w.chance,
              unit: 'factor',
              note: 'from memory',
            })),
          ...(reads
            ? [
                {
                  label: 'Doubt left, times',
                  value: reads.doubt,
                  unit: 'factor' as const,
                  note: `${reads.label}; from memory`,
                },
              ]
            : []),
          ...(weighed.length || reads
            ? [{ label: 'Chance of success', value: chance * 100, unit: '%' as const, note: '' }]
            : []),
        ]
  lines.push(
    ...hourLines(
      hoursToGo,
      minutesToGo,
      overhaulMinutes,
      weighed.reduce((h, w) => h + w.hours, 0),
    ),
  )
  const partial = { chance, hoursToGo, lines }

  if (ids.has('disk.data'))
    return {
      ...partial,
      verdict: 'rescue',
      reasons: ['A disk whose data matter is stuck in it: save them before any calculation.'],
      gain: null,
      perHour: null,
    }
  const { working, asParts, parts } = account
  if (working === null)
    return {
      ...partial,
      verdict: 'unknown',
      reasons: ['Say what it would be worth working, then this can be worked out.'],
      gain: null,
      perHour: null,
    }
  const scrap = asParts ?? 0
  const goingOn = chance * working + (1 - chance) * scrap - (parts ?? 0)
  const gain = goingOn - scrap
  const perHour = hoursToGo > 0 ? gain / hoursToGo : null
  const rate = account.hourRate ?? 0
  lines.push(
    { label: 'Working, times its chance', value: chance * working, unit: 'money', note: '' },
    { label: 'As parts otherwise, times the rest', value: (1 - chance) * scrap, unit: 'money', note: '' },
    { label: 'Parts to buy', value: -(parts ?? 0), unit: 'money', note: '' },
    { label: 'Stripped for parts now instead', value: -scrap, unit: 'money', note: '' },
    { label: 'Going on brings', value: gain, unit: 'money', note: 'hours not counted' },
  )
  if (rate > 0)
    lines.push({
      label: 'Hours, at what one is to bring',
      value: -rate * hoursToGo,
      unit: 'money',
      note: `${money(rate)} an hour`,
    })
  const sunk = [account.paid ? `${money(account.paid)} paid` : '', account.hours ? `${account.hours} h spent` : '']
    .filter(Boolean)
    .join(' and ')
  const gone = sunk ? [`${upperFirst(sunk)}: already spent, and not counted.`] : []
  const settled = { ...partial, lines, gain, perHour }
  if (gain <= 0) {
    return account.matters
      ? {
          ...settled,
          verdict: 'if-it-matters',
          reasons: [
            `Going on is expected to cost ${money(-gain)} more than it brings; you said that it matters.`,
            ...gone,
          ],
        }
      : {
          ...settled,
          verdict: 'part-out',
          reasons: [`Going on is expected to bring ${money(gain)} against stripping it for parts.`, ...gone],
        }
  }
  if (gain < rate * hoursToGo)
    return {
      ...settled,
      verdict: 'if-it-matters',
      reasons: [
        `Going on brings ${money(gain)} for about ${hoursToGo.toFixed(1)} h: ${money(perHour ?? 0)} an hour, and you asked for ${money(rate)}.`,
        ...gone,
      ],
    }
  return {
    ...settled,
    verdict: 'go-on',
    reasons: [
      `Going on brings ${money(gain)} for about ${hoursToGo.toFixed(1)} h${perHour === null ? '' : `: ${money(perHour)} an hour`}.`,
      ...gone,
    ],
  }
}

/** What the likely cure takes, and beside it what is not priced. */
function hourLines(hoursToGo: number, cure: number, overhaul: number | undefined, found: number): WorthLine[] {
  const lines: WorthLine[] = [
    {
      label: 'Hours still to come',
      value: hoursToGo,
      unit: 'hours',
      note: 'the likely cure and its proof, from memory',
    },
  ]
  if (overhaul !== undefined && overhaul > cure)
    lines.push({
      label: 'A thorough overhaul instead',
      value: overhaul / 60 + found,
      unit: 'hours',
      note: 'every open step; not counted',
    })
  return lines
}

function check(account: Account): void {
  const amounts = {
    paid: 'What was paid',
    parts: 'Parts to buy',
    working: 'Its worth working',
    asParts: 'Its worth as parts',
    hours: 'Hours so far',
    hourRate: 'What an hour brings',
  } as const
  for (const [field, label] of Object.entries(amounts)) {
    const value = account[field as keyof typeof amounts]
    if (value !== null && !(value >= 0 && value < 1e7))
      throw new ParameterError(`${label} cannot be ${value}`, '0 or more', { field: `account.${field}` })
  }
  if (account.chance !== null && !(account.chance >= 0 && account.chance <= 1))
    throw new ParameterError(`a chance of ${account.chance} is none`, '0 to 1', { field: 'account.chance' })
}
