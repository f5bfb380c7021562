import { leadResistance, MOST_LOST } from '../electronics'
import { gravestOf, plain, type CallKind, type Point } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** A trimmer makes good so much of a motor's own speed (from memory). */
const TRIMMABLE = 0.05

/** Compares two sizes that must be alike within a share. */
function size(v: Values, key: string, words: string, share: number, kind: CallKind, next: string): Point[] {
  const [a, b] = [maybe(v, `${key}1`), maybe(v, `${key}2`)]
  if (a === undefined || b === undefined || Math.abs(b / a - 1) <= share) return []
  return [{ kind, says: `${words}: ${plain(b)} in place of ${plain(a)}.`, next }]
}

/** Voltage, shaft, mounting and body of the other motor. */
function sizes(v: Values): Point[] {
  const tall = (maybe(v, 'height2') ?? 0) > (maybe(v, 'height1') ?? Infinity) * 1.02
  const wide = (maybe(v, 'body2') ?? 0) > (maybe(v, 'body1') ?? Infinity) * 1.02
  const room: Point = {
    kind: 'mend',
    says: `It is ${[tall && 'taller', wide && 'wider'].filter(Boolean).join(' and ')} than its place.`,
    next: 'Measure the room above it before anything is cut.',
  }
  return [
    ...size(v, 'volts', 'Voltage', 0.05, 'stop', 'Another motor: this one runs hot or not at all.'),
    ...size(v, 'shaft', 'Shaft', 0.015, 'mend', 'The pulley does not fit: a bush, or another motor.'),
    ...size(v, 'circle', 'Mounting circle', 0.02, 'mend', 'Another plate, or another motor.'),
    ...(tall || wide ? [room] : []),
  ]
}

function speeds(v: Values): Point[] {
  const [rpm1, rpm2] = [maybe(v, 'speed1'), maybe(v, 'speed2')]
  if (rpm1 === undefined || rpm2 === undefined) return []
  const off = rpm2 / rpm1 - 1
  const way = off > 0 ? 'faster' : 'slower'
  const pulley = maybe(v, 'pulley')
  if (Math.abs(off) > TRIMMABLE)
    return [
      {
        kind: 'mend',
        says: `It is ${(Math.abs(off) * 100).toFixed(0)} % ${way}, more than a trimmer makes good.`,
        next: pulley
          ? `A pulley of ${plain(pulley / (1 + off))} mm makes up for it.`
          : 'A pulley of another size makes up for it.',
      },
    ]
  if (Math.abs(off) <= 0.01) return []
  return [
    {
      kind: 'nudge',
      says: `It is ${(Math.abs(off) * 100).toFixed(1)} % ${way}: the trimmer makes that good.`,
      next: 'Fit it, then measure and trim.',
    },
  ]
}

/** What must be alike before one motor can replace another. */
const NEEDED = { volts: 'voltage', speed: 'speed', shaft: 'shaft' } as const

const many = (leads: string | number) => (leads === 'more' ? 'more than four' : leads)

/** Which way it turns, and how it is wired. */
function wiring(v: Values): Point[] {
  const out: Point[] = []
  const brushed = v.kind === 'brushed'
  if (v.turns1 && v.turns2 && v.turns1 !== v.turns2)
    out.push({
      kind: brushed ? 'nudge' : 'mend',
      says: 'It turns the other way.',
      next: brushed
        ? 'Swap its two leads; brushes set for one way wear faster.'
        : 'A brushless motor keeps its way: another motor.',
    })
  if (v.leads1 && v.leads2 && v.leads1 !== v.leads2)
    out.push({
      kind: 'mend',
      says: `It has ${many(v.leads2)} leads in place of ${many(v.leads1)}: it is driven in another way.`,
      next: 'Another motor, or its own board along with it.',
    })
  if (v.order === 'unknown')
    out.push({
      kind: 'unknown',
      says: 'Which lead goes where is not known.',
      next: 'Check its windings for continuity in pairs, and write the colours down before anything is cut.',
    })
  if (v.tacho1 === 'yes' && v.tacho2 === 'no')
    out.push({
      kind: 'mend',
      says: 'The board expects a tachometer winding, and this one has none.',
      next: 'Without it the speed runs away: another motor, or the donor’s board too.',
    })
  return out
}

