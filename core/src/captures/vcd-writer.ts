import { ParameterError } from '../errors'
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
  const text: Record<number, string> = { 1: '1 ns', 10: '10 ns', 100: '100 ns', 1000: '1 us', 10_000: '10 us', 100_000: '100 us', 1_000_000: '1 ms' }
  const found = text[tickNs]
  if (!found) throw new ParameterError(`a tick of ${tickNs} ns`, 'a power of ten from 1 to 1 000 000 ns', { field: 'tickNs' })
  return found
}

/**
 * Writes channels as a value change dump. Times are rounded to the tick; a channel's changes that fall on one
 * tick cancel out, as they would in a logic analyser.
 * Follows IEEE 1364-2005, clause 18 (from memory).
 */
export function writeVcd(channels: readonly WritableChannel[], options: VcdWriteOptions = {}): string {
  const tickNs = options.tickNs ?? 100
  const ticksPerSecond = 1e9 / tickNs
  const code = (i: number) => i < 94 ? String.fromCharCode(33 + i) : String.fromCharCode(33 + i % 94, 33 + Math.floor(i / 94) - 1)
  const out: string[] = []
  if (options.comment) out.push(`$comment ${options.comment.replace(/\$/g, '').replace(/\s+/g, ' ')} $end`)
  out.push(`$timescale ${timescale(tickNs)} $end`, '$scope module capture $end')
  channels.forEach((c, i) => out.push(`$var wire 1 ${code(i)} ${c.name.replace(/\s+/g, '_')} $end`))
  out.push('$upscope $end', '$enddefinitions $end', '#0', '$dumpvars')
  channels.forEach((c, i) => out.push(`${c.edges.initial}${code(i)}`))
  out.push('$end')

  const at = channels.map(() => 0)
  let last = 0
  for (;;) {
    let next = Infinity
    for (let i = 0; i < channels.length; i++) {
      const t = channels[i].edges.times[at[i]]
      if (t !== undefined) next = Math.min(next, Math.round(t * ticksPerSecond))
    }
    if (next === Infinity) break
    const changes: string[] = []
    for (let i = 0; i < channels.length; i++) {
      const { times, initial } = channels[i].edges
      const before = at[i]
      while (at[i] < times.length && Math.round(times[at[i]] * ticksPerSecond) === next) at[i]++
      if ((at[i] - before) % 2 === 1) changes.push(`${(initial + at[i]) % 2}${code(i)}`)
    }
    if (changes.length) out.push(`#${next}`, ...changes)
    last = next
  }
  const end = Math.round((options.durationS ?? 0) * ticksPerSecond)
  if (end > last) out.push(`#${end}`)
  return out.join('\n') + '\n'
}
