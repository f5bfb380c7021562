import type { EdgeList } from '../captures'
import { halfCellOf, sectorTrack, type Format, type SectorToWrite } from '../recording'
import { Random } from './random'

export interface BusRecordingOptions {
  readonly seed: number
  readonly format?: Format
  readonly rpm?: number
  /** Cylinder that the heads stand at when the recording begins. */
  readonly start?: number
  /** Cylinders that the host reads, in its order, after homing. */
  readonly cylinders: readonly number[]
  readonly heads?: 1 | 2
  readonly sectors?: number
  readonly stepMs?: number
  /** Turns that each track is read for. */
  readonly turns?: number
  /** Jitter of the transitions, share of a half cell r.m.s., by cylinder and head. */
  readonly jitter?: (cylinder: number, head: 0 | 1) => number
  /** The carriage misses this step, counted from the first after homing. */
  readonly missedStep?: number
  /** The change line is never cleared. */
  readonly changeSticks?: boolean
}

export interface BusRecording {
  readonly lines: Readonly<Record<'INDEX' | 'TRK0' | 'STEP' | 'DIR' | 'SIDE' | 'DS0' | 'MOTOR' | 'DSKCHG' | 'RDATA', EdgeList>>
  readonly durationS: number
  readonly sectorsOf: (cylinder: number, head: 0 | 1) => SectorToWrite[]
}

/** A line that is written change by change, idle high. */
class Line {
  private readonly times: number[] = []
  private low = false
  set(t: number, low: boolean): void {
    if (low === this.low) return
    this.low = low
    this.times.push(t)
  }

  pulse(t: number, seconds: number): void {
    this.set(t, true)
    this.set(t + seconds, false)
  }

  get edges(): EdgeList { return { initial: 1, times: Float64Array.from(this.times), gaps: [] } }
}

/**
 * The interface lines of a drive while a host homes it and reads some cylinders. The disk turns on whatever the heads
 * do; a missed step leaves the heads one cylinder short, so that what is read names where they really are.
 */
export function busRecording(options: BusRecordingOptions): BusRecording {
  const { seed, format = { code: 'MFM', rate: 250_000 }, rpm = 300, start = 0, cylinders, heads = 2, sectors = 9, stepMs = 3, turns = 1.2, jitter = () => 0.02 } = options
  const random = new Random(seed)
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
  const [turnS, half] = [60 / rpm, halfCellOf(format) * (60 / rpm) / (Math.round(60 / rpm / halfCellOf(format)) * halfCellOf(format))]
  const sectorsOf = (cylinder: number, head: 0 | 1) => Array.from({ length: sectors }, (_, i): SectorToWrite => ({ cylinder, head, sector: i + 1, data: new Uint8Array(512).map((__, k) => cylinder * 7 + head * 3 + i * 11 + k) }))
  const cellsOf = (cylinder: number, head: 0 | 1) => sectorTrack(format.code === 'FM' ? 'FM' : 'MFM', sectorsOf(cylinder, head), Math.round(turnS / half))
  const line = { INDEX: new Line(), TRK0: new Line(), STEP: new Line(), DIR: new Line(), SIDE: new Line(), DS0: new Line(), MOTOR: new Line(), DSKCHG: new Line() }
  const flux: number[] = []
  let t = 0.01
  let at = start
  let moved = 0
  line.DS0.set(t, true)
  line.MOTOR.set(t, true)
  line.DSKCHG.set(t + 1e-5, true)
  line.TRK0.set(t + 1e-5, at === 0)
  t += 0.02
  const step = (inward: boolean, counts: boolean): void => {
    line.DIR.set(t, inward)
    line.STEP.pulse(t + 1e-5, 5e-6)
    if (!options.changeSticks) line.DSKCHG.set(t + 2e-5, false)
    const missed = counts && ++moved === options.missedStep
    if (!missed) at = Math.max(0, at + (inward ? 1 : -1))
    // The flag moves with the carriage, some time after the step.
    line.TRK0.set(t + stepMs / 2000, at === 0)
    t += stepMs / 1000
  }
  while (at > 0) step(false, false)
  // Hosts step once more outward, to be sure.
  step(false, false)
  t += 0.02
  let wanted = 0
  for (const cylinder of cylinders) {
    while (wanted !== cylinder) {
      const inward = cylinder > wanted
      step(inward, true)
      wanted += inward ? 1 : -1
    }
    t += 0.02
    for (const head of [0, 1].slice(0, heads) as (0 | 1)[]) {
      line.SIDE.set(t, head === 1)
      const cells = cellsOf(at, head)
      const to = t + turns * turnS
      const share = jitter(at, head)
      for (let k = Math.floor(t / turnS); k * turnS < to; k++) {
        for (let i = 0; i < cells.length; i++) {
          const when = k * turnS + (i + 0.5) * half
          if (cells[i] && when >= t && when < to) flux.push(when + gauss() * share * half)
        }
      }
      t = to
    }
    line.SIDE.set(t, false)
    t += 0.001
  }
  t += 0.02
  for (let k = 1; k * turnS < t; k++) line.INDEX.pulse(k * turnS, 0.002)
  flux.sort((a, b) => a - b)
  const pulses = new Float64Array(flux.length * 2)
  for (const [i, f] of flux.entries()) { pulses[2 * i] = f; pulses[2 * i + 1] = Math.min(f + 2e-7, ((flux[i + 1] ?? Infinity) + f) / 2) }
  const lines = { ...Object.fromEntries(Object.entries(line).map(([name, l]) => [name, l.edges])) as Record<keyof typeof line, EdgeList>, RDATA: { initial: 1 as const, times: pulses, gaps: [] } }
  return { lines, durationS: t, sectorsOf }
}