/** What it draws running free, and how soon it comes to speed. */
function running(v: Values): Point[] {
  const out: Point[] = []
  const [idle, usual] = [maybe(v, 'draw'), maybe(v, 'drawUsual')]
  if (idle !== undefined && usual !== undefined && idle > usual * 1.5)
    out.push({
      kind: 'mend',
      says: `Running free it draws ${plain(idle)} A, ${(idle / usual).toFixed(1)} times the usual.`,
      next: 'Bearings or windings: a drop of light oil at the bearing, then measure again.',
    })
  const start = maybe(v, 'start')
  if (start !== undefined && start > 2)
    out.push({
      kind: 'unknown',
      says: `It takes ${plain(start)} s to come to speed.`,
      next: 'Feel for hardened grease before the motor is blamed.',
    })
  return out
}

const points = (v: Values): Point[] => [...sizes(v), ...speeds(v), ...wiring(v), ...running(v)]

/** Least room between a lead and the belt, mm (from memory). */
const CLEAR = 5

/** Leads that have to reach further than they do, and where they run. */
function leads(v: Values): { readonly points: Point[]; readonly lines: CalculatorLine[] } {
  const [has, reach, wire, amps, clear] = [
    maybe(v, 'lead'),
    maybe(v, 'reach'),
    maybe(v, 'wire'),
    maybe(v, 'startAmps'),
    maybe(v, 'clear'),
  ]
  const points: Point[] = []
  const lines: CalculatorLine[] = []
  if (clear !== undefined && clear < CLEAR)
    points.push({
      kind: 'mend',
      says: `A lead runs ${plain(clear)} mm from the belt: the belt would catch it.`,
      next: `Tie it away, ${CLEAR} mm or more from belt and flywheel.`,
    })
  if (has === undefined || reach === undefined) return { points, lines }
  const short = reach - has
  if (short <= 0) return { points, lines: [{ label: 'Leads reach, with to spare', value: -short, unit: 'mm' }] }
  lines.push({ label: 'Leads lengthened by', value: short * 1.1, unit: 'mm', note: 'a tenth more for the joints' })
  const gauge = wire ?? 0.518
  const lost = amps === undefined ? undefined : leadResistance(reach, gauge) * amps
  const volts = maybe(v, 'volts1') ?? 12
  if (lost !== undefined)
    lines.push({
      label: 'Lost in the leads at start',
      value: lost * 1000,
      unit: 'mV',
      note: `${plain(gauge)} mm²${wire === undefined ? ', 20 AWG, as is usual (common practice)' : ''}, there and back`,
    })
  points.push(
    lost !== undefined && lost / volts > MOST_LOST
      ? {
          kind: 'mend',
          says: `Lengthened with ${plain(gauge)} mm² its leads lose ${((lost / volts) * 100).toFixed(1)} % of ${plain(volts)} V at start.`,
          next: `Use ${plain((gauge * lost) / volts / MOST_LOST)} mm² or more.`,
        }
      : {
          kind: 'nudge',
          says: `Its leads are ${plain(short)} mm short.`,
          next: `Lengthen each by ${Math.ceil(short * 1.1)} mm${wire === undefined ? ' with 20 AWG' : ''}, heat-shrink on every joint, tied well clear of the belt.`,
        },
  )
  return { points, lines }
}

function judge(v: Values): CalculatorResult {
  const lead = leads(v)
  const found = [...points(v), ...lead.points]
  const compared = (k: string) => v[`${k}1`] !== undefined && v[`${k}2`] !== undefined
  const pairs = ['volts', 'speed', 'shaft', 'circle', 'height', 'body'].filter(compared).length
  const lacking = Object.entries(NEEDED).flatMap(([k, words]) => (compared(k) ? [] : [words]))
  const call = gravestOf(
    found,
    lacking.length
      ? {
          kind: 'unknown',
          reasons: [`Not compared yet: ${lacking.join(', ')}. Without them one motor cannot replace the other.`],
          next: `Measure ${lacking[0]} of both motors.`,
        }
      : {
          kind: 'leave',
          reasons: [`Alike in ${pairs} of 6 sizes that were compared: a suffix alone need not matter.`],
          next: 'Lead it clear of the belt, and measure the speed.',
        },
  )
  const lines: CalculatorLine[] = [
    ...(v.speed1 !== undefined && v.speed2 !== undefined
      ? [{ label: 'Faster by', value: (num(v, 'speed2') / num(v, 'speed1') - 1) * 100, unit: '%' }]
      : []),
    ...lead.lines,
  ]
  return {
    call,
    lines,
    observations: [
      {
        key: 'motor.fit',
        label: 'Motor for motor',
        value: found.length
          ? `${found.length} ${found.length === 1 ? 'difference' : 'differences'}`
          : lacking.length
            ? 'not settled'
            : 'alike',
        unit: '',
        how: `${pairs} sizes compared`,
      },
    ],
  }
}

