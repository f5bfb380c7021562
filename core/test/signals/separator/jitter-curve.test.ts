import { describe, expect, it } from 'vitest'
import { fluxOf, nearestCells } from '../../../src/signals/separator'
import { halfCellOf, readSectors, readTrack, writeTrack, type Format } from '../../../src/signals/codes'
import { Random } from '../../../src/simulator'

const format: Format = { code: 'MFM', rate: 250_000 }
const half = halfCellOf(format)

/** Failed sectors of 36, by jitter (share of the window, r.m.s.), on a disk that is 3 % fast with 1 % wow. */
function failed(jitter: number, seed: number): { readonly ours: number; readonly nearest: number } {
  const random = new Random(seed)
  const sectors = Array.from({ length: 9 }, (_, i) => ({
    cylinder: 0,
    head: 0,
    sector: i + 1,
    data: Uint8Array.from({ length: 512 }, () => Math.floor(random.next() * 256)),
  }))
  const turnHz = 5 * 1.03
  const times = fluxOf(writeTrack(format, sectors, 0.2), half, 4)
    .map(t => {
      const at = t / 1.03
      return (
        at + (0.01 / (2 * Math.PI * turnHz)) * Math.sin(2 * Math.PI * turnHz * at) + random.gaussian() * jitter * half
      )
    })
    .sort()
  const good = (status: readonly { readonly status: string }[]) => status.filter(s => s.status === 'good').length
  return {
    ours: 36 - good(readTrack(times, format).sectors),
    nearest: 36 - good(readSectors(nearestCells(times, half), 'MFM')),
  }
}

describe('the separator against a plain nearest-cell decoder', () => {
  it('reads every sector at 8 % jitter, 3 % fast, 1 % wow', () => {
    for (const seed of [1, 2, 3]) expect(failed(0.08, seed).ours).toBe(0)
  })
  it('fails on fewer sectors wherever either fails', () => {
    for (const jitter of [0.06, 0.08, 0.1, 0.12, 0.14]) {
      const [a, b] = [failed(jitter, 7), failed(jitter, 8)]
      const [ours, nearest] = [a.ours + b.ours, a.nearest + b.nearest]
      expect(ours < nearest || (ours === 0 && nearest === 0), `${jitter}: ${ours} against ${nearest}`).toBe(true)
    }
  })
})
