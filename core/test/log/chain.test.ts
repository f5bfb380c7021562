import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  chainFaultText,
  erase,
  followChain,
  linkHash,
  wordsSeal,
  type ChainedEntry,
  type ChainFault,
  type ChainLink,
  type LinkedEntry,
} from '../../src/log'

const entryOf = (n: number, more: Partial<ChainedEntry> = {}): ChainedEntry => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  at: `2026-03-01T10:0${n % 10}:00Z`,
  kind: 'note',
  station: 'look',
  title: `Entry ${n}`,
  detail: `words ${n}`,
  call: null,
  observations: [],
  evidence: null,
  data: null,
  takesBack: null,
  ...more,
})
const salt = (n: number) => createHash('sha256').update(String(n)).digest('hex')

function linked(entry: ChainedEntry, before: readonly string[], n: number): LinkedEntry & { link: ChainLink } {
  const hash = linkHash(entry, before, salt(n))
  return { entry, link: { entry: entry.id, before, hash, salt: salt(n), erased: null, firstSeq: n } }
}
/** A log of so many entries, each linked to the one before it. */
function logOf(length: number, more: (n: number) => Partial<ChainedEntry> = () => ({})) {
  const log: (LinkedEntry & { link: ChainLink })[] = []
  for (let n = 1; n <= length; n++) log.push(linked(entryOf(n, more(n)), log.length ? [log.at(-1)!.link.hash] : [], n))
  return log
}
function faults(log: readonly LinkedEntry[], whole: readonly { link: ChainLink }[] = logOf(6)): ChainFault[] {
  const chain = followChain()
  for (const l of log) chain.add(l)
  return chain.end({ entries: whole.length, hash: whole.at(-1)!.link.hash })
}
const kinds = (log: readonly LinkedEntry[], whole?: readonly { link: ChainLink }[]) =>
  faults(log, whole).map(f => `${f.kind} ${f.entry?.title ?? ''}`.trim())

