import { ParameterError } from '../../base/errors'
import { lowerBound } from '../../base/numbers'
import type { EdgeList } from './capture'

export interface WritableChannel {
  readonly name: string
  readonly edges: EdgeList
}

export interface VcdWriteOptions {
  /** Tick of the time stamps in nanoseconds: 1, 10, 100, 1000 ... (default 100). */
  readonly tickNs?: number
  /** One line of plain text for the `$comment`, such as what was simulated. */
  readonly comment?: string
  /** End of the recording in seconds (default: the last change). */
  readonly durationS?: number
}

function timescale(tickNs: number): string {
  const text: Record<number, string> = {
    1: '1 ns',
    10: '10 ns',
    100: '100 ns',
    1000: '1 us',
    10_000: '10 us',
    100_000: '100 us',
    1_000_000: '1 ms',
  }
  const found = text[tickNs]
  if (!found)
    throw new ParameterError(`a tick of ${tickNs} ns`, 'a power of ten from 1 to 1 000 000 ns', { field: 'tickNs' })
  return found
}

/** Lines that are handed over together. */
const CHUNK = 8192

/**
 * Writes channels as a value change dump. Times are rounded to the tick; a channel's changes that fall on one
 * tick cancel out, as they would in a logic analyser.
 * Follows IEEE 1364-2005, clause 18 (from memory).
 */
export const writeVcd = (channels: readonly WritableChannel[], options: VcdWriteOptions = {}): string =>
  [...vcdChunks(channels, options)].join('')

/** The same in pieces of some thousand lines, for recordings that are too long for one string. */
export const vcdChunks = (channels: readonly WritableChannel[], options: VcdWriteOptions = {}): Generator<string> =>
  vcdOfStretches([channels], options)

/**
 * A recording that is made stretch by stretch, for one that is too long to be held at once. Every stretch has the same
 * channels, begins with the levels in which the one before it ends, and its times go on from there.
 */
export function* vcdOfStretches(
  stretches: Iterable<readonly WritableChannel[]>,
  options: VcdWriteOptions = {},
): Generator<string> {
  const tickNs = options.tickNs ?? 100
  const ticksPerSecond = 1e9 / tickNs
  let last = 0
  let begun = false
  for (const channels of stretches) {
    if (!begun) yield headOf(channels, tickNs, options.comment)
    begun = true
    last = yield* changesOf(channels, ticksPerSecond, last)
  }
  const end = Math.round((options.durationS ?? 0) * ticksPerSecond)
  if (end > last) yield `#${end}\n`
}

/** Short names of the channels in the file. */
const code = (i: number) =>
  i < 94 ? String.fromCharCode(33 + i) : String.fromCharCode(33 + (i % 94), 33 + Math.floor(i / 94) - 1)

function headOf(channels: readonly WritableChannel[], tickNs: number, comment?: string): string {
  const out: string[] = []
  if (comment) out.push(`$comment ${comment.replace(/\$/g, '').replace(/\s+/g, ' ')} $end`)
  out.push(`$timescale ${timescale(tickNs)} $end`, '$scope module capture $end')
  channels.forEach((c, i) => out.push(`$var wire 1 ${code(i)} ${c.name.replace(/\s+/g, '_')} $end`))
  out.push('$upscope $end', '$enddefinitions $end', '#0', '$dumpvars')
  channels.forEach((c, i) => out.push(`${c.edges.initial}${code(i)}`))
  out.push('$end')
  return `${out.join('\n')}\n`
}

/** Where a channel's level was not recorded, and where it is known again, in ticks; in the order of time. */
const gapsOf = (channels: readonly WritableChannel[], ticksPerSecond: number) =>
  channels
    .flatMap(({ edges: { gaps, times, initial } }, i) =>
      gaps.flatMap(({ fromS, toS }) => [
        { tick: Math.round(fromS * ticksPerSecond), says: `x${code(i)}` },
        {
          tick: Math.round(toS * ticksPerSecond),
          says: `${(initial + lowerBound(times, toS)) % 2}${code(i)}`,
        },
      ]),
    )
    // A gap that goes on to the end has none of its own.
    .filter(g => g.tick < Infinity)
    .sort((a, b) => a.tick - b.tick)

/** The changes of all channels in the order of their times. @returns the tick of the last; `last` where none is */
function* changesOf(
  channels: readonly WritableChannel[],
  ticksPerSecond: number,
  last: number,
): Generator<string, number> {
  let out: string[] = []
  const codes = channels.map((_, i) => code(i))
  const at = channels.map(() => 0)
  const ticks = channels.map(c => (c.edges.times.length ? Math.round(c.edges.times[0]! * ticksPerSecond) : Infinity))
  const gaps = gapsOf(channels, ticksPerSecond)
  for (let gap = 0; ;) {
    const next = Math.min(...ticks)
    for (; gap < gaps.length && gaps[gap]!.tick <= next; gap++) {
      last = gaps[gap]!.tick
      out.push(`#${last}`, gaps[gap]!.says)
    }
    if (next === Infinity) break
    let stamped = false
    for (let i = 0; i < channels.length; i++) {
      if (ticks[i] !== next) continue
      const { times, initial } = channels[i]!.edges
      const before = at[i]!
      let k = before
      let tick = next
      while (tick === next) {
        k++
        tick = k < times.length ? Math.round(times[k]! * ticksPerSecond) : Infinity
      }
      at[i] = k
      ticks[i] = tick
      if ((k - before) % 2 === 0) continue
      if (!stamped) out.push(`#${next}`)
      stamped = true
      out.push(`${(initial + k) % 2}${codes[i]}`)
    }
    last = next
    if (out.length >= CHUNK) {
      yield out.join('\n') + '\n'
      out = []
    }
  }
  if (out.length) yield out.join('\n') + '\n'
  return last
}

/** Channels between two times, counted from the first. */
export function cutStretch(channels: readonly WritableChannel[], fromS: number, toS: number): WritableChannel[] {
  return channels.map(({ name, edges }) => {
    const [from, to] = [lowerBound(edges.times, fromS), lowerBound(edges.times, toS)]
    return {
      name,
      edges: {
        initial: ((edges.initial + from) & 1) as 0 | 1,
        times: edges.times.slice(from, to).map(t => t - fromS),
        gaps: [],
      },
    }
  })
}
