import { gravestOf, plain, type Point } from '../../base/observations'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { LOGIC, logicOf, UNNAMED_INPUT, type LogicInput } from './logic-levels'
import { currentFor, levelAt, type SensorNode } from './sensor-node'

/** Common practice: a detector freed from its pull-up passes at least 0.2 mA lit; one that passed 6 µA was dead. */
const GOOD_A = 0.2e-3
const DEAD_A = 20e-6
/** Common practice: in circuit 0.1 to 0.2 V lit and near 5 V shaded, or the other way round. A level is sure beyond. */
const SURE_LOW = 0.5
const SURE_SHARE = 0.8

interface Said {
  readonly points: Point[]
  readonly lines: CalculatorLine[]
  /** What was found sound, for the sentence of a sensor that may stay. */
  readonly sound: string[]
}
const nothing = (): Said => ({ points: [], lines: [], sound: [] })

function judge(v: Values): CalculatorResult {
  const said = [ledSaid(v), freedSaid(v), inCircuitSaid(v)]
  const sound = said.flatMap(s => s.sound)
  const [lit, inLit, inDark] = [maybe(v, 'lit'), maybe(v, 'litVolts'), maybe(v, 'darkVolts')]
  return {
    call: gravestOf(
      said.flatMap(s => s.points),
      sound.length
        ? { kind: 'leave', reasons: sound, next: 'Leave the sensor as it is.' }
        : {
            kind: 'unknown',
            reasons: ['What was measured does not decide about the sensor.'],
            next: 'Measure the sensor’s output in circuit, lit and shaded.',
          },
    ),
    lines: said.flatMap(s => s.lines),
    observations: [
      ...(lit === undefined
        ? []
        : [
            {
              key: 'sensor.lit',
              label: 'Detector, lit',
              value: Number((lit * 1000).toFixed(4)),
              unit: 'mA',
              how: 'freed from its pull-up',
            },
          ]),
      ...(inLit === undefined || inDark === undefined
        ? []
        : [
            {
              key: 'sensor.difference',
              label: 'Sensor, shaded less lit',
              value: Number((inDark - inLit).toFixed(2)),
              unit: 'V',
              how: 'in circuit',
            },
          ]),
      ...spareSeen(v),
    ],
  }
}

/** How many times weaker the detector may become, where current and pull-up are both known. */
function spareOf(v: Values, input: LogicInput, inside: SensorNode['inside']): number | null {
  const [lit, pull] = [maybe(v, 'lit'), maybe(v, 'pull')]
  if (lit === undefined || pull === undefined) return null
  return lit / currentFor({ supply: maybe(v, 'supply') ?? 5, pull, input, inside }, input.low)
}

function spareSeen(v: Values) {
  const spare = spareOf(v, logicOf(v.logic) ?? UNNAMED_INPUT, 'typical')
  return spare === null
    ? []
    : [
        {
          key: 'sensor.spare',
          label: 'Sensor, light to spare',
          value: Number(spare.toFixed(2)),
          unit: '×',
          how: `${(maybe(v, 'lit')! * 1000).toFixed(3)} mA lit into ${maybe(v, 'pull')} Ω`,
        },
      ]
}

/** The emitter: its voltage and whether it glows. */
function ledSaid(v: Values): Said {
  const out = nothing()
  const [drop, series, supply] = [maybe(v, 'led'), maybe(v, 'series'), maybe(v, 'supply') ?? 5]
  if (v.camera === 'dark')
    out.points.push({
      kind: 'mend',
      says: 'The LED does not glow in a camera in the dark.',
      next: 'Measure its voltage: open, or no current through its resistor.',
    })
  if (drop === undefined) return out
  if (series) out.lines.push({ label: 'LED current', value: ((supply - drop) / series) * 1000, unit: 'mA' })
  const usual = `The LED drops ${drop} V: a good one drops 1.1 to 1.3 V (common practice).`
  if (drop < 0.9)
    out.points.push({
      kind: 'mend',
      says: usual,
      next: 'The LED is shorted, or no current flows: measure at its resistor.',
    })
  else if (drop > 1.6)
    out.points.push({ kind: 'mend', says: usual, next: 'The LED is open, or this is not an infrared LED.' })
  return out
}

