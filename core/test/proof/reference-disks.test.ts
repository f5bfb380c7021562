import { describe, expect, it } from 'vitest'
import { chainOf, disagreements, standingOf, type DiskReading, type ReferenceDisk } from '../../src/proof'

const disk = (id: string, part: Partial<ReferenceDisk> = {}): ReferenceDisk => ({
  id,
  name: id.toUpperCase(),
  mechanism: '3.5in',
  writtenBy: null,
  writer: 'a drive',
  writtenAt: '2026-01-01',
  proof: 'none',
  provedBy: null,
  ...part,
})
const read = (
  d: string,
  drive: string,
  margin: number | null,
  good = 100,
  at = '2026-02-01',
  provenDrive = true,
): DiskReading => ({ disk: d, drive, at, good, sectors: 100, margin, source: 'recording', provenDrive })
const a = disk('a', { proof: 'instrument' })
const b = disk('b', { proof: 'disk', provedBy: 'a' })
const c = disk('c', { proof: 'disk', provedBy: 'd' })
const d = disk('d', { proof: 'disk', provedBy: 'c' })
const e = disk('e', { proof: 'disk', provedBy: 'n' })
const n = disk('n')
const all = [a, b, c, d, e, n]
const standing = (x: ReferenceDisk, readings: DiskReading[] = [], events: Parameters<typeof standingOf>[3] = []) =>
  standingOf(x, all, readings, events)

describe('what a disk rests on', () => {
  it.each([
    [a, 'standard', 1],
    [b, 'standard', 2],
    [c, 'itself', 2],
    [e, 'nothing', 2],
    [n, 'nothing', 1],
    [disk('f', { proof: 'factory' }), 'factory', 1],
  ] as const)('%o', (x, rests, links) => {
    const chain = chainOf(x, [...all, x])
    expect(chain.rests).toBe(rests)
    expect(chain.chain).toHaveLength(links)
  })
  it('only what goes back to a measurement or a duplicator is trusted', () => {
    expect(all.map(x => standing(x).trusted)).toEqual([true, true, false, false, false, false])
    expect(standing(c).call.reasons[0]).toMatch(/this is not evidence/)
    expect(standing(e).call.reasons[0]).toBe('Its chain ends at N, whose writer was not verified.')
  })
})

describe('wear', () => {
  it('a margin that falls in verified drives retires a disk; in others it may be the drive', () => {
    const falling = [read('a', 'x', 0.6), read('a', 'x', 0.45, 100, '2026-06-01')]
    expect(standing(a, falling)).toMatchObject({ trusted: false, first: 0.6, latest: 0.45, call: { kind: 'mend' } })
    expect(
      standing(
        a,
        falling.map(r => ({ ...r, provenDrive: false })),
      ).trusted,
    ).toBe(true)
    expect(standing(a, [read('a', 'x', 0.6, 98)]).call.reasons[0]).toMatch(/read 98 of its 100 sectors/)
  })
  it('counts its readings, and many of them ask for a look', () => {
    const many = standing(
      a,
      Array.from({ length: 50 }, (_, i) => read('a', 'x', 0.6, 100, `2026-03-${10 + (i % 20)}`)),
    )
    expect(many.uses).toBe(50)
    expect(many.call.kind).toBe('unknown')
  })
  it('retired by hand, and taken back', () => {
    const events = [{ disk: 'a', at: '2026-03-01', kind: 'retired' as const, detail: 'a groove' }]
    expect(standing(a, [], events)).toMatchObject({
      retired: true,
      trusted: false,
      call: { kind: 'stop', reasons: ['It was retired: a groove.'] },
    })
    expect(standing(a, [], [...events, { disk: 'a', at: '2026-03-02', kind: 'back', detail: '' }]).trusted).toBe(true)
    expect(standing(a, [], [{ disk: 'a', at: '2026-03-05', kind: 'verified', detail: '' }]).verified).toBe('2026-03-05')
  })
})

describe('two disks that disagree', () => {
  const settle = (readings: DiskReading[]) => disagreements(readings, id => id.toUpperCase())
  it('in one drive alone, nothing can be told', () => {
    expect(settle([read('a', 'x', 0.6), read('b', 'x', 0.1, 40)])).toMatchObject([
      { odd: null, call: { kind: 'unknown' } },
    ])
  })
  it('a second drive, or a third disk, settles it', () => {
    expect(
      settle([read('a', 'x', 0.6), read('b', 'x', 0.1, 40), read('a', 'y', 0.55), read('b', 'y', null, 0)])[0]!.odd,
    ).toBe('b')
    expect(
      settle([read('a', 'x', 0.6), read('b', 'x', 0.1, 40), read('c', 'x', 0.58)]).find(s => s.disks.join('') === 'ab')!
        .odd,
    ).toBe('b')
  })
  it('the latest reading counts; where they agree there is nothing to settle', () => {
    expect(settle([read('a', 'x', 0.1, 50), read('b', 'x', 0.6), read('a', 'x', 0.6, 100, '2026-03-01')])).toEqual([])
  })
  it('where each fails in another drive neither is the odd one', () => {
    expect(
      settle([read('a', 'x', 0.6), read('b', 'x', 0.1, 4), read('a', 'y', 0.1, 4), read('b', 'y', 0.6)])[0]!.odd,
    ).toBeNull()
  })
})
