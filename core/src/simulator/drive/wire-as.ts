import { fallsOf, isLow } from '../../instruments/interface'
import type { EdgeList } from '../../signals/captures'
import { LineRecorder } from './line-recorder'

interface Channel {
  readonly name: string
  readonly edges: EdgeList
}

/** Lines that such drives have not. */
const NOT_THERE = new Set(['INDEX', 'STEP', 'DIRECTION', 'TRACK0', 'READY', 'DISK_CHANGE'])
const falls = (e: EdgeList | undefined): number[] => (e ? [...fallsOf(e)] : [])
const lowAt = (e: EdgeList | undefined, t: number): boolean => e !== undefined && isLow(e, t)
/** A recorder idles high; these lines idle low. */
const turned = (r: LineRecorder): EdgeList => ({ ...r.edges(), initial: 0 })
const find = (channels: readonly Channel[], name: string) => channels.find(c => c.name === name)?.edges
const others = (channels: readonly Channel[]) => channels.filter(c => !NOT_THERE.has(c.name))

/**
 * A recording as the host of a drive without its own stepper logic makes it: for each step two phases one after the
 * other, and before anything else a long run outward against the stop, for nothing tells where the carriage stands.
 */
export function asPhases(channels: readonly Channel[]): Channel[] {
  const recorders = Array.from({ length: 4 }, () => new LineRecorder())
  let phase = 0
  const energise = (t: number, next: number) => {
    recorders[phase]!.set(t, false)
    recorders[next]!.set(t, true)
    phase = next
  }
  recorders[0]!.set(0, true)
  const [steps, direction, zero] = [find(channels, 'STEP'), find(channels, 'DIRECTION'), find(channels, 'TRACK0')]
  // Homing takes as many half steps as there may be tracks: the host does not know where the carriage stands.
  const first = falls(steps).find(t => lowAt(direction, t)) ?? Infinity
  const homing = falls(steps).filter(t => t < first)
  const [runFrom, runTo] = [homing[0] ?? 1e-3, homing.at(-1) ?? 1e-3]
  const halves = 80
  const own = falls(steps).filter(t => t >= first && !(lowAt(zero, t) && !lowAt(direction, t)))
  for (let k = 1; k <= halves; k++) energise(runFrom + ((runTo - runFrom) * k) / halves, (phase + 3) & 3)
  for (const t of own) {
    const way = lowAt(direction, t) ? 1 : 3
    energise(t, (phase + way) & 3)
    energise(t + 2e-3, (phase + way) & 3)
  }
  return [...others(channels), ...recorders.map((r, i) => ({ name: `PHASE_${i}`, edges: turned(r) }))]
}

/** Times at which an address stands before and after what it is for, s. */
const SETUP_S = 5e-6
const POLL_S = 4e-4
const TACH = 7

/**
 * A recording as the host of a drive with a register interface makes it: writes by a strobe, reads by one sense line,
 * which shows the tachometer's sixty pulses a turn in between.
 */
export function asRegisters(channels: readonly Channel[], durationS: number): Channel[] {
  const lines = { register: new LineRecorder(), 2: new LineRecorder(), 1: new LineRecorder(), 0: new LineRecorder() }
  const [strobe, sense] = [new LineRecorder(), new LineRecorder()]
  const address = (t: number, value: number) => {
    lines.register.set(t, (value & 8) > 0)
    lines[2].set(t, (value & 4) > 0)
    lines[1].set(t, (value & 2) > 0)
    lines[0].set(t, (value & 1) > 0)
  }
  /** A write has the value where a read has the third bit of its address. */
  const write = (t: number, register: number, value: 0 | 1) => {
    address(t - SETUP_S, ((register & 4) << 1) | (value << 2) | (register & 3))
    strobe.set(t, true)
    strobe.set(t + SETUP_S, false)
  }
  const zero = find(channels, 'TRACK0')
  const direction = find(channels, 'DIRECTION')
  const busy: { readonly from: number; readonly to: number }[] = []
  const doing = (from: number, to: number, act: () => void) => {
    act()
    address(to, TACH)
    busy.push({ from, to })
  }
  address(0, TACH)
  let inward: boolean | null = null
  for (const t of [...falls(find(channels, 'MOTOR')).map(at => -at), ...falls(find(channels, 'STEP'))].sort(
    (a, b) => Math.abs(a) - Math.abs(b),
  )) {
    if (t <= 0)
      doing(-t - SETUP_S, -t + 3 * SETUP_S, () => {
        write(-t, 2, 0)
      })
    else
      doing(t - 6 * SETUP_S, t + POLL_S * 2, () => {
        const way = lowAt(direction, t)
        if (way !== inward) write(t - 4 * SETUP_S, 0, way ? 0 : 1)
        inward = way
        write(t, 1, 0)
        // The host asks for track zero, and for protection, before it goes on.
        address(t + POLL_S / 2, 10)
        sense.set(t + POLL_S / 2 + 1e-6, !lowAt(zero, t + 4e-3))
        address(t + POLL_S, 3)
        sense.set(t + POLL_S + 1e-6, !lowAt(find(channels, 'WRITE_PROTECT'), t + POLL_S))
        sense.set(t + POLL_S * 2 - 1e-6, false)
      })
  }
  tach(falls(find(channels, 'INDEX')), busy, durationS, sense)
  const named = { REGISTER: lines.register, PHASE_2: lines[2], PHASE_1: lines[1], PHASE_0: lines[0] }
  return [
    ...others(channels),
    ...Object.entries({ ...named, STROBE: strobe, SENSE: sense }).map(([name, r]) => ({ name, edges: turned(r) })),
  ]
}

/** Sixty pulses between one index and the next, where nothing else is on the sense line. */
function tach(
  index: readonly number[],
  busy: readonly { readonly from: number; readonly to: number }[],
  durationS: number,
  sense: LineRecorder,
): void {
  const pulses = index.slice(1).flatMap((to, i) => {
    const from = index[i]!
    return to - from > 0.4 ? [] : Array.from({ length: 60 }, (_, k) => from + ((to - from) * k) / 60)
  })
  const merged = sense.edges()
  const marks = [
    ...[...merged.times].map(t => [t, t] as const),
    ...pulses
      .filter(t => t < durationS && !busy.some(b => t >= b.from - 1e-3 && t <= b.to + 1e-3))
      .map(t => [t, t + 2e-4] as const),
  ].sort((a, b) => a[0] - b[0])
  sense.forget(Infinity)
  let low = false
  for (const [from, to] of marks) {
    if (from === to) {
      low = !low
      sense.set(from, low)
    } else {
      sense.set(from, true)
      sense.set(to, low)
    }
  }
}
