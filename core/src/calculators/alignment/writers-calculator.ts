import { pooledMean, type Measured } from '../../base/inference'
import { plain, type Call } from '../../base/observations'
import { MECHANISMS, isMechanismId, pitchUm, type MechanismId } from '../../drives'
import { ParameterError } from '../../base/errors'
import {
  maybe,
  num,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Row,
  type Values,
} from '../calculator'
import { hasOffsetCost, usualHalfWindowUm } from './offset-cost'

/** Writers that differ less than this among themselves would surprise, share of the track pitch (from memory). */
const WRITERS_DIFFER = 0.04
/** Half-width of a 95 % interval, in standard errors. */
const SIGMAS = 1.96
/** Fewer writers say nothing of how much writers differ. */
const FEWEST = 3
/** Of the offset at which half of the sectors fail: so much is left alone, and costs little. */
const ALLOWED = 0.5
/** A writer so many spreads away from the others is named. */
const STRANGE = 3
/** Where nobody says how well the middle of a range is known, µm (a guess). */
const USUAL_WITHIN_UM = 8

interface Writer extends Measured {
  readonly name: string
  readonly disks: number
}

/** Disks of one writer are one voice: they share what is wrong with it. */
function writersOf(rows: readonly Row[]): Writer[] {
  const by = new Map<string, { name: string; readings: Measured[] }>()
  for (const r of rows) {
    const name = String(r.writer).trim()
    const key = name.toLowerCase()
    const own = by.get(key) ?? { name, readings: [] }
    own.readings.push({ value: num(r, 'middle'), error: (maybe(r, 'within') ?? USUAL_WITHIN_UM) / SIGMAS })
    by.set(key, own)
  }
  return [...by.values()].map(({ name, readings }) => {
    const [only] = readings
    if (readings.length === 1) return { name, disks: 1, ...only! }
    const { mean, low95, high95 } = pooledMean(readings)
    // Two disks leave the scatter open: what each is known to bounds it as well.
    const error = Math.min((high95 - low95) / 2 / SIGMAS, Math.max(...readings.map(r => r.error)))
    return { name, disks: readings.length, value: mean, error }
  })
}

/** The writer that stands furthest from all others, where that is too far to be one of them. */
function strangerOf(writers: readonly Writer[], least: number): Writer | null {
  if (writers.length <= FEWEST) return null
  const far = writers.map((w, i) => {
    const others = pooledMean(
      writers.filter((_, k) => k !== i),
      least,
    )
    return { w, by: Math.abs(w.value - others.mean) / Math.hypot(others.spread, w.error) }
  })
  const worst = far.reduce((a, b) => (b.by > a.by ? b : a))
  return worst.by > STRANGE ? worst.w : null
}

function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const id = String(v.mechanism)
  if (!isMechanismId(id) || !hasOffsetCost(id))
    throw new ParameterError('this drive type has no tracks to stand beside', 'a drive type with tracks', {
      field: 'mechanism',
    })
  const writers = writersOf(rows)
  const disks = rows.length
  const voices = `${writers.length} ${writers.length === 1 ? 'writer' : 'writers'}`
  if (writers.length < FEWEST)
    return {
      call: {
        kind: 'unknown',
        reasons: [
          `${disks} ${disks === 1 ? 'disk' : 'disks'} of ${voices}: how much writers differ is not known from so few.`,
        ],
        next: `Sweep the adjuster with factory-written disks of at least ${FEWEST} writers.`,
      },
      lines: [{ label: 'Writers', value: writers.length, unit: '' }],
      observations: [
        { key: 'align.offset', label: 'Offset', value: 'not known', unit: '', how: `${disks} disks of ${voices}` },
      ],
    }
  const least = WRITERS_DIFFER * pitchUm(id)
  const pooled = pooledMean(writers, least)
  // The middle lies where the head should be: the head stands on the other side of it.
  const at = { um: -pooled.mean, low: -pooled.high95, high: -pooled.low95 }
  const within = (at.high - at.low) / 2
  const stranger = strangerOf(writers, least)
  const lines: CalculatorLine[] = [
    {
      label: 'Head stands',
      value: round(Math.abs(at.um)),
      unit: 'µm',
      note: `towards the ${at.um < 0 ? 'edge' : 'hub'}; 95 %: ${plain(round(at.low))} to ${plain(round(at.high))} µm, hub positive`,
    },
    { label: 'Writers differ by', value: round(pooled.spread), unit: 'µm', note: 'standard deviation among them' },
    { label: 'Writers', value: writers.length, unit: '', note: `${disks} ${disks === 1 ? 'disk' : 'disks'}` },
  ]
  return {
    call: callOf(id, at, within, stranger, pooled.spread),
    lines,
    observations: [
      {
        key: 'align.offset',
        label: 'Offset',
        value: round(at.um),
        unit: 'µm',
        uncertainty: round(within),
        how: `${disks} factory-written disks of ${voices}`,
      },
    ],
  }
}