/** The detector freed from its pull-up: its current, and the levels that follow from it. */
function freedSaid(v: Values): Said {
  const out = nothing()
  const [lit, pull] = [maybe(v, 'lit'), maybe(v, 'pull')]
  if (lit === undefined) return out
  // So little light current is a verdict by itself: no pull-up and no shaded reading is needed.
  if (lit < DEAD_A) {
    out.points.push({
      kind: 'mend',
      says: `It passes ${(lit * 1e6).toFixed(0)} µA with the light on it: dead.`,
      next: 'Clean lens and slot and measure once more; then replace the detector: one from a ball mouse can serve.',
    })
    return out
  }
  if (pull !== undefined) levels(v, lit, pull, out)
  else if (lit >= GOOD_A)
    out.sound.push(`It passes ${plain(lit * 1000)} mA lit; 0.2 mA is the least of a good one (common practice).`)
  if (lit < GOOD_A)
    out.points.push({
      kind: 'mend',
      says: `It passes ${(lit * 1000).toFixed(2)} mA; 0.2 mA is the least of a good one (common practice).`,
      next: 'Clean lens and slot, measure again; replace the detector where it stays weak.',
    })
  return out
}

function levels(v: Values, lit: number, pull: number, out: Said): void {
  const named = logicOf(v.logic)
  const input = named ?? UNNAMED_INPUT
  const supply = maybe(v, 'supply') ?? 5
  const dark = maybe(v, 'dark')
  const node: SensorNode = { supply, pull, input, inside: 'typical' }
  const [litV, darkV] = [levelAt(node, lit), levelAt(node, dark ?? 0)]
  const worstV = levelAt({ ...node, inside: 'least' }, lit)
  const spare = spareOf(v, input, 'typical')!
  const counted = input.inside ? 'the input’s own current counted' : named ? '' : 'no input current counted'
  out.lines.push(
    { label: 'Level when lit', value: litV, unit: 'V', note: `low up to ${input.low} V${counted && `; ${counted}`}` },
    {
      label: 'Level when shaded',
      value: darkV,
      unit: 'V',
      note: `high from ${input.high} V${dark === undefined ? '; no dark current counted' : ''}`,
    },
    { label: 'Margin, lit', value: input.low - litV, unit: 'V' },
    { label: 'Margin, shaded', value: darkV - input.high, unit: 'V' },
    { label: 'Light to spare', value: spare, unit: '×', note: 'under 1 it fails; under 2 it will' },
  )
  const ttlFails = !named && levelAt({ ...node, input: LOGIC.ttl }, lit) > LOGIC.ttl.low
  if (darkV < input.high)
    out.points.push({
      kind: 'mend',
      says: 'Shaded, the line never gets high: the detector leaks, or room light reaches it.',
      next: 'Shade it by hand and measure again.',
    })
  if (litV > input.low)
    out.points.push({
      kind: 'mend',
      says: 'Lit, the line never gets low enough: the detector is too weak for this pull-up.',
      next: 'Clean lens and slot; then replace the detector, or raise the pull-up.',
    })
  else if (worstV > input.low)
    out.points.push({
      kind: 'unknown',
      says: `Lit, the line gets low with a typical input, not with the largest input current of ${input.label}.`,
      next: 'Measure the level in circuit, lit.',
    })
  else if (spare < 2)
    out.points.push({
      kind: 'unknown',
      says: `The line works, but with ${spare.toFixed(1)} × the light it needs it fails as the LED ages.`,
      next: 'Clean lens and slot; measure again when warm.',
    })
  else if (ttlFails && maybe(v, 'litVolts') === undefined)
    out.points.push({
      kind: 'unknown',
      says: 'Which logic the sensor drives was not said: a standard TTL input sends about 1 mA, too much for it.',
      next: 'Choose the logic, or measure the level in circuit, lit and shaded.',
    })
  else out.sound.push(`Sure on both levels, with ${spare.toFixed(1)} × the light it needs.`)
}

