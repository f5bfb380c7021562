import { MOVED, type Seals } from '../../findings'
import type { CountedPlace, SurfaceBar } from '../../log'
import { findMechanism, LAYOUTS, layoutsOf, ZONES, zoneOfCylinder, type MechanismId } from '../../drives'
import { hasOffsetCost, offsetCost, usualHalfWindowUm, type OffsetCost } from '../../calculators/alignment'

/** What can be behind a surface that reads as it does. */
export const CAUSES = {
  sound: 'nothing is off',
  heads: 'one head is off track',
  stepper: 'both heads are off together',
  sensor: 'the track-zero position is off by whole cylinders',
  dirt: 'dirt on a head',
  weak: 'low read amplitude',
  disk: 'the disk',
  writer: 'the drive that wrote the disk',
  speed: 'the speed',
  electronics: 'wiring or electronics',
} as const
export type Cause = keyof typeof CAUSES

/** What was read, as the log keeps it. */
export interface SurfaceEvidence {
  readonly bars: readonly SurfaceBar[]
  /** Places whose sectors were counted by a person or a host after that: no margin, no headers. */
  readonly counts?: readonly CountedPlace[]
  /** Headers against the count of steps, cylinders, where it is the same everywhere. */
  readonly homeOff?: number
  /** Bit rate off nominal, a share. */
  readonly rateOff?: number | null
  /**
   * How the margins of each head swing once a turn, zero to peak, share of half the window, with its standard error.
   */
  readonly swings?: readonly ({ readonly size: number; readonly sd: number } | null)[]
}

/** What is known apart from the surface. */
export interface SurfacePriors {
  /** Whether the disk is one whose writer was proved; null where nobody knows who wrote it. */
  readonly trustedDisk: boolean | null
  /** Whether the heads were cleaned and the swab came away clean. */
  readonly clean: boolean
  /** Lacquer of each adjuster: broken makes it likely that it was moved, whole unlikely. */
  readonly lacquer: Seals
  /** What a second trusted disk says: the same, or that it reads; null or left out where none was read. */
  readonly secondDisk?: 'same' | 'reads' | null
}

export interface Explanation {
  readonly cause: Cause
  readonly head: 0 | 1 | null
  readonly probability: number
  /** How much of it, in words that a person can check: micrometres off, of dirt, or the share of the signal left. */
  readonly size: { readonly value: number; readonly unit: string } | null
}

/** Scatter of a margin from its prediction, share of half the window; drives of one class differ as much. */
const MARGIN_SD = 0.035
/** Noise of a sound drive against the usual one. */
const SOUND_NOISES = [0.85, 1, 1.15, 1.3] as const
/** Sectors that fail here and there for no reason that was modelled. */
const STRAY = 0.004
type Track = {
  readonly cylinder: number
  readonly head: 0 | 1
  /** Null where nothing was read. */
  readonly margin: number | null
  readonly good: number
  readonly failed: number
  readonly foreign: number
  /** Whether only its sectors were counted, so that nobody saw a margin or a header. */
  readonly counted: boolean
}

/** One way in which a head may stand, for its prediction. */
interface HeadState {
  readonly offsetUm: number
  readonly spacingUm: number
  readonly amplitude: number
}
const RIGHT: HeadState = { offsetUm: 0, spacingUm: 0, amplitude: 1 }

interface Scenario {
  readonly cause: Cause
  readonly head: 0 | 1 | null
  readonly prior: number
  readonly size: Explanation['size']
  readonly states: readonly [HeadState, HeadState]
  /** Chance of failing sectors that the states do not explain. */
  readonly scattered?: number
}

/** The layout of a class that has tracks such as these; a count of several tracks does not tell. */
function layoutFor(mechanism: MechanismId, tracks: readonly Track[]): string {
  const most = Math.max(0, ...tracks.filter(t => !t.counted).map(t => t.good + t.failed))
  if (most === 0) return layoutsOf(mechanism)[0]!
  const all = layoutsOf(mechanism)
  return [...all].sort(
    (a, b) => Math.abs(LAYOUTS[a]!.sectorsOf(0) - most) - Math.abs(LAYOUTS[b]!.sectorsOf(0) - most),
  )[0]!
}

