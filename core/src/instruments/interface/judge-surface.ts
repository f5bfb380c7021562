import { gravestOf, plain, type Call, type Observation, type Point } from '../../base/observations'
import { THREAD, UNEASY } from '../../signals/codes'
import { hasNoRhythm } from '../../signals/separator'
import { swingSize, type Swing } from './swing'
import { SILENCE, totalsOf, type TrackReading } from './track-reading'

export const HEAD_NAMES = ['lower', 'upper'] as const

/** How one head did over a surface. */
export interface HeadSummary {
  readonly head: 0 | 1
  readonly sectors: number
  readonly good: number
  readonly foreign: number
  /** Mean of (named − own cylinder) of the foreign headers: positive leans to the hub. */
  readonly leans: number
  /** Whether most of its tracks have flux, read or not. */
  readonly signal: boolean
  /** Whether what comes from most of those has no rhythm of any code: noise alone, or a signal lost in it. */
  readonly noise: boolean
  readonly leastMargin: number | null
  readonly leastAt: number | null
  /** Middle margins of the outer, middle and inner third. */
  readonly thirds: readonly (number | null)[]
}

const middle = (xs: readonly number[]) => (xs.length ? [...xs].sort((a, b) => a - b)[xs.length >> 1]! : null)
const percent = (x: number) => `${Math.max(0, Math.round(x * 100))} %`

export function summariseHead(readings: readonly TrackReading[], head: 0 | 1): HeadSummary {
  const own = readings.filter(r => r.head === head)
  const sectors = own.flatMap(r => r.sectors.map(s => ({ ...s, cylinder: r.cylinder })))
  const foreign = sectors.filter(s => s.state === 'foreign')
  const most = Math.max(1, ...readings.map(r => r.cylinder + 1))
  const measured = own.filter(r => r.margin !== null)
  const busy = own.filter(r => r.transitions > SILENCE * Math.max(1, r.turns))
  const mute = busy.filter(r => r.sectors.every(s => s.whole === 0))
  const least = [...measured].sort((a, b) => a.margin! - b.margin!)[0]
  return {
    head,
    sectors: sectors.length - foreign.length,
    good: sectors.filter(s => s.state === 'good').length,
    foreign: foreign.length,
    leans: foreign.length ? foreign.reduce((n, s) => n + s.names - s.cylinder, 0) / foreign.length : 0,
    signal: busy.length * 2 > own.length,
    noise: mute.length * 2 > own.length && mute.filter(r => hasNoRhythm(r.sample)).length * 2 > mute.length,
    leastMargin: least?.margin ?? null,
    leastAt: least?.cylinder ?? null,
    // A track of which something could not be read has no margin left there.
    thirds: [0, 1, 2].map(k =>
      middle(
        own
          .filter(r => Math.floor((r.cylinder * 3) / most) === k)
          .map(r => (r.sectors.length > 0 && r.sectors.every(s => s.whole === 0) ? 0 : r.margin))
          .filter(m => m !== null),
      ),
    ),
  }
}

export interface SurfaceContext {
  /** Whether the disk is one that a trusted drive wrote: then what leans, leans in this drive. */
  readonly trustedDisk?: boolean
  /** What headers name less what the count of steps says, on the whole surface: home is off by so much. */
  readonly homeOff?: number
  /** Swing of the margins of each head once a turn. */
  readonly swings?: readonly (Swing | null)[]
}

/** A track that reads well but is another one: steps were lost on the way to it, or came too many. */
const displacedBy = (r: TrackReading): number => {
  const foreign = r.sectors.filter(s => s.state === 'foreign')
  return foreign.length > 2 &&
    r.sectors.every(s => s.state === 'foreign' || s.state === 'missing') &&
    r.margin !== null &&
    r.margin > THREAD &&
    foreign.every(s => s.names === foreign[0]!.names)
    ? foreign[0]!.names - r.cylinder
    : 0
}

