import type { Seals } from '../../../src/findings'
import { describe, expect, it } from 'vitest'
import {
  whoIsToBlame,
  ZONE_NAMES,
  type BlameDisk,
  type BlameDrive,
  type BlameRead,
  type ZoneName,
} from '../../../src/proof'

const drive = (id: string, more: Partial<BlameDrive> = {}): BlameDrive => ({ id, name: id, heads: 2, ...more })
const disk = (id: string, writer: string | null, more: Partial<BlameDisk> = {}): BlameDisk => ({
  id,
  name: id,
  writer,
  ...more,
})
type Share = (disk: string, drive: string, head: 0 | 1, zone: ZoneName) => number

/** Every disk in every drive, as many of nine sectors as a share says. */
function bench(disks: readonly BlameDisk[], drives: readonly BlameDrive[], share: Share): BlameRead[] {
  return disks.flatMap(d =>
    drives.flatMap(r =>
      ([0, 1] as const).flatMap(head =>
        ZONE_NAMES.map((zone): BlameRead => ({
          disk: d.id,
          drive: r.id,
          head,
          zone,
          sectors: 9,
          good: Math.round(9 * share(d.id, r.id, head, zone)),
        })),
      ),
    ),
  )
}
const DRIVES = ['A', 'B', 'C'].map(id => drive(id))
const DISKS = [disk('one', 'duplicator'), disk('two', 'A'), disk('three', 'B')]

