import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../core/src/log'
import { LogPoster, type PostedEntry } from '../app/utils/log-poster'

/** A server that keeps entries by their id, as the real one does, and may lose its answer or refuse. */
function bench() {
  const kept = new Map<string, LogEntry>()
  let seq = 0
  let ids = 0
  const state = { nowMs: 0, fail: null as null | 'lost' | 'refused', slow: null as null | Promise<void>, sent: 0 }
  class Refused extends Error {}
  const poster = new LogPoster({
    send: async (path: string, body: PostedEntry) => {
      state.sent++
      await state.slow
      if (state.fail === 'refused') throw new Refused()
      const there = kept.get(body.id) ?? ({ ...body, seq: ++seq, driveId: path } as unknown as LogEntry)
      kept.set(body.id, there)
      if (state.fail === 'lost') throw new Error('no answer')
      return there
    },
    refused: error => error instanceof Refused,
    now: () => state.nowMs,
    newId: () => `id-${++ids}`,
  })
  return { poster, kept, state }
}
const TILE = { kind: 'finding', finding: { finding: 'belt.sticky' } }

describe('one entry for one intention', () => {
  it('eighty-nine clicks on one tile within two seconds are one entry', async () => {
    const { poster, kept, state } = bench()
    for (let i = 0; i < 89; i++) {
      state.nowMs += 20
      await poster.post('a', TILE)
    }
    expect(kept.size).toBe(1)
  })
  it('a second click while the first is under way is the same entry', async () => {
    const { poster, kept, state } = bench()
    let go = () => {}
    state.slow = new Promise(resolve => (go = resolve))
    const both = [poster.post('a', TILE), poster.post('a', TILE)]
    go()
    const [one, two] = await Promise.all(both)
    expect(two).toBe(one)
    expect([kept.size, state.sent]).toEqual([1, 1])
  })
  it('an answer that was lost is asked for again under the same id and time', async () => {
    const { poster, kept, state } = bench()
    state.fail = 'lost'
    await expect(poster.post('a', TILE)).rejects.toThrow('no answer')
    state.fail = null
    state.nowMs = 60_000
    const entry = await poster.post('a', TILE)
    expect(kept.size).toBe(1)
    expect(entry).toMatchObject({ id: 'id-1', at: new Date(0).toISOString() })
  })
  it('what was refused is said again', async () => {
    const { poster, state } = bench()
    state.fail = 'refused'
    await expect(poster.post('a', TILE)).rejects.toThrow()
    state.fail = null
    expect((await poster.post('a', TILE)).id).toBe('id-2')
  })
  it('the same words later, after something else, or on another drive are another entry', async () => {
    const { poster, kept, state } = bench()
    await poster.post('a', TILE)
    await poster.post('b', TILE)
    await poster.post('a', { kind: 'taken-back' })
    await poster.post('a', TILE)
    state.nowMs += 2_000
    await poster.post('a', TILE)
    expect(kept.size).toBe(5)
  })
})