/** At most so many cylinders of each head are weighed: spread over the surface, they say what all of them would. */
const CYLINDERS = 10

function sampled(bars: readonly SurfaceBar[]): Track[] {
  return ([0, 1] as const).flatMap(head => {
    const own = bars.filter(b => b.head === head).sort((a, b) => a.cylinder - b.cylinder)
    const chosen =
      own.length <= CYLINDERS
        ? own
        : Array.from({ length: CYLINDERS }, (_, i) => own[Math.round((i * (own.length - 1)) / (CYLINDERS - 1))]!)
    return chosen.map(({ cylinder, margin, good, bad, missing, wrongCylinder }) => ({
      cylinder,
      head,
      margin,
      good,
      failed: bad + missing,
      foreign: wrongCylinder,
      counted: false,
    }))
  })
}

/** A counted place stands for the middle of its zone. */
const countedTracks = (mechanism: MechanismId, counts: readonly CountedPlace[]): Track[] =>
  counts
    .filter(c => c.sectors > 0)
    .map(({ head, zone, good, sectors }) => ({
      cylinder: Math.floor((findMechanism(mechanism).geometry.cylinders.value * (2 * ZONES.indexOf(zone) + 1)) / 6),
      head,
      margin: null,
      good,
      failed: sectors - good,
      foreign: 0,
      counted: true,
    }))

/** Tracks of a surface, less those of places that were counted since. */
function tracksOf(mechanism: MechanismId, { bars, counts = [] }: SurfaceEvidence): Track[] {
  const cylinders = Math.max(...bars.map(b => b.cylinder), 0) + 1
  const still = bars.filter(
    b => !counts.some(c => c.head === b.head && c.zone === zoneOfCylinder(b.cylinder, cylinders)),
  )
  return [...sampled(still), ...countedTracks(mechanism, counts)]
}

/** Predictions of earlier calls: drives of a type are weighed against the same ones. */
const predicted = new Map<string, OffsetCost>()
const MOST_PREDICTED = 60_000

/** Predictions for one layout; scenarios share many of them. */
class Predictions {
  private readonly known = predicted
  constructor(
    private readonly mechanism: MechanismId,
    private readonly layout: string,
  ) {}

  of(t: Track, s: HeadState): OffsetCost {
    const key = `${this.mechanism} ${this.layout} ${t.cylinder} ${t.head} ${s.offsetUm.toFixed(1)} ${s.spacingUm.toFixed(3)} ${s.amplitude.toFixed(3)}`
    let p = this.known.get(key)
    if (!p && this.known.size >= MOST_PREDICTED) this.known.clear()
    if (!p)
      this.known.set(
        key,
        (p = offsetCost(this.mechanism, { ...s, cylinder: t.cylinder, head: t.head, layout: this.layout })),
      )
    return p
  }
}

/** Log likelihood of one track under what its head is said to be like. */
function likelihood(t: Track, p: OffsetCost, scattered: number): number {
  const failing = Math.min(0.995, p.failing + (1 - p.failing) * (STRAY + scattered))
  // Sectors of one track fail together; a track counts as three of them.
  const n = t.good + t.failed
  let l = n ? (3 * (t.good * Math.log(1 - failing) + t.failed * Math.log(failing))) / n : failing > 0.9 ? -0.1 : -4
  if (t.counted) return l
  if (t.margin !== null && !p.neighbourWins && p.failing < 0.98) {
    const off = (t.margin - p.margin) / (MARGIN_SD + 0.03 * scattered)
    l -= Math.log1p((off * off) / 5) * 3
  } else if ((t.margin === null) !== p.failing > 0.98) l -= 2.5
  const foreign = p.neighbourWins ? 0.95 : p.failing > 0.6 ? 0.15 : 0.004
  return l + Math.log(t.foreign > 0 ? foreign : 1 - foreign)
}

/**
 * Weighs what can be behind a surface: every cause with its sizes, predicted by the physics that the simulated drive
 * draws from, against
 * the margins, failures and foreign headers that were read.
 * @returns causes by probability, those under one in a thousand left out; empty where the class has no tracks to judge
 */
