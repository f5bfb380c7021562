import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { poolParts, readBox, type Box, type BoxDrive, type PartCondition } from '../../../src/bench/pool'

const drive = (id: string, parts: Record<string, PartCondition>, part: Partial<BoxDrive> = {}): BoxDrive => ({
  id,
  mechanism: '3.5in',
  model: 'Fennick 310',
  value: 10,
  inUse: false,
  parts,
  ...part,
})
const box = (drives: readonly BoxDrive[], part: Partial<Box> = {}): Box => ({
  drives,
  mayTakeFromUsed: [],
  moves: {},
  ...part,
})
const mayGive = (b: Box, d: BoxDrive) => !d.inUse || b.mayTakeFromUsed.includes(d.id)

/**
 * Value, moves and minutes of the best of all sets of drives, each tried: a set works where each kind of part is there
 * often enough, its own parts of drives that may not give being there for them alone.
 */
function bruteForce(b: Box): [value: number, moves: number, minutes: number] {
  let best: [number, number, number] = [0, 0, 0]
  for (let set = 0; set < 1 << b.drives.length; set++) {
    const inSet = b.drives.filter((_, i) => set & (1 << i))
    let [moves, minutes] = [0, 0]
    const works = inSet.every(d =>
      Object.keys(d.parts).every(part => {
        const like = b.drives.filter(o => o.model === d.model && o.mechanism === d.mechanism)
        const shared = like.filter(o => mayGive(b, o) && o.parts[part] === 'good').length
        const wanting = inSet.filter(
          o => like.includes(o) && part in o.parts && (mayGive(b, o) || o.parts[part] !== 'good'),
        ).length
        if (d.parts[part] !== 'good') {
          moves++
          minutes += b.moves[part] ?? 0
        }
        return wanting <= shared || (!mayGive(b, d) && d.parts[part] === 'good')
      }),
    )
    if (!works) continue
    const value = inSet.reduce((sum, d) => sum + d.value, 0)
    if (value > best[0] || (value === best[0] && (moves < best[1] || (moves === best[1] && minutes < best[2]))))
      best = [value, moves, minutes]
  }
  return best
}

/** What is wrong with an answer: a part that is not good, taken twice, or taken from where it may not be. */
function faultsOf(b: Box, pool: ReturnType<typeof poolParts>): string[] {
  const of = new Map(b.drives.map(d => [d.id, d]))
  const faults: string[] = []
  const taken = new Set<string>()
  for (const { drive: id, from } of pool.works) {
    const d = of.get(id)!
    for (const [part, condition] of Object.entries(d.parts)) {
      const donor = from[part]
      if (donor === undefined && condition !== 'good') faults.push(`${id} has no good ${part}`)
      if (donor === undefined) continue
      const key = `${donor} ${part}`
      if (taken.has(key)) faults.push(`${key} is fitted twice`)
      taken.add(key)
      const giver = of.get(donor)!
      if (giver.parts[part] !== 'good' || giver.model !== d.model) faults.push(`${key} does not serve`)
      if (!mayGive(b, giver)) faults.push(`${donor} is in use`)
      if (pool.works.some(w => w.drive === donor)) faults.push(`${donor} works and gives`)
    }
  }
  return faults
}

const conditions = fc.constantFrom<PartCondition>('good', 'good', 'bad', 'unknown')
const boxes = fc
  .record({
    drives: fc.array(
      fc.record({
        model: fc.constantFrom('A', 'B'),
        value: fc.integer({ min: 0, max: 5 }),
        inUse: fc.boolean(),
        parts: fc.dictionary(fc.constantFrom('motor', 'belt', 'heads', 'gear', 'board'), conditions, { minKeys: 1 }),
      }),
      { minLength: 1, maxLength: 8 },
    ),
    allowed: fc.array(fc.nat(7)),
    moves: fc.dictionary(fc.constantFrom('motor', 'belt', 'heads'), fc.integer({ min: 1, max: 30 })),
  })
  .map(({ drives, allowed, moves }) =>
    box(
      drives.map((d, i) => drive(`d${i}`, { ...d.parts }, d)),
      { mayTakeFromUsed: allowed.filter(i => i < drives.length).map(i => `d${i}`), moves: { ...moves } },
    ),
  )

describe('which of these make one', () => {
  it('is the best of all choices, against every set of drives', () => {
    fc.assert(
      fc.property(boxes, b => {
        const pool = poolParts(b)
        expect(faultsOf(b, pool)).toEqual([])
        const moved = pool.works.reduce((n, w) => n + Object.keys(w.from).length, 0)
        expect([pool.value, moved, pool.minutes]).toEqual(bruteForce(b))
        expect(pool.proved).toBe(true)
        const givers = pool.works.flatMap(w => Object.values(w.from))
        expect(new Set(pool.donors)).toEqual(new Set(givers))
      }),
      { numRuns: 400 },
    )
  })

  it('says where each part comes from, and which drive stays as a donor', () => {
    const pool = poolParts(
      box([
        drive('A', { housing: 'good', motor: 'bad', gear: 'good' }, { value: 40 }),
        drive('B', { housing: 'bad', motor: 'good', gear: 'bad' }, { value: 30 }),
        drive('C', { housing: 'good', motor: 'bad', gear: 'unknown' }, { value: 20 }),
      ]),
    )
    expect(pool).toMatchObject({ works: [{ drive: 'A', from: { motor: 'B' } }], donors: ['B'], left: ['C'] })
    expect(pool.says).toContain('A can be made to work with the motor of B.')
    expect(pool.says).toContain('C stays as a donor.')
  })

  it('takes nothing from a drive in use unless that is allowed, and never a part that nobody tested', () => {
    const drives = [
      drive('A', { motor: 'bad', gear: 'good' }, { value: 50 }),
      drive('B', { motor: 'good', gear: 'good' }, { value: 20, inUse: true }),
      drive('C', { motor: 'unknown', gear: 'good' }, { value: 5 }),
    ]
    expect(poolParts(box(drives)).works.map(w => w.drive)).toEqual(['B'])
    const allowed = poolParts(box(drives, { mayTakeFromUsed: ['B'] }))
    expect(allowed.works).toEqual([{ drive: 'A', from: { motor: 'B' } }])
    expect(allowed.says).toContain('B is in use and gives a part: that is owed.')
  })

  it('refuses a box that cannot be meant, with the field', () => {
    const good = { drives: [{ ...drive('A', { motor: 'good' }) }] }
    expect(readBox(good).drives[0]!.id).toBe('A')
    const said = (input: unknown) => {
      try {
        readBox(input)
        return null
      } catch (error) {
        return (error as Error).message
      }
    }
    expect(said({ drives: [drive('A', {}), drive('A', {})] })).toContain('“A” is there twice')
    expect(said({ ...good, mayTakeFromUsed: ['B'] })).toContain('no drive “B”')
    expect(said({ drives: [{ ...drive('A', {}), mechanism: '3.5inch' }] })).toContain('drives[0].mechanism')
    expect(said({ drives: [drive('A', { motor: 'fine' as never })] })).toContain('good, bad, unknown')
    for (const strange of [null, [], 7, { drives: 1 }, { drives: [null] }, { ...good, moves: { motor: -1 } }])
      expect(said(strange)).toMatch(/expected/)
  })
})
