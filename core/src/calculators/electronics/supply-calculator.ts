import { ParameterError } from '../../base/errors'
import type { Call } from '../../base/observations'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** Start-up over nameplate, where the peak was not measured: motors draw about this much more (from memory). */
const STARTUP = 1.8
/** Age from which its capacitors are looked at first, years (from memory). */
const OLD = 20
/** What should be left over (from memory). */
const HEADROOM = 0.25

interface Rail {
  readonly name: string
  readonly volts: number
  readonly needs: number
  readonly has: number
}

function railOf(v: Values, name: string, volts: number, starts: boolean): Rail | null {
  const [nameplate, has] = [maybe(v, `draw${volts}`), maybe(v, `has${volts}`)]
  if (nameplate === undefined || nameplate === 0 || has === undefined) return null
  const drives = maybe(v, 'drives') ?? 1
  const peak = Math.max(nameplate, maybe(v, `peak${volts}`) ?? (starts ? nameplate * STARTUP : nameplate))
  // Hosts start one drive at a time, the others run; on a shared motor line they all start at once.
  return { name, volts, needs: v.together === 'yes' ? peak * drives : nameplate * (drives - 1) + peak, has }
}

function judge(v: Values): CalculatorResult {
  if (maybe(v, 'drives') === 0) throw new ParameterError('a supply for no drive', 'one or more', { field: 'drives' })
  const rails = [railOf(v, '12 V', 12, true), railOf(v, '5 V', 5, false)].filter(r => r !== null)
  const lines: CalculatorLine[] = rails.flatMap(r => [
    {
      label: `${r.name}: needed at start`,
      value: r.needs,
      unit: 'A',
      note:
        maybe(v, `peak${r.volts}`) === undefined && r.volts === 12
          ? `nameplate × ${STARTUP} for the drive that starts (from memory)`
          : '',
    },
    { label: `${r.name}: left over`, value: (r.has / r.needs - 1) * 100, unit: '%' },
  ])
  const observations = rails.map(r => ({
    key: `supply.headroom.${r.volts}`,
    label: `Supply, ${r.name}, left over`,
    value: Number(((r.has / r.needs - 1) * 100).toFixed(0)),
    unit: '%',
    how: `${r.has} A for ${r.needs.toFixed(2)} A at start`,
  }))
  return {
    call: callOf(v, rails),
    lines,
    observations: observations.length
      ? observations
      : [
          {
            key: 'supply.none',
            label: 'Supply',
            value: 'not known',
            unit: '',
            how: 'no supply voltage has all its values',
          },
        ],
  }
}

/** A drive without that supply voltage says so with 0 A on its plate. */
const notUsed = (v: Values, name: '12 V' | '5 V') => maybe(v, name === '12 V' ? 'draw12' : 'draw5') === 0

