import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError } from '../../../src/base/errors'
import {
  blameBench,
  classesOf,
  DISK_FAMILIES,
  familyOf,
  poolReads,
  readBlameCsv,
  readsOnLog,
  whoIsToBlame,
  type ReferenceDisk,
} from '../../../src/proof'
import { MECHANISM_IDS } from '../../../src/drives'
import { entry, NO_FACTS } from '../../log'

const HEAD = 'disk,writer,drive,head,zone,good,sectors\n'

describe('a bench as CSV', () => {
  it('reads disks, writers and drives by their names; an empty writer is nobody known', () => {
    const t = readBlameCsv(
      `${HEAD}A,R1,R1,0,outer,9,9\r\nA,R1,R2,1,inner,3,9\r\n"B, big",,R1,0,middle,9,9\r\n`,
      'bench.csv',
    )
    expect(t.disks).toEqual([
      { id: 'A', name: 'A', writer: 'R1' },
      { id: 'B, big', name: 'B, big', writer: null },
    ])
    expect(t.drives).toEqual([
      { id: 'R1', name: 'R1', heads: 1 },
      { id: 'R2', name: 'R2', heads: 2 },
    ])
    expect(t.reads[1]).toEqual({ disk: 'A', drive: 'R2', head: 1, zone: 'inner', good: 3, sectors: 9, source: 'host' })
    expect(whoIsToBlame(t.reads, t.disks, t.drives).failing).toBe(1)
  })
  it.each([
    ['disk,drive\n', /line 1: the column writer is missing/],
    [`${HEAD}A,,R,2,outer,9,9`, /line 2: there is no head “2”/],
    [`${HEAD}A,,R,0,rim,9,9`, /no zone “rim”/],
    [`${HEAD}A,,R,0,outer,10,9`, /“10” of 9 sectors cannot have read/],
    [`${HEAD}A,,R,0,outer,9,0`, /“0” is not a number of sectors/],
    [`${HEAD}A,,R,0,outer,,9`, /“” of 9 sectors/],
    [`${HEAD},,R,0,outer,9,9`, /the disk has no name/],
    [`${HEAD}A,,,0,outer,9,9`, /the drive has no name/],
    [`${HEAD}A,x,R,0,outer,9,9\nA,y,R,0,outer,9,9`, /line 3: two writers are given for A: “x” and “y”/],
    [`${HEAD}A,,R,0,outer`, /./],
    [`${HEAD.trim()},source\nA,,R,0,outer,9,9,rumour\n`, /line 2: there is no source “rumour”/],
  ])('%j is refused with its line', (text, says) => {
    expect(() => readBlameCsv(text, 'bench.csv')).toThrow(says)
  })
  it('takes any text without a fault of its own', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.boolean(), (text, headed) => {
        try {
          readBlameCsv(headed ? HEAD + text : text, 'x.csv')
        } catch (error) {
          expect(error).toBeInstanceOf(InputError)
        }
      }),
      { numRuns: 300 },
    )
  })
})

