import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../core/src/log'
import { Outbox, type Waiting } from '../app/utils/outbox'

class Refused extends Error {}

/** A connection that comes and goes, a server that keeps by id, and a store that outlives the page. */
function bench(store: { waiting: readonly Waiting[] } = { waiting: [] }) {
  const kept: string[] = []
  const photos: string[] = []
  const state = { up: true, loseAnswer: false, refuse: new Set<string>(), shown: [] as readonly Waiting[] }
  const outbox = new Outbox({
    keep: async waiting => {
      store.waiting = structuredClone(waiting)
    },
    kept: async () => store.waiting,
    send: async (_path, body) => {
      if (!state.up) throw new Error('no answer')
      if (state.refuse.has(body.id)) throw new Refused('It is not valid.')
      if (!kept.includes(body.id)) kept.push(body.id)
      if (state.loseAnswer) {
        state.loseAnswer = false
        throw new Error('no answer')
      }
      return { ...body, seq: kept.indexOf(body.id) } as unknown as LogEntry
    },
    sendPhoto: async (_blob, name) => {
      if (!state.up) throw new Error('no answer')
      photos.push(name)
      return `sha of ${name}`
    },
    refusal: error => (error instanceof Refused ? error.message : null),
    pause: () => new Promise(resolve => setTimeout(resolve, 1)),
    changed: waiting => {
      state.shown = waiting
    },
  })
  return { outbox, kept, photos, state, store }
}
const entry = (id: string) => ({ id, at: '2026-01-01T00:00:00Z', kind: 'note' })

describe('entries that wait for a connection', () => {
  it('go in the order in which they were said, once each, though answers are lost', async () => {
    const { outbox, kept, state } = bench()
    state.up = false
    const all = ['a', 'b', 'c'].map(id => outbox.deliver('/log', entry(id)))
    await new Promise(resolve => setTimeout(resolve, 10))
    expect(state.shown.map(w => w.body.id)).toEqual(['a', 'b', 'c'])
    expect(kept).toEqual([])
    state.loseAnswer = true
    state.up = true
    outbox.retry()
    const answered = await Promise.all(all)
    expect(kept).toEqual(['a', 'b', 'c'])
    expect(answered.map(e => e.seq)).toEqual([0, 1, 2])
    expect(state.shown).toEqual([])
  })
  it('outlive the page, and go before what the next one says', async () => {
    const first = bench()
    first.state.up = false
    void first.outbox.deliver('/log', entry('a'))
    void first.outbox.deliver('/log', entry('b'))
    await new Promise(resolve => setTimeout(resolve, 5))
    const next = bench({ waiting: first.store.waiting })
    await next.outbox.begin()
    await next.outbox.deliver('/log', entry('c'))
    expect(next.kept).toEqual(['a', 'b', 'c'])
    expect(next.store.waiting).toEqual([])
  })
  it('that are refused stay until they are let go, and hold up nothing', async () => {
    const { outbox, kept, state, store } = bench()
    state.refuse.add('bad')
    const bad = outbox.deliver('/log', entry('bad'))
    const good = outbox.deliver('/log', entry('good'))
    await expect(bad).rejects.toThrow('It is not valid.')
    await good
    expect(kept).toEqual(['good'])
    expect(store.waiting).toMatchObject([{ body: { id: 'bad' }, refused: 'It is not valid.' }])
    await outbox.drop('good')
    expect(store.waiting).toHaveLength(1)
    await outbox.drop('bad')
    expect(store.waiting).toEqual([])
  })
  it('with a photo name it by its hash', async () => {
    const { outbox, photos, state } = bench()
    state.up = false
    const sent = outbox.deliver('/log', entry('p'), { blob: new Blob(['x']), name: 'board.jpg' })
    await new Promise(resolve => setTimeout(resolve, 5))
    state.up = true
    outbox.retry()
    expect(await sent).toMatchObject({ photo: 'sha of board.jpg' })
    expect(photos).toEqual(['board.jpg'])
  })
})
