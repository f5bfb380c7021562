import { describe, expect, it } from 'vitest'
import { halfCellOf, readTrack } from '../../../src/signals/codes'
import { fluxOf } from '../../../src/signals/separator'
import { Random } from '../../../src/simulator'
import { cellsOf, outsideTracks } from '../codes/outside-tracks'

/**
 * A damaged stretch whose pulses draw the clock 10 % off, then a track by another writer with noise of its own: at the
 * limit of its rate the clock follows nothing, and finds no way back by small corrections.
 */
function afterWrongRhythm(name: string, drawn: number, seed: number) {
  const track = outsideTracks.find(t => t.name === name)!
  const half = halfCellOf(track)
  const random = new Random(seed)
  const wrong: number[] = []
  for (let t = 0; wrong.length < 4000;)
    wrong.push((t += (2 + Math.floor(random.next() * 3)) * half * (1 + drawn) + random.gaussian() * 0.05 * half))
  const from = wrong.at(-1)! + 3.3 * half
  const clean = fluxOf(cellsOf(track), half, 6)
  const own = Array.from(clean, t => from + t + random.gaussian() * 0.11 * half)
  return { track, times: Float64Array.from([...wrong, ...own]).sort() }
}

describe('a clock that was drawn to the limit of its rate', () => {
  it.each(['MFM, size code 2', 'MFM, short gaps', 'split words'])('%s: comes back and reads on', name => {
    let [good, all] = [0, 0]
    for (const drawn of [0.12, 0.11, -0.11, -0.12])
      for (const seed of [1, 2, 3, 4]) {
        const { track, times } = afterWrongRhythm(name, drawn, seed)
        const read = readTrack(times, track).sectors
        const found = new Set(read.filter(s => s.status === 'good').map(s => s.sector))
        good += track.sectors.filter(s => found.has(s.sector)).length
        all += track.sectors.length
      }
    expect(good / all).toBeGreaterThan(0.9)
  })
})
