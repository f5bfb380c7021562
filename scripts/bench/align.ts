import { median } from '@wobrin/core/base/numbers'
import { halfWindowUm } from '@wobrin/core/calculators/alignment'
import {
  judgeSweep,
  mayTouch,
  type Counted,
  type SweepContext,
  type SweepPosition,
  type SweepResult,
  type TouchVerdict,
} from '@wobrin/core/instruments/alignment'
import { layoutsOf, MECHANISM_IDS, pitchUm, SOUND_NOISE, type AdjusterId, type MechanismId } from '@wobrin/core/drives'
import { namingOf, railBars, swingOf, swingSize, toReadings, type RawTrack } from '@wobrin/core/instruments/interface'
import { AdjustingHand, Random, readSurface, SimulatedDrive, soundDrive, type Adjuster } from '@wobrin/core/simulator'

const STEPPERS = MECHANISM_IDS.filter(m => layoutsOf(m).length > 0)
/** The hand: it stands in marks from −10 to 10, and sets a mark to a twentieth of one. */
const TRAVEL: readonly [number, number] = [-10, 10]
const HAND = 0.05
/** Now and then it comes to a mark from the wrong side, and says so; the screw then has play, up to so many marks. */
const WRONG_SIDE = 0.12
const SLACK = 0.8
const NEVER = 99

/** A drive that is off, with its adjuster and where its middle truly is. */
export class Misaligned {
  readonly mechanism: MechanismId
  readonly adjuster: Extract<AdjusterId, Adjuster>
  readonly two: boolean
  truth: { readonly centre: number; readonly width: number }
  private readonly hand: AdjustingHand
  private readonly random: Random
  private readonly cylinder: number
  private readonly slack: number
  tries = 0

  constructor(seed: number) {
    const random = (this.random = new Random(seed * 7919))
    this.mechanism = STEPPERS[Math.floor(random.next() * STEPPERS.length)]!
    const sound = soundDrive(this.mechanism, seed)
    const heads = new SimulatedDrive(sound).media!.layout.heads
    this.slack = random.next() * SLACK
    this.adjuster = (
      heads === 2 ? (['sensor', 'stepper', 'upper', 'lower'] as const) : (['sensor', 'stepper', 'lower'] as const)
    )[Math.floor(random.next() * (heads === 2 ? 4 : 3))]!
    this.two = heads === 2 && (this.adjuster === 'stepper' || this.adjuster === 'sensor')
    const noise = SOUND_NOISE.value * (0.8 + random.next() * 0.5)
    // Homing from far in takes the stand-in long; the sensor does not mind where it is read.
    this.cylinder = 3 + Math.floor(random.next() * (this.adjuster === 'sensor' ? 4 : 25))
    const half = halfWindowUm(this.mechanism, { cylinder: this.cylinder, noise })
    // Windows of a quarter to a half of the travel, their middle anywhere that leaves both edges on it.
    let umPerMark = (2 * half) / (20 * (0.22 + random.next() * 0.25))
    const off = (random.next() * 2 - 1) * Math.min(1.4 * half, 9.5 * umPerMark - half)
    const apart = this.two && this.adjuster === 'stepper' ? (random.next() * 2 - 1) * 0.35 * half : 0
    const radial = (lower: number, upper: number) =>
      [
        { ...sound.heads[0], radialUm: lower },
        { ...sound.heads[1], radialUm: upper },
      ] as const
    const cylindersPerMark = 1 / (20 * (0.22 + random.next() * 0.25))
    const sensorAt = 0.5 + (random.next() * 2 - 1) * Math.min(1.4, 9 * cylindersPerMark - 0.5)
    const drive = new SimulatedDrive({
      ...sound,
      noise,
      sensorAt: this.adjuster === 'sensor' ? sensorAt : 0.5,
      carriage: { ...sound.carriage, offsetUm: this.adjuster === 'stepper' ? off : 0, hysteresisUm: 0 },
      heads: this.adjuster === 'upper' ? radial(0, off) : this.adjuster === 'lower' ? radial(off, 0) : radial(0, apart),
    })
    if (this.adjuster === 'sensor') {
      umPerMark = pitchUm(this.mechanism) * cylindersPerMark
      this.truth = { centre: (0.5 - sensorAt) / cylindersPerMark, width: 1 / cylindersPerMark }
    } else {
      const own = half / umPerMark
      const [from, to] = [
        Math.max(-off, -off - apart) / umPerMark - own,
        Math.min(-off, -off - apart) / umPerMark + own,
      ]
      this.truth = { centre: (from + to) / 2, width: to - from }
    }
    this.hand = new AdjustingHand(drive, this.adjuster, umPerMark)
    this.hand.seek(this.cylinder)
    if (this.adjuster === 'sensor') this.truth = this.lookUp()
  }

