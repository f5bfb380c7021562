import { halfCellOf, readTrack, writeTrack, type Format } from '@wobrin/core/signals/codes'
import { fluxOf, nearestCells } from '@wobrin/core/signals/separator'
import { readCells } from '../../core/src/signals/codes/read-track'
import { Random } from '@wobrin/core/simulator'

/** A track of each code that has sectors: format, sectors of a track, bytes of a sector, the time of a revolution. */
const TRACKS: readonly (readonly [Format, sectors: number, bytes: number, turnS: number])[] = [
  [{ code: 'MFM', rate: 250_000 }, 9, 512, 0.2],
  [{ code: 'FM', rate: 125_000 }, 10, 256, 0.2],
  [{ code: '4-to-5', rate: 1e6 / 3.25 }, 21, 256, 0.2],
  [{ code: '6-and-2', rate: 250_000 }, 16, 256, 0.2],
  [{ code: '5-and-3', rate: 250_000 }, 13, 256, 0.2],
  [{ code: 'zoned 6-and-2', rate: 500_000 }, 12, 512, 60 / 394],
]
const REVOLUTIONS = 4
const SEEDS = [1, 2]
const FAST = 1.03
const WOW = 0.01
const JITTERS = [0.04, 0.06, 0.08, 0.09, 0.1, 0.11, 0.12, 0.13, 0.14, 0.16]

/** Flux of a track on a disk that is 3 % fast with 1 % wow, with a jitter (deviation, share of the timing window). */
function fluxWith(format: Format, sectors: number, bytes: number, turnS: number, seed: number, jitter: number) {
  const random = new Random(seed)
  const data = Array.from({ length: sectors }, (_, i) => ({
    cylinder: 0,
    head: 0,
    sector: format.code === 'FM' || format.code === 'MFM' ? i + 1 : i,
    data: Uint8Array.from({ length: bytes }, () => Math.floor(random.next() * 256)),
    tags: new Uint8Array(12),
  }))
  const half = halfCellOf(format)
  const shaken = new Random(seed + 40)
  const turns = (2 * Math.PI * FAST) / turnS
  return fluxOf(writeTrack(format, data, turnS), half, REVOLUTIONS)
    .map(t => {
      const at = t / FAST
      return at + (WOW / turns) * Math.sin(turns * at) + shaken.gaussian() * jitter * half
    })
    .sort()
}

/** Failed sectors against jitter for each code: ours, and each interval to its nearest cell. */
export function jitterTable(): void {
  console.log(
    'Failed sectors against jitter (deviation, % of the timing window), 3 % fast, 1 % wow: ours / nearest cell',
  )
  console.log(
    `  jitter %  ${TRACKS.map(([f, n]) => `${f.code} of ${n * REVOLUTIONS * SEEDS.length}`.padStart(20)).join('')}`,
  )
  for (const jitter of JITTERS) {
    const cells = TRACKS.map(([format, sectors, bytes, turnS]) => {
      const all = sectors * REVOLUTIONS * SEEDS.length
      let [ours, nearest] = [all, all]
      for (const seed of SEEDS) {
        const times = fluxWith(format, sectors, bytes, turnS, seed, jitter)
        const good = (found: readonly { readonly status: string }[]) => found.filter(s => s.status === 'good').length
        ours -= good(readTrack(times, format).sectors)
        nearest -= good(readCells(nearestCells(times, halfCellOf(format)), format.code))
      }
      return `${ours} / ${nearest}`.padStart(20)
    })
    console.log(`  ${String(Math.round(jitter * 100)).padStart(8)}  ${cells.join('')}`)
  }
}