export function explainSurface(
  mechanism: MechanismId,
  evidence: SurfaceEvidence,
  priors: SurfacePriors,
): Explanation[] {
  if (!hasOffsetCost(mechanism)) return []
  const tracks = tracksOf(mechanism, evidence)
  if (tracks.length === 0) return []
  const predictions = new Predictions(mechanism, layoutFor(mechanism, tracks))
  const byHead = ([0, 1] as const)
    .map(head => ({ head, tracks: tracks.filter(t => t.head === head) }))
    .filter(h => h.tracks.length)
  const scored = scenariosOf(mechanism, byHead.length, priors).map(s => {
    let best = -Infinity
    // How noisy this drive is, is not known: each scenario may choose.
    for (const noise of SOUND_NOISES) {
      let l = -(((noise - 1) / 0.2) ** 2) / 2
      for (const t of tracks) {
        const state = s.states[t.head]
        l += likelihood(t, predictions.of(t, { ...state, amplitude: state.amplitude / noise }), s.scattered ?? 0)
      }
      best = Math.max(best, l)
    }
    const swing = byHead.reduce(
      (sum, h) =>
        sum + swingLikelihood(evidence.swings?.[h.head] ?? null, slopeOf(predictions, h.tracks, s.states[h.head])),
      0,
    )
    return { ...s, log: Math.log(s.prior) + best * TEMPER + swing + outsideLikelihood(s.cause, evidence) }
  })
  const top = Math.max(...scored.map(s => s.log))
  const total = scored.reduce((n, s) => n + Math.exp(s.log - top), 0)
  const byCause = new Map<string, { probability: number; best: (typeof scored)[number] }>()
  for (const s of scored) {
    const key = `${s.cause} ${s.head}`
    const p = Math.exp(s.log - top) / total
    const known = byCause.get(key)
    if (!known) byCause.set(key, { probability: p, best: s })
    else {
      known.probability += p
      if (s.log > known.best.log) known.best = s
    }
  }
  return [...byCause.values()]
    .map(({ probability, best }): Explanation => ({ cause: best.cause, head: best.head, probability, size: best.size }))
    .filter(e => e.probability > 0.001)
    .sort((a, b) => b.probability - a.probability)
}

/**
 * Predictions are wrong in the same way on all tracks of a drive: together they count for this share of what
 * independent ones would.
 */
const TEMPER = 0.4

/** How far disks lie off the middle of the spindle, µm: usual values, and how often (from memory). */
const ECCENTRIC = [
  [3, 0.2],
  [6, 0.3],
  [10, 0.25],
  [16, 0.15],
  [25, 0.1],
] as const
/** A swing for another reason: the spindle, a hub that tilts. */
const OTHER_SWING = 0.003

/** Margin lost for each µm that a track comes nearer or goes further away, at the middle one of some tracks. */
function slopeOf(predictions: Predictions, tracks: readonly Track[], state: HeadState): number {
  const t = tracks[tracks.length >> 1]
  if (!t || state.offsetUm === 0) return 0
  const [near, far] = [-4, 4].map(um => predictions.of(t, { ...state, offsetUm: Math.abs(state.offsetUm) + um }).margin)
  return Math.abs(near! - far!) / 8
}

/** A head beside its track swings with the eccentricity of the disk; one in the middle does not. */
function swingLikelihood(swing: { readonly size: number; readonly sd: number } | null, slope: number): number {
  if (!swing) return 0
  const sd = Math.hypot(swing.sd, OTHER_SWING)
  // The size of a vector with noise on both parts: Rayleigh about nothing, nearly normal about something.
  const size = Math.max(swing.size, 1e-5)
  if (slope === 0) return Math.log(size / sd ** 2) - (size * size) / (2 * sd * sd) + Math.log(sd)
  return Math.log(
    ECCENTRIC.reduce(
      (p, [um, share]) => p + (share * Math.exp(-(((size - slope * um) / sd) ** 2) / 2)) / Math.sqrt(2 * Math.PI),
      1e-6,
    ),
  )
}