/** Where the count of steps goes wrong: the first cylinder from which on both heads read whole other tracks. */
function lostSteps(readings: readonly TrackReading[]): { readonly from: number; readonly by: number } | null {
  const displaced = readings.filter(r => displacedBy(r) !== 0)
  const [first] = displaced
  if (!first || displaced.length < 3 || first.cylinder === readings[0]!.cylinder) return null
  const heads = new Set(readings.map(r => r.head))
  return [...heads].every(h => displaced.some(r => r.head === h))
    ? { from: first.cylinder, by: displacedBy(displaced.at(-1)!) }
    : null
}

/** What a surface says when it was read: each head by itself, the pattern of what failed, and the call. */
export function judgeSurface(
  readings: readonly TrackReading[],
  context: SurfaceContext = {},
): { readonly call: Call; readonly observations: readonly Observation[]; readonly heads: readonly HeadSummary[] } {
  const lost = lostSteps(readings)
  const placed = lost ? readings.filter(r => displacedBy(r) === 0) : readings
  const heads = ([0, 1] as const).map(h => summariseHead(placed, h)).filter(h => placed.some(r => r.head === h.head))
  const totals = totalsOf(readings)
  const all = totals.good + totals.bad + totals.missing
  const rates = readings.map(r => r.rateOff).filter(r => r !== null)
  const rate = middle(rates)
  const observations: Observation[] = [
    {
      key: 'surface.good',
      label: 'Sectors good',
      value: totals.good,
      unit: '',
      how: `of ${all}, ${readings.length} tracks`,
    },
    ...heads.map((h): Observation => ({
      key: `surface.margin.${HEAD_NAMES[h.head]}`,
      label: `Least margin, ${HEAD_NAMES[h.head]} head`,
      value: h.leastMargin === null ? 'none' : Number((h.leastMargin * 100).toFixed(0)),
      unit: h.leastMargin === null ? '' : '%',
      how: h.leastAt === null ? 'nothing read' : `at cylinder ${h.leastAt}`,
    })),
  ]
  if (totals.foreign)
    observations.push({
      key: 'surface.foreign',
      label: 'Headers of another cylinder',
      value: totals.foreign,
      unit: '',
      how: 'read while the heads stood elsewhere',
    })
  if (rate !== null)
    observations.push({
      key: 'surface.rate',
      label: 'Bit rate off nominal',
      value: Number((rate * 100).toFixed(2)),
      unit: '%',
      how: 'middle of all tracks',
    })
  for (const h of heads) {
    const swing = context.swings?.[h.head]
    if (swing)
      observations.push({
        key: `surface.swing.${HEAD_NAMES[h.head]}`,
        label: `Margin swings once a revolution, ${HEAD_NAMES[h.head]} head`,
        value: Number((swingSize(swing) * 100).toFixed(2)),
        unit: '%',
        uncertainty: Number((swing.sd * 196).toFixed(2)),
        how: `${swing.sectors} sectors; a head off track does, one with low read amplitude does not`,
      })
  }
  if (context.homeOff)
    observations.push({
      key: 'surface.home',
      label: 'Headers against the step count',
      value: context.homeOff,
      unit: 'cylinders',
      how: 'the same on the whole surface',
    })
  const homePoints: Point[] = context.homeOff
    ? [
        {
          kind: context.trustedDisk ? 'nudge' : 'unknown',
          says: `Every header names ${Math.abs(context.homeOff)} ${Math.abs(context.homeOff) === 1 ? 'cylinder' : 'cylinders'} ${context.homeOff > 0 ? 'more' : 'less'} than the step count: the track-zero position itself is off.`,
          next: 'The track-zero sensor, not the heads: inspect the sensor’s seal, then sweep the sensor.',
        },
      ]
    : []
  const lostPoints: Point[] = lost
    ? [
        {
          kind: 'mend',
          says: `From cylinder ${lost.from} on, the headers name ${Math.abs(lost.by)} ${Math.abs(lost.by) === 1 ? 'cylinder' : 'cylinders'} ${lost.by < 0 ? 'less' : 'more'} than the step count: steps ${lost.by < 0 ? 'are lost' : 'come too many'}.`,
          next: 'Clean and oil the guide rail and the screw or band there; then home and count again, slowly.',
        },
      ]
    : []
  const points = [...homePoints, ...lostPoints, ...pointsOf(heads, placed, context), ...ratePoints(rate, readings)]
  const least = heads.map(h => h.leastMargin).filter(m => m !== null)
  const rest: Call =
    all > 0
      ? {
          kind: 'leave',
          reasons: [
            `All ${all} sectors read without error in every revolution, with a timing margin of at least ${percent(Math.min(...least))}.`,
          ],
          next: 'Read the inner cylinders of another disk too: one disk is not enough evidence.',
        }
      : {
          kind: 'unknown',
          reasons: ['No sector was found.'],
          next: 'Look at the intervals: a code that is not known, or no signal at all?',
        }
  return { call: all + totals.foreign > 0 ? gravestOf(points, rest) : rest, observations, heads }
}

