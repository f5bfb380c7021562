import { LINE_NAMES } from '../../instruments/interface'
import { ParameterError } from '../../base/errors'
import { LAYOUTS, layoutsOf, MECHANISM_IDS, type MechanismId } from '../../drives'
import { soundDrive, type DriveSpec } from './spec'

/** What one parameter is, and what it may be. */
type Parameter =
  | { readonly about: string; readonly least: number; readonly most: number }
  | { readonly about: string; readonly words: readonly string[] }
  | { readonly about: string; readonly list: readonly string[] }
  | { readonly about: string; readonly yes: true }
  | { readonly about: string; readonly numbers: number }
  | { readonly about: string; readonly grooves: true }

const n = (about: string, least: number, most: number): Parameter => ({ about, least, most })
const w = (about: string, words: readonly string[]): Parameter => ({ about, words })

const head = (name: string): Record<string, Parameter> => ({
  radialUm: n(`how far the ${name} head stands towards the hub from where it should, µm`, -1000, 1000),
  azimuthMin: n(`how far the ${name} head is turned from square to the track, minutes of arc`, -180, 180),
  dirtUm: n(`dirt between the ${name} head and the disk, µm; half a micrometre is felt`, 0, 20),
  amplitude: n(`signal of the ${name} head, share of a good one; wear and age lower it`, 0, 2),
})