describe('reads on the log', () => {
  const counted = entry({
    id: 'c',
    data: {
      type: 'cross-read',
      disk: 'd',
      places: [
        { head: 0, zone: 'outer', good: 8, sectors: 9 },
        { head: 1, zone: 'inner', good: 0, sectors: 9 },
      ],
    },
  })
  // 80 cylinders of the lower head, nine sectors each; inside two of nine fail.
  const bars = Array.from({ length: 80 }, (_, cylinder) => ({
    cylinder,
    head: 0 as const,
    margin: 0.4,
    good: cylinder >= 60 ? 7 : 9,
    bad: cylinder >= 60 ? 2 : 0,
    missing: 0,
    wrongCylinder: 0,
  }))
  const real = { id: 'r', simulated: false }
  const surface = (part: object) =>
    entry({
      id: 's',
      data: {
        type: 'read-test',
        bars,
        surface: NO_FACTS,
        captureSha: null,
        captureName: null,
        read: null,
        simulated: null,
        disk: 'd',
        ...part,
      },
    })

  it('come from counts by hand and from read tests, by thirds of the surface', () => {
    expect(readsOnLog(real, [counted])).toEqual([
      { disk: 'd', drive: 'r', head: 0, zone: 'outer', good: 8, sectors: 9, source: 'host' },
      { disk: 'd', drive: 'r', head: 1, zone: 'inner', good: 0, sectors: 9, source: 'host' },
    ])
    const reads = readsOnLog(real, [surface({})])
    expect(reads.map(r => r.zone)).toEqual(['outer', 'middle', 'inner'])
    expect(reads.reduce((n, r) => n + r.sectors, 0)).toBe(720)
    expect(reads[2]).toMatchObject({ good: 26 * 9 - 40, sectors: 26 * 9 })
  })
  it('leave out what was taken back, what names no disk, and what the simulated drive read, but for a simulated one', () => {
    expect(readsOnLog(real, [counted, entry({ id: 't', kind: 'taken-back', takesBack: 'c' })])).toEqual([])
    expect(readsOnLog(real, [surface({ disk: null })])).toEqual([])
    const simulated = surface({ simulated: { mechanism: '3.5in', story: 'sound' } })
    expect(readsOnLog(real, [simulated])).toEqual([])
    expect(readsOnLog({ ...real, simulated: true }, [simulated])).toHaveLength(3)
  })
  it('make a bench: writers of ours by their drive, others by name, what the logs say of speed', () => {
    const disk = (id: string, part: Partial<ReferenceDisk>): ReferenceDisk => ({
      id,
      name: id,
      mechanism: '3.5in',
      writtenBy: null,
      writer: '',
      writtenAt: '2026-01-01',
      proof: 'none',
      provedBy: null,
      ...part,
    })
    const fast = entry({
      id: 'f',
      call: { kind: 'nudge', reasons: ['x'], next: 'y' },
      data: { type: 'speed', rpm: 309 } as never,
    })
    const bench = blameBench(
      [disk('d', { writtenBy: 'r' }), disk('e', { writer: ' the office ' }), disk('g', { writtenBy: 'elsewhere' })],
      [
        { id: 'r', tag: 'R', simulated: false, mechanism: '3.5in', log: [counted, fast] },
        { id: 'q', tag: 'Q', simulated: false, mechanism: '5.25in-96', heads: 1, log: [] },
      ],
      id => id === 'd',
    )
    expect(bench.disks.map(d => [d.writer, d.trusted])).toEqual([
      ['r', true],
      ['the office', false],
      [null, false],
    ])
    expect(bench.drives[0]).toMatchObject({ heads: 2, speed: 'off', clean: false })
    expect(bench.drives[1]).toMatchObject({ heads: 1, speed: null, trackUm: 155 })
    expect(bench.reads).toHaveLength(2)
  })
})

describe('families of disks', () => {
  it('hold every class once', () => {
    expect(DISK_FAMILIES.flatMap(classesOf).sort()).toEqual([...MECHANISM_IDS].sort())
    for (const id of MECHANISM_IDS) expect(classesOf(familyOf(id))).toContain(id)
  })
  it('pool keeps tries of one place together, whatever their order', () => {
    const pooled = poolReads(
      [
        { disk: 'a', drive: 'r', head: 0, zone: 'outer', good: 2, sectors: 9 },
        { disk: 'a', drive: 'r', head: 0, zone: 'outer', good: 9, sectors: 9, source: 'recording' },
      ],
      [{ id: 'a', name: 'a', writer: null }],
      [{ id: 'r', name: 'r', heads: 1 }],
    )
    expect(pooled).toEqual([
      {
        disk: 0,
        drive: 0,
        head: 0,
        zone: 0,
        tries: 2,
        good: 9,
        sectors: 9,
        contradictory: true,
        sources: ['host', 'recording'],
      },
    ])
  })
})

describe('an empty bench', () => {
  it('is answered, with or without drives: nothing was read yet', () => {
    for (const drives of [[], [{ id: 'a', name: 'A', mechanism: '3.5in', heads: 2 }]] as never[][])
      expect(whoIsToBlame([], [], drives)).toMatchObject({ blamed: [], places: 0, call: { kind: 'unknown' } })
  })
})
