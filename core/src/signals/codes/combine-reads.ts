import { addTo } from '../../base/order'
import type { TrackCode } from './formats'
import type { FoundSector } from './read-sectors'
import { readCells } from './read-track'
import type { SoftRead } from './soft-read'

/** Least and most cells from one transition to the next, by the rules of each code. */
const GAPS: Readonly<Record<TrackCode, readonly [number, number]>> = {
  FM: [1, 3],
  MFM: [2, 4],
  'split MFM': [2, 4],
  '4-to-5': [1, 3],
  '6-and-2': [1, 3],
  '5-and-3': [1, 2],
  'zoned 6-and-2': [1, 3],
  'quick stream': [2, 4],
  'quick bytes': [2, 4],
  'quick files': [2, 4],
}

/** Gaps up to this are weighed at all: what is longer is a fault of the surface, at the cost below. */
const LONGEST = 12
const BROKEN_RULE = 6
/** Log odds of a pulse that is lost, or that comes from nowhere: about one in a hundred. */
const FOR_A_PULSE = 4.6
/** The scatter of transitions is taken as no smaller, cells: below it nothing is left to win. */
const LEAST_SCATTER = 0.08
const LARGEST_SCATTER = 0.3
/** Readings of the whole stretch that are weighed at once. */
const MOST_READS = 64

/** Codes whose check is of eight bits or less: it passes by chance too often to be trusted alone. */
const WEAK_CHECK: readonly TrackCode[] = ['4-to-5', '6-and-2', '5-and-3']
/** Parts of the readings that are left out in turn, where the check is weak. */
const PARTS = 3

/**
 * Decides a sector from several readings of which none was whole. Noise moves each transition another way in each
 * reading, so their evidence adds up: the cells are found that all readings together make likeliest and that the code
 * allows (the Viterbi algorithm over the distance from the transition before). The sector's own check then says
 * whether it came out whole; a wrong one passes a 16-bit check once in 65 536 times, so this is tried once a sector.
 * Where the check is weaker, the data must stay the same whichever third of the readings is left out.
 * Time grows with cells and readings.
 * @param reads of one sector; those whose code, or length in cells, is not that of most are left out
 * @returns the sector where its check passes; null otherwise
 */
export function combineReads(reads: readonly SoftRead[]): FoundSector | null {
  const same = ofOneLength(reads).slice(0, MOST_READS)
  if (same.length < 2) return null
  const found = decide(same)
  if (found?.status !== 'good') return null
  if (!WEAK_CHECK.includes(found.code)) return found
  const steady = Array.from({ length: PARTS }, (_, part) => decide(same.filter((_, i) => i % PARTS !== part)))
  return same.length >= PARTS && steady.every(s => s?.data?.join() === found.data!.join()) ? found : null
}

/** The sector that the readings together make likeliest, whether its check passes or not. */
function decide(reads: readonly SoftRead[]): (FoundSector & { readonly code: TrackCode }) | null {
  const [first] = reads
  if (!first) return null
  const { cylinder, head, sector, size } = first.found
  const cells = likeliestCells(evidence(reads, first.length, scatterOf(reads)), GAPS[first.code])
  const found = readCells(cells, first.code).find(
    f => f.cylinder === cylinder && f.head === head && f.sector === sector && f.size === size,
  )
  return found ? { ...found, code: first.code } : null
}

/** The readings that are as long as most are. */
function ofOneLength(reads: readonly SoftRead[]): SoftRead[] {
  const groups = new Map<string, SoftRead[]>()
  for (const r of reads) {
    const key = `${r.code} ${r.length}`
    addTo(groups, key, r)
  }
  return [...groups.values()].sort((a, b) => b.length - a.length)[0] ?? []
}

/** How far transitions lie from the middle of their cells, r.m.s., cells. */
function scatterOf(reads: readonly SoftRead[]): number {
  let [sum, n] = [0, 0]
  for (const { at } of reads) {
    for (const x of at) sum += (x - Math.round(x)) ** 2
    n += at.length
  }
  return Math.min(LARGEST_SCATTER, Math.max(LEAST_SCATTER, Math.sqrt(sum / Math.max(1, n))))
}

/** For each cell the log odds that a transition belongs there, over all readings. */
function evidence(reads: readonly SoftRead[], length: number, scatter: number): Float64Array {
  const scores = new Float64Array(length).fill(-FOR_A_PULSE * reads.length)
  const curve = 1 / (2 * scatter * scatter)
  for (const { at } of reads) {
    // A cell is spoken for by its nearest transition only.
    const best = new Float64Array(length)
    for (const x of at) {
      const middle = Math.round(x)
      for (let c = Math.max(0, middle - 1); c <= Math.min(length - 1, middle + 1); c++) {
        const gain = 2 * FOR_A_PULSE - (x - c) ** 2 * curve
        if (gain > best[c]!) best[c] = gain
      }
    }
    for (let c = 0; c < length; c++) scores[c]! += best[c]!
  }
  return scores
}

/** The cells with transitions in them that have most evidence and keep to the distances of a code. */
function likeliestCells(scores: Float64Array, [least, most]: readonly [number, number]): Uint8Array {
  const n = scores.length
  const best = new Float64Array(n)
  const before = new Int32Array(n)
  for (let c = 0; c < n; c++) {
    // The first transition may stand anywhere near the beginning.
    let [score, from] = c < LONGEST ? [0, -1] : [-Infinity, -1]
    for (let gap = least; gap <= LONGEST && c - gap >= 0; gap++) {
      const cost = gap > most ? BROKEN_RULE * (gap - most) : 0
      const here = best[c - gap]! - cost
      if (here > score) [score, from] = [here, c - gap]
    }
    best[c] = score + scores[c]!
    before[c] = from
  }
  let end = Math.max(0, n - LONGEST)
  for (let c = end; c < n; c++) if (best[c]! > best[end]!) end = c
  const cells = new Uint8Array(n)
  for (let c = end; c >= 0; c = before[c]!) cells[c] = 1
  return cells
}