/** Every parameter of a drive, by its place in the specification. */
export const PARAMETERS: Readonly<Record<string, Parameter | Readonly<Record<string, unknown>>>> = {
  mechanism: w(
    'drive type',
    MECHANISM_IDS.filter(m => layoutsOf(m).length > 0),
  ),
  seed: n('the same seed and the same parameters make the same recording', 0, 2 ** 31),
  spindle: {
    rpm: n('speed where the trimmer stands, r/min', 50, 1000),
    rpmPerTrimmerTurn: n(
      'what a turn of the trimmer to the right changes, r/min; 0 is a dead or missing one',
      -200,
      200,
    ),
    beltRipplePercent: n('unevenness at the belt’s own rate, zero to peak, %: a seam or a set in the belt', 0, 20),
    beltSlipPercent: n('slip of the belt, %: slower, and longer to start', 0, 60),
    onceAroundPercent: n('unevenness once a revolution, zero to peak, %: a bent or rubbing spindle', 0, 20),
    motorRipplePercent: n('unevenness at the motor pulley’s rate, zero to peak, %', 0, 20),
    motorAge: n('age of the motor, 0 new to 1 worn out: it starts slowly, wanders and ripples', 0, 1),
    wanderPercent: n('slow wander of the speed, deviation, %', 0, 10),
    startS: n('time constant of the motor’s start, s', 0.01, 5),
  },
  carriage: {
    startCylinder: n('cylinder that the carriage stands at when power comes', 0, 90),
    offsetUm: n('stepper body turned: both heads are so far towards the hub, µm', -1000, 1000),
    hysteresisUm: n('difference of a track’s place from one side and from the other, µm', 0, 500),
    settleMs: n('time until the heads are still after a step, ms', 1, 100),
    fastestStepMs: n('steps closer together than this are lost, ms', 0.5, 20),
    missPercent: n('chance that a step does nothing, %', 0, 100),
    stiffFrom: n('from this cylinder the guide rail is gummed', 0, 90),
    stiffTo: n('to this cylinder the guide rail is gummed', 0, 90),
    stiffMissPercent: n('chance that a step over the gummed part does nothing, %', 0, 100),
    refusesBelowZero: { about: 'whether the drive ignores a step outward at track zero', yes: true },
  },
  sensorAt: n(
    'where the track-zero sensor switches, cylinders inward of cylinder 0; 0.5 is right, above 1.5 it trips one early',
    -2,
    5,
  ),
  heads: [head('lower'), head('upper')] as unknown as Readonly<Record<string, unknown>>,
  noise: n('noise of head and amplifier, r.m.s. over the full signal', 0, 1),
  asymmetryUs: n('how much later pulses of one polarity come than of the other, µs', 0, 2),
  noisePulses: {
    about: 'whether the amplifier turns its gain up on a blank track or a dead head, until noise makes pulses',
    yes: true,
  },
  channel: {
    levelDetector: { about: 'whether only crossings of large peaks pass; without it shoulders make pulses', yes: true },
    gainControl: { about: 'whether the gain follows the signal, and the detector’s level with it', yes: true },
  },
  trackUm: n('width of the heads, µm', 10, 1000),
  pulseUm: n('width of an isolated pulse at half its height, µm', 0.5, 20),
  write: {
    precompNs: n('write precompensation, ns', 0, 500),
    eraseUm: n('what the erase heads clear on either side of the track, µm; 0 is a dead erase', 0, 500),
    spliceCells: n('cells at either end of what was written that are spoilt', 0, 64),
    currentSwitch: w('whether the write current is lowered on the inner cylinders of 8-inch disks', [
      'good',
      'never lowered',
    ]),
  },
  disk: {
    layout: w('how the disk is laid out', Object.keys(LAYOUTS)),
    content: n('seed of what is written in its sectors', 0, 2 ** 31),
    writer: {
      rpm: n('speed of the drive that wrote the disk, r/min', 50, 1000),
      radialUm: { about: 'how far that drive’s lower and upper head stood towards the hub, µm', numbers: 2 },
      azimuthMin: n('how far its heads were turned, minutes of arc', -180, 180),
      trackUm: n('width of the tracks that it wrote, µm', 10, 1000),
    },
    amplitude: n('signal left after its years, share of a fresh disk', 0, 2),
    wrongDensity: { about: 'whether the disk is of another density than it is written at', yes: true },
    eccentricUm: n('how far its middle is off the spindle’s, µm', 0, 500),
    grooves: {
      about:
        'places where the disk is damaged: head, fromCylinder, toCylinder, fromTurn and toTurn (share of a turn), liftUm (how far the head is lifted, µm)',
      grooves: true,
    },
    writeProtected: { about: 'whether its tab protects it', yes: true },
  },
  sensors: {
    trackZero: w('covered and clear are stuck that way; weak switches now and then only', [
      'good',
      'covered',
      'clear',
      'weak',
    ]),
    zeroPhase: {
      about: 'whether TRACK 0 takes the sensor and the stepper phase of cylinder 0; then 1.5 is right for the sensor',
      yes: true,
    },
    index: w('dead never sees the index, weak misses one in five', ['good', 'dead', 'weak']),
    writeProtect: w('write-protect switch', ['good', 'always protected', 'never protected']),
    diskIn: w('disk-in switch; slow shows the last state for a second and a half', [
      'good',
      'always in',
      'never in',
      'slow',
    ]),
  },
  stuckLow: { about: 'lines that are held low, whatever the drive means', list: LINE_NAMES },
  stuckHigh: { about: 'lines that never go low', list: LINE_NAMES },
  ungated: { about: 'status lines that are driven though the drive is not selected', list: LINE_NAMES },
  wire: w('lines of its own, stepper phases that the host drives, or registers behind phase lines and a strobe', [
    'lines',
    'phases',
    'registers',
  ]),
  power: {
    logicV: n('supply of the logic, V; below 4.75 the amplifier gets noisy', 0, 6),
    motorV: n('supply of the motor, V; below 10.5 the speed falls, below 10 steps are lost', 0, 15),
  },
  loose: {
    wire: w('wire with a loose contact', ['none', ...LINE_NAMES]),
    breaksPerSecond: n('how often it breaks while it is moved', 0, 1000),
    atRestPerSecond: n('how often it breaks at rest', 0, 1000),
  },
}

/**
 * A drive from a specification as plain JSON. What is left out is as in a sound drive of the class; keys that begin
 * with // are notes.
 * @throws ParameterError that names the field
 */
export function readSpec(json: unknown): DriveSpec {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    throw new ParameterError('the specification is no object', 'braces with parameters between them', {
      field: 'specification',
    })
  const mechanism = (json as Record<string, unknown>).mechanism ?? '5.25in-48'
  check(PARAMETERS.mechanism as Parameter, mechanism, 'mechanism')
  const layout = (json as { disk?: { layout?: unknown } }).disk?.layout
  const known = typeof layout === 'string' && layoutsOf(mechanism as MechanismId).includes(layout) ? layout : undefined
  return merge(PARAMETERS, soundDrive(mechanism as MechanismId, 1, known), json, '') as DriveSpec
}