const both = (
  key: string,
  label: string,
  quantity: 'voltage' | 'speed' | 'length',
  plausible: readonly [number, number],
  rare = false,
) =>
  [1, 2].map(n => ({
    key: `${key}${n}`,
    label: `${label}, ${n === 1 ? 'original' : 'candidate'}`,
    quantity,
    plausible,
    ...(rare ? { rare: true as const } : {}),
  }))
const choose = (key: string, label: string, choices: readonly { value: string; label: string }[]) =>
  [1, 2].map(n => ({
    key: `${key}${n}`,
    label: `${label}, ${n === 1 ? 'original' : 'candidate'}`,
    choices,
    rare: true as const,
  }))

/** A motor in place of another. */
export const motorCalculator: Calculator = {
  id: 'motor',
  title: 'Motor',
  station: 'drive-train',
  group: 'Motor',
  purpose: 'Whether a motor can replace another, and what differs.',
  fields: [
    ...both('volts', 'Voltage', 'voltage', [3, 24]),
    ...both('speed', 'Speed', 'speed', [500, 8000]),
    ...both('shaft', 'Shaft', 'length', [1, 8]),
    ...both('circle', 'Mounting circle', 'length', [8, 60], true),
    ...both('height', 'Height', 'length', [8, 60], true),
    ...both('body', 'Body', 'length', [15, 80], true),
    { key: 'pulley', label: 'Pulley of the original', quantity: 'length', rare: true, plausible: [3, 30] },
    ...choose('turns', 'Turns', [
      { value: 'right', label: 'right, seen at the shaft' },
      { value: 'left', label: 'left, seen at the shaft' },
    ]),
    ...choose('tacho', 'Tachometer', [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'none' },
    ]),
    ...choose('leads', 'Leads', [
      { value: '2', label: 'two' },
      { value: '3', label: 'three' },
      { value: '4', label: 'four' },
      { value: 'more', label: 'more' },
    ]),
    {
      key: 'order',
      label: 'Its wiring',
      choices: [
        { value: 'same', label: 'lead for lead as the original' },
        { value: 'unknown', label: 'not known' },
      ],
      rare: true,
    },
    {
      key: 'kind',
      label: 'Kind of motor',
      choices: [
        { value: 'brushed', label: 'brushes, two leads' },
        { value: 'brushless', label: 'brushless or direct drive' },
      ],
      rare: true,
    },
    { key: 'draw', label: 'Current, running free', quantity: 'current', rare: true, plausible: [0.01, 2] },
    {
      key: 'drawUsual',
      label: 'Current, usual',
      hint: 'of a good one of its kind',
      quantity: 'current',
      rare: true,
      plausible: [0.01, 2],
    },
    { key: 'lead', label: 'Leads of the candidate', quantity: 'length', rare: true, plausible: [20, 600] },
    {
      key: 'reach',
      label: 'Leads must reach',
      hint: 'along their way, tied',
      quantity: 'length',
      rare: true,
      plausible: [20, 1000],
    },
    {
      key: 'wire',
      label: 'Wire to lengthen with',
      hint: '20 AWG where nothing is said',
      quantity: 'wire',
      rare: true,
      plausible: [0.03, 4],
    },
    { key: 'startAmps', label: 'Current at start', quantity: 'current', rare: true, plausible: [0.05, 5] },
    {
      key: 'clear',
      label: 'Lead to belt, at the nearest',
      quantity: 'length',
      rare: true,
      zero: true,
      plausible: [0, 60],
    },
    { key: 'start', label: 'Time to speed', quantity: 'time', rare: true, plausible: [0.05, 10] },
  ],
  formulas: [
    'Sizes must agree: voltage within 5 %, shaft within 1.5 %, mounting within 2 %; a trimmer makes good 5 % of speed (from memory).',
    `Leads: 2 × reach ÷ (58 m/Ω·mm² × area) × current at start, at most ${MOST_LOST * 100} % of the supply voltage; ${CLEAR} mm or more from the belt (from memory).`,
    'Pulley for another speed = old pulley × old speed ÷ new speed.',
  ],
  judge,
}