/** JSON with its keys in order, by another hand: enough of RFC 8785 for text, true, false, null and whole numbers. */
const canonical = (value: unknown): string => {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (value === null || typeof value !== 'object') return JSON.stringify(value)
  const fields = Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))
  return `{${fields.map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`).join(',')}}`
}
const sha = (value: unknown) => createHash('sha256').update(canonical(value)).digest('hex')

describe('the chain of a log', () => {
  it('seals what an entry says by SHA-256 of its canonical JSON, as node’s own hash has it', () => {
    const { title, detail, ...entry } = entryOf(1)
    const s = salt(1)
    expect(linkHash({ ...entry, title, detail }, ['ab'], s)).toBe(
      sha([1, ['ab'], { ...entry, title: null }, sha([s.slice(0, 32), title, detail]), null]),
    )
  })

  it('a title that the program gave is no word of a person’s: it stays when the words go', () => {
    const found = entryOf(1, { kind: 'finding', title: 'Belt gone' })
    const { detail, ...entry } = found
    expect(linkHash(found, [], salt(1))).toBe(sha([1, [], entry, sha([salt(1).slice(0, 32), null, detail]), null]))
    const gone = erase(found, linked(found, [], 1).link, 'words')
    expect(gone.entry).toEqual({ ...found, detail: '' })
    expect(kinds([gone], [gone])).toEqual([])
    expect(kinds([{ ...gone, entry: { ...gone.entry, title: 'Belt whole' } }], [gone])).toEqual(['edited Belt whole'])
  })

  it('a log as it was written has no fault; nor has an empty one', () => {
    expect(faults(logOf(6))).toEqual([])
    expect(followChain().end(null)).toEqual([])
  })

  it('names what was edited, whatever of it was', () => {
    const log = logOf(6)
    for (const change of [
      { title: 'Changed' },
      { detail: 'words' },
      { at: '2026-03-01T10:04:00Z' },
      { takesBack: log[0]!.entry.id },
      { call: { kind: 'leave' as const, reasons: [], next: '' } },
      { observations: [{ key: 'rpm', label: 'Speed', value: 300, unit: 'r/min', how: '' }] },
    ]) {
      const changed = log.map((l, i) => (i === 2 ? { ...l, entry: { ...l.entry, ...change } } : l))
      expect(kinds(changed)).toEqual([`edited ${change.title ?? 'Entry 3'}`])
    }
  })

  it('names what was taken out, put in, moved, or cut off at the end', () => {
    const log = logOf(6)
    const without = (...gone: number[]) => log.filter((_, i) => !gone.includes(i))
    expect(kinds(without(2))).toEqual(['missing Entry 4', 'cut'])
    expect(kinds(without(0))).toEqual(['missing Entry 2', 'cut'])
    expect(kinds(without(5))).toEqual(['cut'])
    expect(kinds(without(4, 5))).toEqual(['cut'])
    expect(kinds([...log.slice(0, 3), { entry: entryOf(9), link: null }, ...log.slice(3)])).toEqual([
      'not linked Entry 9',
      'cut',
    ])
    const swapped = [log[0]!, log[2]!, log[1]!, ...log.slice(3)]
    expect(kinds(swapped)).toContain('moved Entry 3')
    const elsewhere = linked(entryOf(8), [], 8)
    expect(kinds([...log, elsewhere])).toEqual(['missing Entry 8', 'cut'])
  })

  it('any one change to any log shows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.nat(),
        fc.constantFrom('drop', 'swap', 'edit'),
        (n, where, how) => {
          const log: LinkedEntry[] = logOf(n)
          const at = where % n
          if (how === 'drop') log.splice(at, 1)
          if (how === 'edit') log[at] = { ...log[at]!, entry: { ...log[at]!.entry, detail: 'other words' } }
          if (how === 'swap') log.splice(at % (n - 1), 2, log[(at % (n - 1)) + 1]!, log[at % (n - 1)]!)
          return faults(log, logOf(n)).length > 0
        },
      ),
      { seed: 18, numRuns: 200 },
    )
  })

  it('two logs of one drive become one by an entry with two before it', () => {
    const log = logOf(3)
    const here = linked(entryOf(4), [log[2]!.link.hash], 4)
    const there = linked(entryOf(5), [log[2]!.link.hash], 5)
    const merged = linked(entryOf(6), [here.link.hash, there.link.hash], 6)
    const whole = [...log, here, there, merged]
    expect(kinds(whole, whole)).toEqual([])
    expect(kinds([...log, here, there], [...log, here, there])).toEqual(['cut'])
  })

  it('words and photo are erased with their salt, and the chain holds', () => {
    const log = logOf(6, n =>
      n === 3 ? { kind: 'photo', data: { type: 'photo', sha: 'a'.repeat(64), width: 4, height: 3 } } : {},
    )
    const { entry, link } = log[2]!
    const whole = erase(entry, link, 'words')
    const gone = erase(whole.entry, whole.link, 'photo')
    const without = (third: LinkedEntry) => kinds([...log.slice(0, 2), third, ...log.slice(3)], log)
    expect(gone.entry).toEqual({ ...entry, title: 'Words erased', detail: '', data: { ...entry.data!, sha: null } })
    expect(gone.link.salt).toBe('0'.repeat(64))
    expect(without(whole)).toEqual([])
    expect(without(gone)).toEqual([])
    expect(erase(gone.entry, gone.link, 'words')).toEqual(gone)
    // Without the salt the same words have another seal: nobody can try them.
    expect(wordsSeal(entry, gone.link.salt)).not.toBe(gone.link.erased!.words)
  })

  it('what is put where something was erased shows, and so does all else that is changed', () => {
    const log = logOf(6)
    const gone = erase(log[2]!.entry, log[2]!.link, 'words')
    for (const change of [{ title: 'Other words' }, { detail: 'more' }, { at: '2026-03-01T10:04:00Z' }]) {
      const third = { ...gone, entry: { ...gone.entry, ...change } }
      expect(kinds([...log.slice(0, 2), third, ...log.slice(3)], log)).toHaveLength(1)
    }
    // Saying that something was erased takes nothing out of the chain.
    const claimed = { ...gone, link: { ...gone.link, erased: { words: 'f'.repeat(64) } } }
    expect(kinds([...log.slice(0, 2), claimed, ...log.slice(3)], log)).toEqual(['edited Words erased'])
  })

  it('says each fault in a sentence with drive, entry and time', () => {
    const log = logOf(6)
    expect(faults(log.slice(0, 5)).map(f => chainFaultText(f, 'SK-05'))).toEqual([
      'The log of SK-05 does not end as it did when it was last written to.',
    ])
    const edited = log.map((l, i) => (i === 2 ? { ...l, entry: { ...l.entry, detail: 'x' } } : l))
    expect(faults(edited).map(f => chainFaultText(f, 'SK-05'))).toEqual([
      'The entry “Entry 3” of 2026-03-01T10:03:00Z on the log of SK-05 was changed after it was written.',
    ])
  })
})
