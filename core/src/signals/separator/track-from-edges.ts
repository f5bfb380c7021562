import type { EdgeList } from '../captures'
import { lowerBound } from '../../base/numbers'
import type { FluxTimes } from './flux'

/**
 * Flux transitions from a read-data line: a pulse for each, low when true; its leading edge is the transition.
 * @param activeLow false where the recorder or a buffer turned the line over (default true)
 */
export const fluxFromEdges = (edges: EdgeList, activeLow = true): FluxTimes =>
  fluxWithin(edges, -Infinity, Infinity, activeLow)

/** Room for the flux of one stretch after another: what was in it goes with the next one. */
export class FluxRoom {
  private times = new Float64Array(0)

  of(count: number): Float64Array {
    if (this.times.length < count) this.times = new Float64Array(Math.ceil(count * 1.2))
    return this.times.subarray(0, count)
  }
}

/**
 * The same for a stretch of time, without a copy of the rest.
 * @param room where it stands, until the next stretch is asked for; its own room otherwise
 */
export function fluxWithin(edges: EdgeList, fromS: number, toS: number, activeLow = true, room?: FluxRoom): FluxTimes {
  // Levels alternate from `initial`; the first change goes to the other level.
  const parity = (edges.initial === 1) === activeLow ? 0 : 1
  let from = lowerBound(edges.times, fromS)
  if (from % 2 !== parity) from++
  const to = toS === Infinity ? edges.times.length : lowerBound(edges.times, toS)
  const count = Math.max(0, Math.ceil((to - from) / 2))
  const out = room ? room.of(count) : new Float64Array(count)
  for (let i = 0; i < out.length; i++) out[i] = edges.times[from + 2 * i]!
  return out
}

/** Transitions closer together than this make one pulse, s: no amplifier tells them apart. */
const ONE_PULSE = 6e-8

/** A read-data line for some flux: idle high, a low pulse for each transition, shorter where the next is near. */
export function edgesFromFlux(times: FluxTimes, pulseS = 0.2e-6): EdgeList {
  const edges = new Float64Array(times.length * 2)
  let n = 0
  for (let i = 0; i < times.length; i++) {
    const at = times[i]!
    if (n && at - edges[n - 2]! < ONE_PULSE) continue
    const next = times[i + 1] ?? Infinity
    edges[n++] = at
    edges[n++] = Math.min(at + pulseS, next - at < ONE_PULSE ? at + ONE_PULSE / 2 : (at + next) / 2)
  }
  return { initial: 1, times: edges.slice(0, n), gaps: [] }
}
