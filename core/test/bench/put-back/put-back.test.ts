import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asFoundRecord } from '../../../src/findings'
import { putBackList } from '../../../src/bench/put-back'
import type { LogEntry } from '../../../src/log'
import { entry, marked, putBack, undone } from '../../log'

const list = (log: LogEntry[]) => putBackList(asFoundRecord(log))

describe('the put-back list', () => {
  it('runs in reverse of undoing, with a check for each plug’s pin 1 and each loose part', () => {
    const data = marked({ kind: 'connector', name: '34-pin data', state: 'front edge' })
    const screw = marked({ kind: 'screw', name: 'board, left', detail: 'M3 × 6' })
    const out = [undone(data), undone(screw)]
    const pin = marked({ kind: 'loose', name: 'write-protect pin', state: 'bag 1' })
    const { steps, left } = list([data, screw, ...out, pin])
    expect(steps.map(s => s.title)).toEqual([
      'Loose part: write-protect pin',
      'Screw: board, left',
      'Connector: 34-pin data',
    ])
    expect(steps[2]!.check).toBe('Pin 1 is at the front edge. Every pin in a hole, none beside the row.')
    expect(steps[0]!.check).toMatch(/bag 1/)
    expect(left).toBe(3)
  })

  it('warns of what was never recorded, what must be re-made and what went back too early', () => {
    const plug = marked({ kind: 'connector', name: 'head' })
    const wire = marked({ kind: 'wire', name: 'motor +', colour: 'red', from: 'J3-1', to: 'motor' })
    const tie = marked({ kind: 'tie', name: 'loom' })
    const cover = marked({ name: 'cover' })
    const board = marked({ name: 'board', behind: cover.id })
    const log = [
      plug,
      wire,
      tie,
      cover,
      board,
      undone(plug),
      undone(wire, 'unsoldered'),
      undone(tie, 'cut'),
      undone(cover),
      undone(board),
      putBack(cover),
    ]
    const { steps, warnings, left } = list(log)
    expect(warnings).toEqual([
      'No. 1, connector head: which end is pin 1 was never recorded.',
      'No. 2, wire motor +: nothing was measured on it; its colour is not evidence.',
      'No. 4, part or cover cover is back on, but no. 5, part or cover board behind it is not: it has to come off again.',
    ])
    expect(steps.map(s => s.remake).filter(Boolean)).toEqual(['A new tie.', 'Solder it again.'])
    expect(left).toBe(4)
  })

  it('a thing left off on purpose is settled; undone once more it is to be put back again; a number is never given twice', () => {
    const a = marked({ name: 'shield' })
    expect(list([a, undone(a), putBack(a, true)]).left).toBe(0)
    expect(list([a, undone(a), putBack(a), undone(a)]).left).toBe(1)
    const b = marked({ name: 'second' })
    expect(asFoundRecord([a, entry({ kind: 'taken-back', takesBack: a.id }), b]).map(r => r.number)).toEqual([2])
  })

  it('a circle in the record does not stop it', () => {
    const a = marked({ name: 'a' })
    const b = marked({ name: 'b', behind: a.id })
    const circular: LogEntry = {
      ...a,
      data: { type: 'as-found', item: { ...(a.data as { item: object }).item, behind: b.id } } as LogEntry['data'],
    }
    const { steps, warnings } = list([circular, b, undone(a), undone(b)])
    expect(steps).toHaveLength(2)
    expect(warnings[0]).toMatch(/contradict each other/)
  })

  /**
   * Against brute force: of all orders in which nothing goes on in front of what lies behind it, the one that puts what
   * was undone last first.
   */
  it('agrees with a brute-force reversal of the order of dependency', () => {
    const permutations = (n: number): number[][] =>
      n === 0
        ? [[]]
        : permutations(n - 1).flatMap(p =>
            Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]),
          )
    const arrangement = fc.integer({ min: 1, max: 6 }).chain(n =>
      fc.record({
        // Each thing may lie behind one of the things recorded before it.
        behind: fc.tuple(
          ...Array.from({ length: n }, (_, i) =>
            i === 0 ? fc.constant(null) : fc.option(fc.integer({ min: 0, max: i - 1 })),
          ),
        ),
        order: fc.shuffledSubarray(
          Array.from({ length: n }, (_, i) => i),
          { minLength: n, maxLength: n },
        ),
      }),
    )
    fc.assert(
      fc.property(arrangement, ({ behind, order }) => {
        const items: LogEntry[] = []
        for (const b of behind)
          items.push(marked({ name: `thing ${items.length}`, behind: b === null ? null : items[b]!.id }))
        const log = [...items, ...order.map(i => undone(items[i]!))]
        const ours = list(log).steps.map(s => items.findIndex(x => x.id === s.recorded.entry.id))

        const allowed = permutations(behind.length).filter(p =>
          behind.every((b, i) => b === null || p.indexOf(i) < p.indexOf(b)),
        )
        const age = (p: number[]) => p.map(i => order.length - order.indexOf(i))
        const best = allowed.sort((p, q) => {
          const [a, b] = [age(p), age(q)]
          const at = a.findIndex((x, k) => x !== b[k])
          return at < 0 ? 0 : a[at]! - b[at]!
        })[0]
        expect(ours).toEqual(best)
        // Undone from the front to the back, the way back is its exact reverse.
        if (behind.every((b, i) => b === null || order.indexOf(b) < order.indexOf(i)))
          expect(ours).toEqual([...order].reverse())
      }),
      { numRuns: 300 },
    )
  })
})