function callOf(v: Values, rails: readonly Rail[]): Call {
  if (rails.length === 0)
    return {
      kind: 'unknown',
      reasons: ['No supply voltage is known with both its draw and its rating.'],
      next: 'Read the drive’s plate and the supply’s plate.',
    }
  const short = rails.find(r => r.has < r.needs)
  if (short)
    return {
      kind: 'stop',
      reasons: [`${short.name} gives ${short.has} A and ${short.needs.toFixed(2)} A are needed at start.`],
      next: 'Another supply, or one drive at a time.',
    }
  if (v.capacitors === 'old' || (v.capacitors === undefined && (maybe(v, 'age') ?? 0) >= OLD))
    return {
      kind: 'mend',
      reasons: [
        'The ratings are enough, but its capacitors are as old as it is.',
        'Ripple from dried-out capacitors looks like a bad drive.',
      ],
      next: 'Look at its capacitors, or measure its ripple under load.',
    }
  const least = maybe(v, 'least')
  const drawn = rails.find(r => r.volts === 5)?.needs
  if (least !== undefined && drawn !== undefined && drawn < least)
    return {
      kind: 'mend',
      reasons: [`It wants at least ${least} A on 5 V before it regulates, and the drive draws ${drawn.toFixed(2)} A.`],
      next: 'Add a load, or use another supply.',
    }
  const ripple = maybe(v, 'ripple')
  if (ripple !== undefined && ripple > 0.1)
    return {
      kind: 'mend',
      reasons: [`A ripple of ${(ripple * 1000).toFixed(0)} mV is more than 100 mV (from memory).`],
      next: 'Renew its output capacitors.',
    }
  const lacking = (['12 V', '5 V'] as const).filter(name => !rails.some(r => r.name === name) && !notUsed(v, name))
  if (lacking.length)
    return {
      kind: 'unknown',
      reasons: [`${rails[0]!.name} is enough. Of ${lacking[0]} the draw or the rating is not known.`],
      next: `Read ${lacking[0]} on both plates; type 0 A where the drive’s plate names none.`,
    }
  const tight = rails.find(r => r.has < r.needs * (1 + HEADROOM))
  if (tight)
    return {
      kind: 'unknown',
      reasons: [
        `${tight.name} is enough on paper, with ${((tight.has / tight.needs - 1) * 100).toFixed(0)} % left over; a quarter is wanted.`,
      ],
      next: 'Measure its voltage while the motor starts.',
    }
  return {
    kind: 'leave',
    reasons: [
      `Enough on every supply voltage, with at least ${Math.min(...rails.map(r => (r.has / r.needs - 1) * 100)).toFixed(0)} % left over.`,
    ],
    next: 'Prove each wire before it is connected: colours are not evidence.',
  }
}

/** The supply: is it enough, at start, with what is left over. */
export const supplyCalculator: Calculator = {
  id: 'supply',
  title: 'Supply',
  station: 'electronics',
  group: 'Supply',
  purpose: 'Whether a supply carries the drive, its start included.',
  fields: [
    { key: 'draw12', label: '12 V on the drive’s plate', quantity: 'current', zero: true, plausible: [0.05, 3] },
    { key: 'peak12', label: '12 V at start', hint: 'where it was measured', quantity: 'current', plausible: [0.1, 5] },
    { key: 'has12', label: '12 V the supply gives', quantity: 'current', plausible: [0.2, 20] },
    { key: 'draw5', label: '5 V on the drive’s plate', quantity: 'current', zero: true, plausible: [0.05, 3] },
    { key: 'peak5', rare: true, label: '5 V at start', quantity: 'current', plausible: [0.05, 3] },
    { key: 'has5', label: '5 V the supply gives', quantity: 'current', plausible: [0.2, 30] },
    { key: 'drives', rare: true, label: 'Drives on it', quantity: 'count', plausible: [1, 4] },
    {
      key: 'together',
      rare: true,
      label: 'Drives start',
      choices: [
        { value: 'no', label: 'one after another' },
        { value: 'yes', label: 'together, on one motor line' },
      ],
    },
    { key: 'age', rare: true, label: 'Its age, years', quantity: 'count', plausible: [0, 60] },
    { key: 'least', rare: true, label: 'Least load it wants on 5 V', quantity: 'current', plausible: [0.05, 5] },
    {
      key: 'ripple',
      rare: true,
      label: 'Ripple under load',
      hint: 'peak to peak',
      quantity: 'voltage',
      plausible: [0.001, 0.5],
    },
    {
      key: 'capacitors',
      label: 'Its capacitors',
      choices: [
        { value: 'new', label: 'renewed or young' },
        { value: 'old', label: 'as old as it is' },
      ],
    },
  ],
  formulas: [
    `Needed at start = nameplate × (drives − 1) + peak, or peak × drives where they start together; the peak of a motor supply is ${STARTUP} × nameplate where it was not measured (from memory).`,
    'Left over = given ÷ needed − 1; a quarter is wanted (from memory).',
  ],
  judge,
}