  /**
   * Where home is right, by halving from where it should be: the carriage still swings while the sensor is looked at,
   * so that theory alone is off.
   */
  private lookUp(): Misaligned['truth'] {
    const right = (p: number) => {
      this.hand.set(p)
      return this.hand.drive.carriage.cylinder === this.cylinder
    }
    const { centre, width } = this.truth
    const edge = (way: 1 | -1) => {
      let [inside, outside] = [centre, centre + way * width]
      for (let i = 0; i < 9; i++) {
        const middle = (inside + outside) / 2
        if (right(middle)) inside = middle
        else outside = middle
      }
      return inside
    }
    const [from, to] = [edge(-1), edge(1)]
    this.hand.set(0)
    return { centre: (from + to) / 2, width: to - from }
  }

  /** Sets the adjuster, as well as a hand does, and reads. */
  try(position: number, careful = false): SweepPosition {
    this.tries++
    const side = !careful && this.random.next() < WRONG_SIDE ? ('above' as const) : ('below' as const)
    this.hand.set(position + (side === 'above' ? this.slack : 0) + (this.random.next() * 2 - 1) * HAND)
    return {
      position,
      side,
      lower: this.hand.read(this.adjuster === 'upper' ? 1 : 0),
      upper: this.two ? this.hand.read(1) : null,
    }
  }

  get hit(): (centre: number) => boolean {
    return c => Math.abs(c - this.truth.centre) < 0.05 * this.truth.width
  }
}

/** What a hand may say of a try: counts alone, or what a recording tells too. */
const strip = (p: SweepPosition): SweepPosition => {
  const bare = (c: Counted) => ({ good: c.good, expected: c.expected })
  return { position: p.position, side: p.side, lower: bare(p.lower), upper: p.upper && bare(p.upper) }
}

/** Follows the advice until it says that the middle is known. */
export function follow(
  seed: number,
  live: boolean,
  onAdvice: (ms: number) => void,
): { readonly tries: number; readonly hit: boolean; readonly adjuster: string } {
  const drive = new Misaligned(seed)
  const context: SweepContext = { travel: TRAVEL, adjuster: drive.adjuster, mechanism: drive.mechanism, stood: 0 }
  const tried: SweepPosition[] = []
  let result: SweepResult = judgeSweep(tried, context)
  while (result.tryNext !== null && tried.length < 30) {
    const one = drive.try(result.tryNext)
    tried.push(live ? one : strip(one))
    const began = performance.now()
    result = judgeSweep(tried, context)
    onAdvice(performance.now() - began)
  }
  return {
    tries: tried.length,
    hit: result.common !== null && drive.hit(result.common.centre),
    adjuster: drive.adjuster,
  }
}

/**
 * The even-step procedure: from one end on, a step at a time, until it has read and reads no more; the middle of what
 * read whole.
 */
export function evenly(seed: number, step: number): { readonly tries: number; readonly hit: boolean } {
  const drive = new Misaligned(seed)
  const whole: number[] = []
  for (let p = TRAVEL[0]; p <= TRAVEL[1]; p += step) {
    const r = drive.try(p, true)
    const reads = r.lower.good === r.lower.expected && (!r.upper || r.upper.good === r.upper.expected)
    if (reads) whole.push(p)
    else if (whole.length) break
  }
  return { tries: drive.tries, hit: whole.length > 0 && drive.hit((whole[0]! + whole.at(-1)!) / 2) }
}

/** @param drives how many */
export function benchAlign(drives: number, say: (line: string) => void): void {
  const seeds = Array.from({ length: drives }, (_, i) => i + 1)
  const found = (runs: readonly { tries: number; hit: boolean }[]) =>
    `${median(runs.map(r => (r.hit ? r.tries : NEVER)))} tries, ${runs.filter(r => r.hit).length} of ${runs.length} within 5 %`
  const advice: number[] = []
  // The physics of a class is worked out once, when it is first met.
  for (const mechanism of STEPPERS)
    judgeSweep([{ position: 0, lower: { good: 9, expected: 9 }, upper: null }], { mechanism, travel: TRAVEL })
  const byHand = seeds.map(s => follow(s, false, ms => advice.push(ms)))
  say(`by counts          median ${found(byHand)}`)
  for (const a of ['sensor', 'stepper', 'lower', 'upper'])
    say(`  ${a.padEnd(16)} median ${found(byHand.filter(r => r.adjuster === a))}`)
  const live = seeds.map(s => follow(s, true, ms => advice.push(ms)))
  say(`margins too        median ${found(live)}`)
  for (const step of [1, 0.5]) say(`even steps of ${step}    median ${found(seeds.map(s => evenly(s, step)))}`)
  advice.sort((a, b) => a - b)
  say(
    `an advice          ${advice[advice.length >> 1]!.toFixed(1)} ms in the middle, ${advice[Math.floor(advice.length * 0.99)]!.toFixed(1)} ms at the 99th percentile`,
  )
}