describe('who is to blame, where a seasoned hand knows it', () => {
  it('a disk that fails in every drive, others being read there, is bad', () => {
    const { blamed, call } = whoIsToBlame(
      bench(DISKS, DRIVES, d => (d === 'two' ? 0.3 : 1)),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'disk-bad', who: 'two', disk: 'two' })
    expect(blamed[0]!.probability).toBeGreaterThan(0.9)
    expect(call).toMatchObject({ kind: 'mend', next: 'Save what it holds, and retire it.' })
  })

  it('one place of one disk is a bad spot, and no drive is touched for it', () => {
    const { blamed, call } = whoIsToBlame(
      bench(DISKS, DRIVES, (d, _, head, zone) => (d === 'one' && head === 1 && zone === 'middle' ? 0.3 : 1)),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'disk-spot', who: 'one', where: 'side 1, middle' })
    expect(call.kind).toBe('leave')
  })

  it('a head that fails worst inside, on every disk, is dirty (common practice: short waves go first)', () => {
    const { blamed, call } = whoIsToBlame(
      bench(DISKS, DRIVES, (_, r, head, zone) =>
        r === 'C' && head === 0 ? { outer: 0.9, middle: 0.7, inner: 0.3 }[zone] : 1,
      ),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'head-dirty', who: 'C', where: 'lower head' })
    expect(call).toMatchObject({ kind: 'mend' })
    expect(call.next).toMatch(/^Clean it/)
  })

  it('a head that reads nothing at all is dead', () => {
    const { blamed } = whoIsToBlame(
      bench(DISKS, DRIVES, (_, r, head) => (r === 'B' && head === 1 ? 0 : 1)),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'head-dead', who: 'B', where: 'upper head' })
  })

  // Common practice, no source: a head knocked wholly beside its track reads nothing of other drives' disks, and all of
  // its own writing. Until its own writing was read it is not known to be dead.
  it('a head that reads nothing of other drives’ disks may be wholly beside its track', () => {
    const foreign = DISKS.filter(d => d.writer !== 'B')
    const nothing = bench(foreign, DRIVES, (_, r, head) => (r === 'B' && head === 1 ? 0 : 1))
    const share = (cause: string, seals?: Seals) => {
      const drives = DRIVES.map(d => (d.id === 'B' ? { ...d, seals } : d))
      return (
        whoIsToBlame(nothing, foreign, drives).blamed.find(b => b.cause === cause && b.who === 'B')?.probability ?? 0
      )
    }
    expect(share('head-dead')).toBeLessThan(0.9)
    expect(share('head-off')).toBeGreaterThan(0.1)
    // The seal of its screws is evidence, as it is for whether alignment may be touched.
    expect(share('head-off', { upper: 'broken' })).toBeGreaterThan(share('head-dead', { upper: 'broken' }))
    expect(share('head-off', { upper: 'whole' })).toBeLessThan(0.06)
    const own = bench(DISKS, DRIVES, (d, r, head) => ((r === 'B') !== (d === 'three') && head === 1 ? 0 : 1))
    expect(whoIsToBlame(own, DISKS, DRIVES).blamed[0]).toMatchObject({ cause: 'head-off', who: 'B' })
  })

  it('a drive that reads its own disk and no other, and whose disk no other reads, stands off track or runs off speed; its speed tells which', () => {
    const odd: Share = (d, r) => ((r === 'B') !== (d === 'three') ? 0.4 : 1)
    const open = whoIsToBlame(bench(DISKS, DRIVES, odd), DISKS, DRIVES)
    expect(open.call.kind).toBe('nudge')
    expect(open.call.reasons[0]).toContain('B')
    const right = whoIsToBlame(bench(DISKS, DRIVES, odd), DISKS, [
      DRIVES[0]!,
      drive('B', { speed: 'right' }),
      DRIVES[2]!,
    ])
    expect(right.blamed[0]).toMatchObject({ cause: 'drive-off', who: 'B' })
    const fast = whoIsToBlame(bench(DISKS, DRIVES, odd), DISKS, [DRIVES[0]!, drive('B', { speed: 'off' }), DRIVES[2]!])
    expect(fast.blamed[0]).toMatchObject({ cause: 'drive-speed', who: 'B' })
  })

  it('one head of it alone is that head', () => {
    const { blamed } = whoIsToBlame(
      bench(DISKS, DRIVES, (d, r, head) => (head === 1 && (r === 'A') !== (d === 'two') ? 0.4 : 1)),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'head-off', who: 'A', where: 'upper head' })
  })

  it('disks of one foreign writer that fail everywhere have a writer that was off; the drives are left alone', () => {
    const disks = [
      disk('p', 'the old machine'),
      disk('q', 'the old machine'),
      disk('r', 'the old machine'),
      disk('one', 'duplicator'),
      disk('two', 'A'),
    ]
    const { blamed, call } = whoIsToBlame(
      bench(disks, DRIVES, d => ('pqr'.includes(d) ? 0.4 : 1)),
      disks,
      DRIVES,
    )
    expect(blamed.filter(b => b.cause.startsWith('writer-')).reduce((n, b) => n + b.probability, 0)).toBeGreaterThan(
      0.75,
    )
    expect(blamed[0]!.who).toBe('the old machine')
    expect(blamed.some(b => b.drive !== null && b.probability > 0.2)).toBe(false)
    expect(['leave', 'unknown']).toContain(call.kind)
  })

  it('a disk that fails outside a little and inside altogether, in every drive, is of another density', () => {
    const { blamed } = whoIsToBlame(
      bench(DISKS, DRIVES, (d, _r, _h, zone) => (d === 'one' ? { outer: 0.8, middle: 0.5, inner: 0.1 }[zone] : 1)),
      DISKS,
      DRIVES,
    )
    expect(blamed[0]).toMatchObject({ cause: 'disk-density', who: 'one' })
  })

  it('a disk that narrow heads read and wide ones do not was written narrow over wide (common practice)', () => {
    const drives = [
      drive('W1', { trackUm: 330 }),
      drive('W2', { trackUm: 330 }),
      drive('N1', { trackUm: 160 }),
      drive('N2', { trackUm: 160 }),
    ]
    const disks = [disk('mixed', 'N1'), disk('own', 'W1'), disk('sold', 'duplicator')]
    const { blamed, call } = whoIsToBlame(
      bench(disks, drives, (d, r) => (d === 'mixed' && r.startsWith('W') ? 0.3 : 1)),
      disks,
      drives,
    )
    expect(blamed[0]).toMatchObject({ cause: 'disk-narrow', who: 'mixed' })
    expect(call.kind).toBe('leave')
  })

  it('finds two faults at once, the drive’s first', () => {
    const { call } = whoIsToBlame(
      bench(DISKS, DRIVES, (d, r, head) => (d === 'two' ? 0.3 : 1) * (r === 'C' && head === 0 ? 0 : 1)),
      DISKS,
      DRIVES,
    )
    expect(call.reasons[0]).toMatch(/^It is C, lower head: a dead head.*And a bad disk \(two\)/)
  })
})