function ratePoints(rate: number | null, readings: readonly TrackReading[]): Point[] {
  return rate !== null && Math.abs(rate) > 0.03 && readings.length > 1
    ? [
        {
          kind: 'nudge',
          says: `The bits come ${Math.abs(rate * 100).toFixed(1)} % ${rate > 0 ? 'fast' : 'slow'}: this drive or the one that wrote the disk is off its speed.`,
          next: 'Measure the speed before anything else is judged.',
        },
      ]
    : []
}

/** What comes has no rhythm: it is no signal that a clean head would read better. */
const noisePoint = (head: 0 | 1, otherSound: boolean): Point => ({
  kind: 'unknown',
  says: `The ${HEAD_NAMES[head]} head gives pulses without the rhythm of any code${otherSound ? `; the ${HEAD_NAMES[1 - head]!} head is sound` : ''}. They are noise: a side that was never written, a head or plug that is dead, or a signal too small.`,
  next: `Read another disk with the ${HEAD_NAMES[head]} head; where it is the same, measure the coil of that head at its plug.`,
})

function pointsOf(heads: readonly HeadSummary[], readings: readonly TrackReading[], context: SurfaceContext): Point[] {
  const points: Point[] = []
  const amiss = heads.filter(h => h.good < h.sectors || h.foreign > 0)
  const leaning = heads.filter(h => h.foreign > 0)
  const other = (h: HeadSummary) => heads.find(o => o.head !== h.head)
  const towards = (h: HeadSummary) => (h.leans > 0 ? 'the hub' : 'the edge')
  if (leaning.length === 2 && heads.length === 2) {
    points.push({
      kind: context.trustedDisk ? 'nudge' : 'unknown',
      says: `Both heads pick up headers of the next cylinder towards ${towards(leaning[0]!)}: both are off together.`,
      next: context.trustedDisk
        ? 'Sensor or stepper, not the heads: see the state of its seal, then sweep the sensor first.'
        : 'Read a disk that a verified drive wrote: this one may have been written off track.',
    })
  } else if (leaning.length === 1) {
    const [h] = leaning
    const name = HEAD_NAMES[h!.head]
    const sound = other(h!) && other(h!)!.good === other(h!)!.sectors
    points.push({
      kind: context.trustedDisk ? 'nudge' : 'unknown',
      says: `The ${name} head picks up headers of the next cylinder towards ${towards(h!)}${sound ? `; the ${HEAD_NAMES[1 - h!.head]} head is sound` : ''}.`,
      next: !context.trustedDisk
        ? 'Read a disk that a verified drive wrote: this one may have been written off track.'
        : other(h!)
          ? `The ${name} head, not the sensor: only if its seal is broken, sweep that head.`
          : 'Sensor before head: sweep the sensor, then read again.',
    })
  }
  for (const h of amiss.filter(x => x.foreign === 0)) {
    const name = HEAD_NAMES[h.head]
    const share = h.sectors ? h.good / h.sectors : 0
    const sound = other(h) && other(h)!.good === other(h)!.sectors
    const spot = spotOf(readings, h.head)
    if (share < 0.02 && h.noise) points.push(noisePoint(h.head, sound === true))
    else if (share < 0.02 && h.signal)
      points.push({
        kind: 'unknown',
        says: `The ${name} head finds a signal, but hardly a sector in it${sound ? `; the ${HEAD_NAMES[1 - h.head]} head is sound` : ''}.`,
        next: sound
          ? `Clean the ${name} head. If that is not it, it stands between two tracks: see the state of its seal.`
          : 'Clean the heads, then read a disk that a verified drive wrote: this may be half a track off, or a code that is not known.',
      })
    else if (share < 0.02)
      points.push({
        kind: 'mend',
        says: `The ${name} head reads nothing${sound ? `; the ${HEAD_NAMES[1 - h.head]} head is sound` : ''}.`,
        next: `Clean the ${name} head; then look at its plug, its lead and whether the side line reaches it.`,
      })
    else if (spot)
      points.push({
        kind: 'unknown',
        says: `The ${name} head fails only on cylinders ${spot.from} to ${spot.to}: the disk may be damaged there.`,
        next: 'Look at the disk’s surface for a groove, and read another disk there.',
      })
    else if (h.thirds[2] !== null && h.thirds[0] !== null && h.thirds[2]! < h.thirds[0]! * 0.6)
      points.push({
        kind: 'unknown',
        says: `The ${name} head loses its margin towards the hub: ${h.good} of ${h.sectors} sectors read.`,
        next: `Clean the ${name} head and read again: dirt costs most where the bits lie closest.`,
      })
    else if (sound && behind(h, other(h)!))
      points.push({
        kind: 'unknown',
        says: `The ${name} head reads ${h.good} of ${h.sectors} sectors, and has less margin than the ${HEAD_NAMES[1 - h.head]} one everywhere: dirt on it, or it stands off track.`,
        next: `Clean the ${name} head and read again; if nothing changes and its seal is broken, sweep that head.`,
      })
    else
      points.push({
        kind: 'unknown',
        says: `The ${name} head reads ${h.good} of ${h.sectors} sectors, with failures all over.`,
        next: 'Clean the head and read again; then wiggle each wire while it reads.',
      })
  }
  for (const h of heads.filter(
    x => x.leastMargin !== null && x.good === x.sectors && x.foreign === 0 && x.leastMargin! < UNEASY,
  )) {
    points.push(
      h.leastMargin! < THREAD
        ? {
            kind: 'mend',
            says: `The ${HEAD_NAMES[h.head]} head reads all ${plain(h.sectors)} sectors, but at cylinder ${h.leastAt} with a very low timing margin: ${percent(h.leastMargin!)}.`,
            next: 'Clean the head, measure the speed, then read another disk.',
          }
        : {
            kind: 'unknown',
            says: `The ${HEAD_NAMES[h.head]} head reads all ${plain(h.sectors)} sectors; at cylinder ${h.leastAt} the timing margin is ${percent(h.leastMargin!)}.`,
            next: 'Read the same disk in a verified drive, to tell disk from drive.',
          },
    )
  }
  return points
}

/** Whether a head has clearly less margin than the other over the outer two thirds, where the disk asks least. */
const behind = (h: HeadSummary, o: HeadSummary) =>
  [0, 1].every(k => h.thirds[k] !== null && o.thirds[k] !== null && h.thirds[k]! < o.thirds[k]! - 0.1)

/** Cylinders on which alone a head fails, where they lie together and are few; null otherwise. */
function spotOf(readings: readonly TrackReading[], head: 0 | 1): { readonly from: number; readonly to: number } | null {
  const own = readings.filter(r => r.head === head)
  const failing = own.filter(r => r.sectors.some(s => s.state !== 'good')).map(r => r.cylinder)
  if (failing.length === 0 || failing.length > own.length * 0.2) return null
  const [from, to] = [Math.min(...failing), Math.max(...failing)]
  return to - from < Math.max(4, failing.length * 1.5) && own.length > 5 ? { from, to } : null
}