const isParameter = (p: unknown): p is Parameter => typeof (p as Parameter).about === 'string'

function merge(parameters: unknown, sound: unknown, given: unknown, path: string): unknown {
  if (isParameter(parameters)) {
    check(parameters, given, path)
    return given
  }
  if (Array.isArray(parameters)) {
    if (!Array.isArray(given) || given.length > parameters.length)
      throw new ParameterError(`${path} is no list of ${parameters.length}`, `up to ${parameters.length} of them`, {
        field: path,
      })
    return parameters.map((p, i) =>
      given[i] === undefined ? (sound as unknown[])[i] : merge(p, (sound as unknown[])[i], given[i], `${path}[${i}]`),
    )
  }
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    throw new ParameterError(`${path} is no group`, 'braces with parameters between them', { field: path })
  const out: Record<string, unknown> = { ...(sound as Record<string, unknown>) }
  for (const [key, value] of Object.entries(given)) {
    if (key.startsWith('//')) continue
    const at = path ? `${path}.${key}` : key
    const known = Object.hasOwn(parameters as object, key) ? (parameters as Record<string, unknown>)[key] : undefined
    if (known === undefined)
      throw new ParameterError(`there is no parameter “${at}”`, Object.keys(parameters as object).join(', '), {
        field: at,
      })
    out[key] = merge(known, out[key], value, at)
  }
  return out
}

function check(p: Parameter, value: unknown, path: string): void {
  const refuse = (expected: string): never => {
    throw new ParameterError(`${path} is ${JSON.stringify(value)}`, expected, { field: path })
  }
  if ('least' in p) {
    if (typeof value !== 'number' || !(value >= p.least && value <= p.most))
      refuse(`a number from ${p.least} to ${p.most}`)
  } else if ('words' in p) {
    if (!p.words.includes(value as string)) refuse(`one of ${p.words.join(', ')}`)
  } else if ('list' in p) {
    if (!Array.isArray(value) || value.some(v => !p.list.includes(v as string)))
      refuse(`a list of ${p.list.join(', ')}`)
  } else if ('yes' in p) {
    if (typeof value !== 'boolean') refuse('true or false')
  } else if ('numbers' in p) {
    if (
      !Array.isArray(value) ||
      value.length !== p.numbers ||
      value.some(v => typeof v !== 'number' || !Number.isFinite(v))
    )
      refuse(`${p.numbers} numbers`)
  } else if (!Array.isArray(value) || value.some(g => !isGroove(g)))
    refuse('a list of grooves, each with head, fromCylinder, toCylinder, fromTurn, toTurn and liftUm')
}

const GROOVE = ['head', 'fromCylinder', 'toCylinder', 'fromTurn', 'toTurn', 'liftUm'] as const
const isGroove = (g: unknown) =>
  typeof g === 'object' && g !== null && GROOVE.every(k => typeof (g as Record<string, unknown>)[k] === 'number')

/** A specification with each parameter and, beside it, what it is: what `readSpec` takes. */
export function exampleSpec(mechanism: MechanismId = '5.25in-48'): Record<string, unknown> {
  return explain(PARAMETERS, soundDrive(mechanism)) as Record<string, unknown>
}

function explain(parameters: unknown, value: unknown): unknown {
  if (Array.isArray(parameters)) return parameters.map((p, i) => explain(p, (value as unknown[])[i]))
  return Object.fromEntries(
    Object.entries(parameters as Record<string, unknown>).flatMap(([key, p]) => {
      const own = (value as Record<string, unknown>)[key]
      return isParameter(p)
        ? [
            [
              `// ${key}`,
              `${p.about}${'least' in p ? ` (${p.least} to ${p.most})` : 'words' in p ? ` (${p.words.join(', ')})` : ''}`,
            ],
            [key, own],
          ]
        : [[key, explain(p, own)]]
    }),
  )
}