/**
 * Drives of which some stand off and some have other troubles, read outer, middle and inner on a trusted disk after
 * cleaning.
 */
export function adviseOn(seed: number): {
  readonly off: boolean
  readonly story: string
  readonly verdict: TouchVerdict
  readonly ms: number
} {
  const random = new Random(seed * 104729)
  const mechanism = STEPPERS[Math.floor(random.next() * STEPPERS.length)]!
  const sound = soundDrive(mechanism, seed)
  const { cylinders, heads } = new SimulatedDrive(sound).media!.layout
  const half = halfWindowUm(mechanism, { cylinder: 0 })
  const noise = SOUND_NOISE.value * (0.85 + random.next() * 0.35)
  const by = (0.5 + random.next() * 0.75) * half * (random.next() < 0.5 ? -1 : 1)
  const head = heads === 2 && random.next() < 0.5 ? 1 : 0
  const change = (part: object) => ({
    heads: sound.heads.map((h, i) => (i === head ? { ...h, ...part } : h)) as unknown as typeof sound.heads,
  })
  const kinds: readonly (readonly [string, boolean, object])[] = [
    ['sound', false, {}],
    ['sound', false, {}],
    ['weak head', false, change({ amplitude: 0.45 + random.next() * 0.3 })],
    ['a little dirt left', false, change({ dirtUm: 0.1 + random.next() * 0.5 })],
    ['faint disk', false, { disk: { ...sound.disk, amplitude: 0.5 + random.next() * 0.3 } }],
    ['eccentric disk', false, { disk: { ...sound.disk, eccentricUm: 8 + random.next() * 12 } }],
    ['head off', true, change({ radialUm: by })],
    ['head off', true, change({ radialUm: by })],
    ['both off', true, { carriage: { ...sound.carriage, offsetUm: by } }],
    ['home off', true, { sensorAt: 0.5 + (random.next() < 0.5 ? 1 : 2) }],
  ]
  const [story, off, part] = kinds[Math.floor(random.next() * kinds.length)]!
  const drive = new SimulatedDrive({ ...sound, noise, ...part })
  const raw: RawTrack[] = []
  const at = [0, 0.1, 0.25, 0.5, 0.75, 1].map(s => Math.round(s * (cylinders - 2)))
  for (
    const run = readSurface(drive, {
      cylinders: at,
      heads: heads === 2 ? [0, 1] : [0],
      turns: 2,
      stepMs: 6,
      settleMs: 18,
    });
    ;
  ) {
    const step = run.next()
    if (step.done) break
    raw.push(step.value.track)
  }
  const naming = namingOf(raw)
  const tracks = toReadings(raw, naming)
  const began = performance.now()
  const verdict = mayTouch({
    mechanism,
    surface: {
      bars: railBars(tracks),
      homeOff: naming.offset,
      rateOff: null,
      swings: ([0, 1] as const).map(h => {
        const w = swingOf(raw, h)
        return w && { size: swingSize(w), sd: w.sd }
      }),
    },
    speed: 'leave',
    trustedDisk: true,
    clean: true,
    lacquer: {},
    secondDisk: null,
  })
  return { off, story, verdict, ms: performance.now() - began }
}

export function benchAdvice(drives: number, say: (line: string) => void): void {
  const all = Array.from({ length: drives }, (_, i) => adviseOn(i + 1))
  const touched = all.filter(a => a.verdict.call.kind === 'nudge')
  const left = all.filter(a => a.verdict.call.kind === 'leave')
  const wrong = touched.filter(a => !a.off).length + left.filter(a => a.off).length
  say(
    `may I touch it     ${all.length} drives: ${touched.length} touch, ${left.length} leave, ${all.length - touched.length - left.length} not known yet; wrong ${wrong} (${((100 * wrong) / all.length).toFixed(1)} %)`,
  )
  for (const story of new Set(all.map(a => a.story))) {
    const of = all.filter(a => a.story === story)
    const n = (kind: string) => of.filter(a => a.verdict.call.kind === kind).length
    say(`  ${story.padEnd(18)} ${of.length}: touch ${n('nudge')}, leave ${n('leave')}, not known ${n('unknown')}`)
  }
  const ms = all.map(a => a.ms).sort((a, b) => a - b)
  say(`  a verdict          ${ms[ms.length >> 1]!.toFixed(0)} ms in the middle`)
}