/** The output as it is in circuit: the difference decides, whichever way round the drive's maker took it. */
function inCircuitSaid(v: Values): Said {
  const out = nothing()
  const [lit, dark] = [maybe(v, 'litVolts'), maybe(v, 'darkVolts')]
  const supply = maybe(v, 'supply') ?? 5
  if (lit === undefined && dark === undefined) return out
  if (lit === undefined || dark === undefined) {
    out.points.push({
      kind: 'unknown',
      says: `Only the level ${lit === undefined ? 'shaded' : 'lit'} was measured in circuit: the difference decides.`,
      next: `Measure it ${lit === undefined ? 'lit' : 'shaded'} too.`,
    })
    return out
  }
  const [low, high] = [Math.min(lit, dark), Math.max(lit, dark)]
  out.lines.push({
    label: 'In circuit, low to high',
    value: `${plain(low)} to ${plain(high)}`,
    unit: 'V',
    note: lit < dark ? 'lit is low' : 'lit is high: the emitter of the detector is the output',
  })
  const input = logicOf(v.logic) ?? UNNAMED_INPUT
  if (high - low < 0.5)
    out.points.push({
      kind: 'mend',
      says: `Lit ${plain(lit)} V, shaded ${plain(dark)} V: the light changes nothing.`,
      next: 'Camera on the LED in the dark; then the detector, freed from its pull-up.',
    })
  else if (low > input.low || high < input.high)
    out.points.push({
      kind: 'mend',
      says: `It moves from ${plain(low)} to ${plain(high)} V: ${low > input.low ? 'no sure low' : 'no sure high'}.`,
      next: 'Clean lens and slot, measure again; then the detector’s current, freed from its pull-up.',
    })
  else if (low > SURE_LOW || high < supply * SURE_SHARE)
    out.points.push({
      kind: 'unknown',
      says: `Both levels are valid, but ${plain(low)} to ${plain(high)} V is less than usual: 0.1–0.2 V to near ${plain(supply)} V.`,
      next: 'Clean lens and slot; measure again when warm.',
    })
  else out.sound.push(`In circuit ${plain(lit)} V lit and ${plain(dark)} V shaded: both levels are sure.`)
  return out
}

/** An optical sensor: levels lit and shaded, and what is to spare before it fails. */
export const sensorCalculator: Calculator = {
  id: 'sensor',
  title: 'Optical sensor',
  station: 'electronics',
  group: 'Sensors',
  purpose: 'Whether a sensor is sure of its levels, and how weak it may still become.',
  fields: [
    {
      key: 'which',
      label: 'Which sensor it is',
      hint: 'then it counts on the drive’s case',
      choices: [
        { value: 'index', label: 'index' },
        { value: 'track-0', label: 'track zero' },
        { value: 'protect', label: 'write protect' },
      ],
    },
    {
      key: 'litVolts',
      zero: true,
      label: 'Output in circuit, lit',
      hint: 'at the detector, powered, slot clear',
      quantity: 'voltage',
      plausible: [0, 5.5],
    },
    {
      key: 'darkVolts',
      zero: true,
      label: 'Output in circuit, shaded',
      hint: 'the flag or card in the slot',
      quantity: 'voltage',
      plausible: [0, 5.5],
    },
    {
      key: 'lit',
      zero: true,
      label: 'Detector current, lit',
      hint: 'freed from its pull-up',
      quantity: 'current',
      plausible: [1e-6, 0.02],
    },
    { key: 'dark', zero: true, label: 'Detector current, shaded', quantity: 'current', plausible: [0, 1e-4] },
    { key: 'pull', label: 'Pull-up', quantity: 'resistance', plausible: [1000, 200_000] },
    {
      key: 'logic',
      label: 'Logic it drives',
      choices: Object.entries(LOGIC).map(([value, l]) => ({ value, label: l.label })),
    },
    { key: 'supply', rare: true, label: 'Supply', quantity: 'voltage', plausible: [4, 13] },
    { key: 'led', zero: true, label: 'LED drop', quantity: 'voltage', plausible: [0.5, 3] },
    { key: 'series', rare: true, label: 'LED resistor', quantity: 'resistance', plausible: [50, 2000] },
    {
      key: 'camera',
      rare: true,
      label: 'Seen through a camera in the dark',
      choices: [
        { value: 'glows', label: 'it glows' },
        { value: 'dark', label: 'dark' },
      ],
    },
  ],
  formulas: [
    'In circuit the difference between lit and shaded decides; either may be the low one (common practice).',
    'Level: the currents of detector, pull-up and logic input add up to nothing at the node; never below 0.1 V.',
    'Light to spare = lit current ÷ the current that brings the node to the low level.',
    'TTL: low up to 0.8 V, high from 2.0 V; a standard input sends up to 1.6 mA, a low-power Schottky one 0.4 mA (data books, from memory).',
  ],
  judge,
}