describe('rules of fairness', () => {
  const four = bench(DISKS.slice(0, 2), DRIVES.slice(0, 2), () => 1)

  it('says so where nothing fails, and where nothing was read', () => {
    expect(whoIsToBlame(four, DISKS, DRIVES).call).toMatchObject({ kind: 'leave' })
    expect(whoIsToBlame([], DISKS, DRIVES).call).toMatchObject({
      kind: 'unknown',
      next: 'Read two disks in two drives.',
    })
  })

  it('condemns nothing for one failure, and says what to read next', () => {
    const one = whoIsToBlame([{ disk: 'one', drive: 'A', head: 0, zone: 'inner', good: 0, sectors: 9 }], DISKS, DRIVES)
    expect(one.call.kind).toBe('unknown')
    expect(one.call.reasons[0]).toContain('One failure is not enough evidence.')
    expect(one.call.next).toMatch(/^Try once more what failed\. Read .+ in .+: that tells most\.$/)
  })

  it('what reads at the second try is there: the place does not fail, but the contradiction is named', () => {
    const twice = whoIsToBlame(
      [...four, { disk: 'one', drive: 'A', head: 0, zone: 'inner', good: 1, sectors: 9 }],
      DISKS,
      DRIVES,
    )
    expect(twice.failing).toBe(0)
    expect(twice.contradictions).toEqual(['one in A, lower head, inner'])
    expect(twice.call).toMatchObject({ kind: 'unknown', next: 'Wiggle each wire while it reads; look at the clamp.' })
  })

  it('a disk whose writer nobody knows is suspected more than one of a known writer', () => {
    const fails: Share = d => (d === 'x' ? 0.4 : 1)
    const of = (writer: string | null, trusted = false) => {
      const disks = [disk('x', writer, { trusted }), ...DISKS]
      return whoIsToBlame(bench(disks, DRIVES, fails), disks, DRIVES)
        .blamed.filter(b => b.cause.startsWith('writer-'))
        .reduce((n, b) => n + b.probability, 0)
    }
    expect(of(null)).toBeGreaterThan(of('a proved drive', true))
  })

  it('does not call a head dirty that was just cleaned as soon as one that was not', () => {
    const reads = bench(DISKS.slice(0, 1), DRIVES.slice(0, 1), (_d, _r, head, zone) =>
      head === 0 ? { outer: 0.9, middle: 0.7, inner: 0.3 }[zone] : 1,
    )
    const dirty = (clean: boolean) =>
      whoIsToBlame(reads, DISKS, [drive('A', { clean }), ...DRIVES.slice(1)]).blamed.find(b => b.cause === 'head-dirty')
        ?.probability ?? 0
    expect(dirty(true)).toBeLessThan(dirty(false) * 0.6)
  })

  it('ignores reads of disks and drives that are not of the bench, and reads of nothing', () => {
    const answer = whoIsToBlame(
      [
        ...four,
        { disk: 'gone', drive: 'A', head: 0, zone: 'outer', good: 0, sectors: 9 },
        { disk: 'one', drive: 'A', head: 0, zone: 'outer', good: 0, sectors: 0 },
      ],
      DISKS,
      DRIVES,
    )
    expect(answer).toMatchObject({ failing: 0, places: 24 })
  })
})
