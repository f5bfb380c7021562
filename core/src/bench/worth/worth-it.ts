import { ParameterError } from '../../base/errors'
import { upperFirst } from '../../base/observations'
import type { Account } from '../../log'
import { chanceOf } from './chance-of'
import { hoursOf } from './hours-of'
import type { Verdict, Worth, WorthInput } from './types'

/** The verdicts, as a person reads them. */
export const VERDICTS: Readonly<Record<Verdict, string>> = {
  rescue: 'Rescue the disk first',
  'go-on': 'Go on',
  'if-it-matters': 'Go on only if it matters to you',
  'part-out': 'Strip it for parts',
  unknown: 'Not known yet',
}

const money = (x: number) =>
  (Math.abs(x) < 0.005 ? 0 : x).toFixed(Math.abs(x) < 100 && x % 1 !== 0 ? 2 : 0).replace('-', '−')

/**
 * Whether a drive is worth the hours: what going on is expected to bring (chance times its price working, and parts
 * otherwise, less parts to buy), against parting it out now. What was paid is already spent and decides nothing.
 * @throws ParameterError where a number is impossible
 */
export function worthIt(input: WorthInput): Worth {
  const { account } = input
  check(account)
  const ids = new Set(input.found)
  const { chance, lines: chances } = chanceOf(input)
  const { hoursToGo, lines: hours } = hoursOf(input)
  const lines = [...chances, ...hours]
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
