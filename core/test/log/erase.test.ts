import { describe, expect, it } from 'vitest'
import { canErase, erasedOn, type LogEntry } from '../../src/log'

const entry = (part: Partial<LogEntry>): LogEntry => ({
  id: 'a',
  seq: 1,
  driveId: 'd',
  at: '2026-03-01T10:00:00Z',
  kind: 'note',
  station: 'look',
  title: 'Belongs to the harbour office',
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data: null,
  takesBack: null,
  ...part,
})
const photo = (sha: string | null) => entry({ kind: 'photo', data: { type: 'photo', sha, width: 4, height: 3 } })

describe('erasing', () => {
  it('words and photos can be erased once; the receipt keeps its title', () => {
    expect(canErase(entry({}), 'words')).toBe(true)
    expect(canErase(entry({ title: 'Words erased' }), 'words')).toBe(false)
    expect(canErase(entry({ kind: 'received', title: 'Received', detail: 'It hums.' }), 'words')).toBe(true)
    expect(canErase(entry({ kind: 'received', title: 'Received' }), 'words')).toBe(false)
    expect(canErase(entry({}), 'photo')).toBe(false)
    expect(canErase(photo('a'.repeat(64)), 'photo')).toBe(true)
    expect(canErase(photo(null), 'photo')).toBe(false)
  })

  it('what says that something was erased is never erased itself', () => {
    const said = entry({ kind: 'erased', data: { type: 'erased', what: 'words', entries: ['a'] } })
    expect(canErase(said, 'words')).toBe(false)
  })

  it('the log tells by entry what was erased, and when last', () => {
    const said = (what: 'words' | 'photo', at: string, entries: string[]) =>
      entry({ kind: 'erased', at, data: { type: 'erased', what, entries } })
    const log = [said('photo', '2026-03-02T10:00:00Z', ['a', 'b']), said('words', '2026-03-03T10:00:00Z', ['a'])]
    expect(erasedOn(log).get('a')).toEqual({ what: ['photo', 'words'], at: '2026-03-03T10:00:00Z' })
    expect(erasedOn(log).get('b')).toEqual({ what: ['photo'], at: '2026-03-02T10:00:00Z' })
    expect(erasedOn(log).has('c')).toBe(false)
  })
})
