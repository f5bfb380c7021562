import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { reportBus, reportJson } from '../../../src/instruments/interface'
import { halfCellOf } from '../../../src/signals/codes'
import { edgesFromFlux, fluxOf } from '../../../src/signals/separator'

/** Sectors by a writer that knows nothing of this project (make_tracks.py in the fixture's folder). */
const file = join(import.meta.dirname, '../../fixtures/track-codes/hard-sectors.json')
const both: Record<'FM' | 'MFM', { hex: string; stretch: number; data: string[] }> = JSON.parse(
  readFileSync(file, 'utf8'),
)

/** Three revolutions of a disk with ten sector holes and the extra one, as its two lines have them. */
function capture(code: 'FM' | 'MFM', rate: number) {
  const { hex, stretch, data } = both[code]
  const half = halfCellOf({ code, rate })
  const cells = Uint8Array.from(
    { length: hex.length * 4 },
    (_, i) => (Number.parseInt(hex[i >> 2]!, 16) >> (3 - (i & 3))) & 1,
  )
  const turnS = data.length * stretch * half
  const flux = fluxOf(cells, half)
  const turns = [0, 1, 2, 3]
  const times = Float64Array.from(turns.flatMap(k => [...flux].map(t => 0.01 + k * turnS + t)))
  const holes = turns.flatMap(k => [
    ...data.map((_, i) => 0.01 + k * turnS + i * stretch * half),
    0.01 + k * turnS + (data.length - 0.5) * stretch * half,
  ])
  const index = holes.sort((a, b) => a - b).flatMap(t => [t, t + 1e-4])
  return {
    fileName: 'x',
    format: 'vcd',
    durationS: 4 * turnS + 0.02,
    notices: [],
    channels: [
      { name: 'INDEX', edges: { initial: 1, times: Float64Array.from(index), gaps: [] } },
      { name: 'READ_DATA', edges: edgesFromFlux(times) },
    ],
  } as never
}

describe('a hard-sectored disk on the wire', () => {
  it.each([
    ['FM', 125_000, 'fm 125 kbit/s'],
    ['MFM', 250_000, 'mfm 250 kbit/s'],
  ] as const)('%s: where each sector begins and its raw bytes; the speed is by revolutions', (code, rate, says) => {
    const recording = capture(code, rate)
    const report = reportBus(recording)
    const hard = report.hardSectored!
    expect(hard).toMatchObject({ sectors: 10, code: says })
    for (const [i, row] of hard.rows.entries()) {
      expect(row.bytes.replaceAll(' ', '').toLowerCase()).toBe(`fb${both[code].data[i]!.slice(0, 62)}`)
      expect(row.startUs! / 1e6).toBeCloseTo(16 * 16 * halfCellOf({ code, rate }), 4)
    }
    const turnS = 10 * both[code].stretch * halfCellOf({ code, rate })
    expect(report.speed!.rpm).toBeCloseTo(60 / turnS, 1)
    expect((reportJson(report) as { hardSectors: { sectors: number } }).hardSectors.sectors).toBe(10)
  })
})