function callOf(
  id: MechanismId,
  at: { readonly um: number; readonly low: number; readonly high: number },
  within: number,
  stranger: Writer | null,
  spread: number,
): Call {
  const half = usualHalfWindowUm(id)
  const allowed = half * ALLOWED
  const says = `The head stands ${plain(Math.abs(round(at.um)))} ± ${plain(round(within))} µm towards the ${at.um < 0 ? 'edge' : 'hub'} from the mean of the writers.`
  const odd = stranger
    ? [`“${stranger.name}” stands far from all others: is it written in the factory, and by the same track layout?`]
    : []
  if (Math.max(Math.abs(at.low), Math.abs(at.high)) < allowed)
    return {
      kind: 'leave',
      reasons: [says, `Up to ${plain(Math.round(allowed))} µm cost little.`, ...odd],
      next: 'Leave it. Only an alignment disk measures against the standard.',
    }
  // Wholly on one side, and more off than is left alone by the best estimate.
  if (Math.abs(at.um) > allowed && at.low * at.high > 0)
    return {
      kind: 'nudge',
      reasons: [
        says,
        `More than ${plain(Math.round(allowed))} µm off: other drives’ disks lose timing margin.`,
        ...odd,
      ],
      next: `Move the head ${plain(Math.abs(round(at.um)))} µm towards the ${at.um < 0 ? 'hub' : 'edge'}; then sweep two of the disks again.`,
    }
  const more = Math.max(1, Math.ceil((SIGMAS * Math.hypot(spread, USUAL_WITHIN_UM / SIGMAS)) ** 2 / (allowed / 2) ** 2))
  return {
    kind: 'unknown',
    reasons: [
      says,
      `The interval is too wide to tell whether that is within ${plain(Math.round(allowed))} µm.`,
      ...odd,
    ],
    next: `Sweep disks of ${more === 1 ? 'one more writer' : `about ${more} more writers`}, or borrow an alignment disk.`,
  }
}

const round = (x: number) => Number(x.toFixed(1))

/** Radial offset without an alignment disk: factory-written disks of several writers stand for the standard. */
export const writersCalculator: Calculator = {
  id: 'factory-disks',
  title: 'Offset by factory-written disks',
  station: 'align',
  group: 'Reference-disk method',
  purpose:
    'Where a head stands against the mean of several writers, with its interval, where no alignment disk is at hand.',
  mechanismField: 'mechanism',
  fields: [
    {
      key: 'mechanism',
      label: 'Drive type',
      required: true,
      choices: MECHANISMS.filter(m => hasOffsetCost(m.id)).map(m => ({ value: m.id, label: m.label })),
    },
  ],
  list: {
    key: 'disks',
    title: 'Disks that were swept, where the adjuster stands now',
    one: 'Disk',
    most: 24,
    required: true,
    fields: [
      {
        key: 'writer',
        label: 'Writer',
        hint: 'who duplicated it: disks of one writer count as one voice',
        words: true,
        required: true,
      },
      {
        key: 'middle',
        label: 'Middle of its range, µm',
        hint: 'from where the head stands; towards the hub is positive',
        quantity: 'number',
        signed: true,
        required: true,
        plausible: [0.1, 300],
      },
      {
        key: 'within',
        label: 'Known to ±, µm',
        hint: `95 %; ${USUAL_WITHIN_UM} if not given, a guess`,
        quantity: 'number',
        plausible: [0.5, 100],
      },
    ],
  },
  formulas: [
    'Each writer one value; weight = 1 ÷ (error² + spread²); spread² among writers by DerSimonian and Laird (1986).',
    'Interval: Student’s t with writers − 1 degrees of freedom, by Hartung and Knapp (2001), never narrower than the errors allow.',
    `Writers are taken to differ by at least ${WRITERS_DIFFER * 100} % of the track pitch (from memory).`,
  ],
  judge,
}
