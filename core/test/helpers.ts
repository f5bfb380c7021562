import { bytesSource, readCapture, type Capture, type CaptureChannel, type ReadOptions } from '../src/signals/captures'
import type { PulseTrain } from '../src/instruments/spindle'

/** Reads a file's content as if it had been dropped, in chunks of the given size. */
export function read(
  name: string,
  content: string | Uint8Array,
  options?: ReadOptions,
  chunkBytes?: number,
): Promise<Capture> {
  return readCapture(bytesSource(name, content, chunkBytes), options)
}

export function channel(capture: Capture, name: string): CaptureChannel {
  const found = capture.channels.find(c => c.name === name)
  if (!found) throw new Error(`no channel ${name} among ${capture.channels.map(c => c.name).join(', ')}`)
  return found
}

export const times = (capture: Capture, name: string): number[] => Array.from(channel(capture, name).edges!.times)

export const train = (starts: ArrayLike<number>): PulseTrain => ({ starts: Float64Array.from(starts), gaps: [] })

/**
 * Pulse times of a spindle whose speed is mean * (1 + depth * sin(2 pi f t)), by inverting the exact angle
 * theta(t) = mean * (t + depth / (2 pi f) * (1 - cos(2 pi f t))).
 */
export function sineModulated(rpm: number, depth: number, hz: number, seconds: number, marksPerTurn = 1): number[] {
  const rate = (rpm / 60) * marksPerTurn
  const angle = (t: number) => rate * (t + (depth / (2 * Math.PI * hz)) * (1 - Math.cos(2 * Math.PI * hz * t)))
  const out: number[] = []
  let t = 0
  for (let k = 0; ; k++) {
    for (let i = 0; i < 20; i++) t -= (angle(t) - k) / (rate * (1 + depth * Math.sin(2 * Math.PI * hz * t)))
    if (t > seconds) return out
    out.push(t)
    t += 1 / rate
  }
}
