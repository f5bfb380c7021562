import Papa from 'papaparse'
import type { WritableChannel } from './vcd-writer'

/**
 * Writes channels as a CSV edge list: a heading, the levels at time 0, then one row for each instant at which
 * something changes. RFC 4180 line ends; times in seconds with nine decimals.
 */
export function writeCsv(channels: readonly WritableChannel[]): string {
  const at = channels.map(() => 0)
  const rows: string[][] = [['Time (s)', ...channels.map(c => c.name)]]
  const levels = () => channels.map((c, i) => String((c.edges.initial + at[i]!) % 2))
  rows.push(['0.000000000', ...levels()])
  for (;;) {
    let next = Infinity
    channels.forEach((c, i) => {
      if (at[i]! < c.edges.times.length) next = Math.min(next, c.edges.times[at[i]!]!)
    })
    if (next === Infinity) break
    channels.forEach((c, i) => {
      if (c.edges.times[at[i]!] === next) at[i]!++
    })
    rows.push([next.toFixed(9), ...levels()])
  }
  return Papa.unparse(rows, { newline: '\r\n' }) + '\r\n'
}