/** Speed and home show in the rate and in the headers, not in the margins. */
function outsideLikelihood(cause: Cause, { homeOff = 0, rateOff }: SurfaceEvidence): number {
  const home = homeOff !== 0 ? (cause === 'sensor' ? 0 : -9) : cause === 'sensor' ? -9 : 0
  const fast = rateOff !== null && rateOff !== undefined && Math.abs(rateOff) > 0.03
  return home + (fast ? (cause === 'speed' ? 0 : -6) : cause === 'speed' ? -6 : 0)
}

function scenariosOf(
  mechanism: MechanismId,
  heads: number,
  { trustedDisk, clean, lacquer, secondDisk }: SurfacePriors,
): Scenario[] {
  const half = usualHalfWindowUm(mechanism)
  const each = heads === 2 ? ([0, 1] as const) : ([0] as const)
  const of = (head: 0 | 1 | null, state: HeadState): readonly [HeadState, HeadState] =>
    head === null ? [state, state] : head === 0 ? [state, RIGHT] : [RIGHT, state]
  const spread = (
    cause: Cause,
    head: 0 | 1 | null,
    prior: number,
    states: readonly { readonly state: HeadState; readonly size: Explanation['size'] }[],
  ): Scenario[] =>
    states.map(s => ({ cause, head, prior: prior / states.length, size: s.size, states: of(head, s.state) }))
  // Beyond a pitch a whole other track is read, and the headers say so.
  const offsets = [0.42, 0.55, 0.7, 0.8, 0.9, 1, 1.1, 1.25, 1.5, 1.9].map(k => ({
    state: { ...RIGHT, offsetUm: k * half },
    size: { value: Math.round(k * half), unit: 'µm' },
  }))
  const dirt = [0.1, 0.2, 0.35, 0.5, 0.7, 1, 1.5].map(um => ({
    state: { ...RIGHT, spacingUm: um },
    size: { value: um, unit: 'µm' },
  }))
  const weak = [0.7, 0.6, 0.5, 0.42, 0.35, 0.25, 0.12].map(a => ({
    state: { ...RIGHT, amplitude: a },
    size: { value: Math.round(a * 100), unit: '% of the signal' },
  }))
  const moved = (place: keyof SurfacePriors['lacquer']) => MOVED[lacquer[place] ?? 'never']
  // Two disks that are off alike by two writers would be a strange chance.
  const badWriter =
    (trustedDisk === true ? 0.004 : trustedDisk === false ? 0.15 : 0.08) * (secondDisk === 'same' ? 0.05 : 1)
  return [
    { cause: 'sound', head: null, prior: 0.5, size: null, states: [RIGHT, RIGHT] },
    { cause: 'sensor', head: null, prior: moved('sensor'), size: null, states: [RIGHT, RIGHT] },
    { cause: 'speed', head: null, prior: 0.02, size: null, states: [RIGHT, RIGHT] },
    ...each.flatMap(h => spread('heads', heads === 2 ? h : null, moved(h ? 'upper' : 'lower'), offsets)),
    ...(heads === 2 ? spread('stepper', null, moved('stepper'), offsets) : []),
    ...each.flatMap(h => spread('dirt', heads === 2 ? h : null, clean ? 0.02 : 0.15, dirt)),
    ...(heads === 2 ? spread('dirt', null, clean ? 0.01 : 0.1, dirt) : []),
    ...each.flatMap(h => spread('weak', heads === 2 ? h : null, 0.03, weak)),
    ...(heads === 2 ? spread('weak', null, 0.02, weak) : []),
    ...spread('disk', null, (trustedDisk === true ? 0.02 : 0.1) * (secondDisk === 'same' ? 0.1 : 1), weak.slice(0, 5)),
    ...spread('writer', null, badWriter, offsets),
    ...(heads === 2 ? each.flatMap(h => spread('writer', h, badWriter / 4, offsets)) : []),
    ...[0.05, 0.2, 0.5].map((scattered): Scenario => ({
      cause: 'electronics',
      head: null,
      prior: 0.02,
      size: null,
      states: [RIGHT, RIGHT],
      scattered,
    })),
    ...each.map((h): Scenario => ({
      cause: 'electronics',
      head: heads === 2 ? h : null,
      prior: 0.01,
      size: null,
      states: of(heads === 2 ? h : null, { ...RIGHT, amplitude: 0.01 }),
    })),
  ]
}
