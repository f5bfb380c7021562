import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import {
  chanceInMore,
  EXPECTED_SHARE,
  nextAttempts,
  readFacts,
  wearOf,
  type Attempt,
  type RescuedSector,
} from '../../../src/instruments/rescue'

const attempt = (file: string, facts: Partial<Attempt> = {}): Attempt => ({
  file,
  tracks: [],
  soft: new Map(),
  ...facts,
})

/** A sector by its readings without error, of four, in each attempt; margins as given or 0.5. */
function sector(id: number, whole: readonly number[], margins: readonly number[] = []): RescuedSector {
  const good = whole.some(w => w > 0)
  return {
    cylinder: 0,
    head: 0,
    id,
    bytes: 512,
    how: good ? 'read' : 'missing',
    state: good ? 'good' : 'bad-data',
    data: good ? new Uint8Array(512) : null,
    files: [],
    whole: whole.reduce((a, b) => a + b, 0),
    seen: whole.length * 4,
    byAttempt: whole.map((w, i) => ({ whole: w, seen: 4, margin: w ? (margins[i] ?? 0.5) : null })),
    others: 0,
  }
}
const sectors = (count: number, whole: (i: number) => readonly number[], margins?: (i: number) => readonly number[]) =>
  Array.from({ length: count }, (_, i) => sector(i, whole(i), margins?.(i)))

describe('chance of a success in more trials', () => {
  it('is 1 − B(a, b + n) / B(a, b), by an independent beta function', () => {
    for (const [a, b, n] of [
      [0.4, 3, 1],
      [0.4, 3, 8],
      [2, 5, 20],
    ] as const)
      expect(chanceInMore(a, b, n)).toBeCloseTo(1 - Math.exp(jStat.betaln(a, b + n) - jStat.betaln(a, b)), 9)
  })
  it('is nothing in no trial, and grows with each', () => {
    expect(chanceInMore(1, 1, 0)).toBe(0)
    expect(chanceInMore(1, 1, 5)).toBeGreaterThan(chanceInMore(1, 1, 4))
  })
})

describe('what promises most', () => {
  it('is nothing where nothing is missing', () => {
    expect(
      nextAttempts(
        [attempt('a')],
        sectors(9, () => [4]),
        null,
      ),
    ).toMatchObject([{ kind: 'done' }])
  })
  it('reads again where sectors come and go, less and less the oftener they failed', () => {
    const unstable = (i: number, attempts: number) => Array.from({ length: attempts }, () => (i < 5 ? 0 : 1 + (i % 3)))
    const once = nextAttempts(
      [attempt('a')],
      sectors(40, i => unstable(i, 1)),
      null,
    )
    expect(once[0]!.kind).toBe('again')
    const four = ['a', 'b', 'c', 'd'].map(f => attempt(f))
    const often = nextAttempts(
      four,
      sectors(40, i => unstable(i, 4)),
      null,
    )
    expect(often[0]!.kind).not.toBe('again')
    const again = (n: typeof once) => n.find(x => x.kind === 'again')!.expected
    expect(again(often)).toBeLessThan(again(once))
    for (const n of [...once, ...often]) expect(n.expected).toBeLessThanOrEqual(5)
  })
  it('believes less in what won nothing on this disk, more in what won', () => {
    const first = attempt('a', { drive: 'one' })
    const other = attempt('b', { drive: 'two' })
    const share = (won: boolean) => {
      const all = sectors(40, i => (i < 20 ? [4, 4] : won && i < 38 ? [0, 4] : [0, 0]))
      const open = all.filter(s => s.how === 'missing').length
      return nextAttempts([first, other], all, null).find(n => n.kind === 'other-drive')!.expected / open
    }
    expect(share(true)).toBeGreaterThan(EXPECTED_SHARE['other-drive'])
    expect(share(false)).toBeLessThan(EXPECTED_SHARE['other-drive'])
  })
  it('ends where nothing is expected of any attempt', () => {
    const many = [
      attempt('a', { drive: 'one' }),
      attempt('b', { drive: 'two' }),
      attempt('c', { drive: 'two', cleaned: true }),
      attempt('d', { drive: 'two', position: '1' }),
      attempt('e', { drive: 'two', position: '1', slower: true }),
      attempt('f', { drive: 'two', position: '1' }),
    ]
    const all = sectors(40, i => (i < 1 ? [0, 0, 0, 0, 0, 0] : [4, 4, 4, 4, 4, 4]))
    const [best] = nextAttempts(many, all, null)
    expect(best).toMatchObject({ kind: 'stop', expected: 0 })
  })
})

describe('a disk that wears', () => {
  const falling = (i: number) => [0.6 + i / 1000, 0.5 + i / 1000]
  const two = [attempt('a', { drive: 'one' }), attempt('b', { drive: 'one' })]
  it('is told by margins that fall nearly everywhere, and reading on is advised against', () => {
    const all = [...sectors(40, () => [4, 4], falling), ...sectors(2, () => [0, 0])]
    const wear = wearOf(two, all)!
    expect(wear).toMatchObject({ from: 'a', to: 'b', sectors: 40, fell: 40 })
    expect(wear.change).toBeCloseTo(-0.1, 9)
    expect(nextAttempts(two, all, wear)[0]!.kind).toBe('stop')
  })
  it('is not told by another drive, by chance, or by a small change', () => {
    const other = [two[0]!, attempt('b', { drive: 'two' })]
    expect(
      wearOf(
        other,
        sectors(40, () => [4, 4], falling),
      ),
    ).toBeNull()
    expect(
      wearOf(
        two,
        sectors(
          40,
          () => [4, 4],
          i => [0.6, i % 2 ? 0.5 : 0.7],
        ),
      ),
    ).toBeNull()
    expect(
      wearOf(
        two,
        sectors(
          40,
          () => [4, 4],
          () => [0.6, 0.59],
        ),
      ),
    ).toBeNull()
    expect(
      wearOf(
        two,
        sectors(5, () => [4, 4], falling),
      ),
    ).toBeNull()
  })
})

describe('the table of what is known of each recording', () => {
  it('gives drive, position, cleaning and speed by file', () => {
    const facts = readFacts('file,drive,position,cleaned,slower\na.vcd,SK-05,,yes,\nb.vcd,SK-08,+2,no,1\n')
    expect(facts.get('a.vcd')).toEqual({ drive: 'SK-05', position: undefined, cleaned: true, slower: false })
    expect(facts.get('b.vcd')).toEqual({ drive: 'SK-08', position: '+2', cleaned: false, slower: true })
  })
  it('refuses what it cannot read by line and column', () => {
    expect(() => readFacts('drive\nSK-05\n')).toThrow(/no column file/)
    expect(() => readFacts('file,cleaned\na.vcd,perhaps\n', 'f.csv')).toThrow(/f\.csv, line 2, cleaned: /)
  })
})
