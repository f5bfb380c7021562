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
export function* vcdChunks(channels: readonly WritableChannel[], options: VcdWriteOptions = {}): Generator<string> {
  const tickNs = options.tickNs ?? 100
  const ticksPerSecond = 1e9 / tickNs
  const code = (i: number) =>
    i < 94 ? String.fromCharCode(33 + i) : String.fromCharCode(33 + (i % 94), 33 + Math.floor(i / 94) - 1)
  let out: string[] = []
  if (options.comment) out.push(`$comment ${options.comment.replace(/\$/g, '').replace(/\s+/g, ' ')} $end`)
  out.push(`$timescale ${timescale(tickNs)} $end`, '$scope module capture $end')
  channels.forEach((c, i) => out.push(`$var wire 1 ${code(i)} ${c.name.replace(/\s+/g, '_')} $end`))
  out.push('$upscope $end', '$enddefinitions $end', '#0', '$dumpvars')
  channels.forEach((c, i) => out.push(`${c.edges.initial}${code(i)}`))
  out.push('$end')

  const codes = channels.map((_, i) => code(i))
  const at = channels.map(() => 0)
  const ticks = channels.map(c => (c.edges.times.length ? Math.round(c.edges.times[0]! * ticksPerSecond) : Infinity))
  let last = 0
  for (;;) {
    const next = Math.min(...ticks)
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
  const end = Math.round((options.durationS ?? 0) * ticksPerSecond)
  if (end > last) out.push(`#${end}`)
  if (out.length) yield out.join('\n') + '\n'
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
