import { describe, expect, it } from 'vitest'
import { judgeCalculator } from '../../../src/calculators/calculator'
import {
  ASPECT_IDS,
  ASPECTS,
  inferStraps,
  nextStrap,
  rightWhile,
  strapsCalculator,
  type AspectId,
  type Needs,
  type StrapTry,
} from '../../../src/calculators/electronics/straps'
import { HOSTS } from '../../../src/drives/hosts'
import { Random } from '../../../src/simulator/random'

/** A drive board as somebody wired it: for each aspect a strap with the position in which it is right, or none. */
type Board = Readonly<Record<AspectId, { strap: number; set: boolean } | { always: boolean }>>

const isRight = (board: Board, aspect: AspectId, set: readonly boolean[]): boolean => {
  const by = board[aspect]
  return 'always' in by ? by.always : set[by.strap] === by.set
}

/**
 * The same belief by going through every board one by one: another way to the same sums, written from the prose of the
 * model (each aspect by a strap of its own or by none; READY and DISK CHANGE by one strap in opposite positions half of
 * the time; three answers in a hundred are wrong).
 */
function byEveryBoard(straps: number, tries: readonly StrapTry[], asked: AspectId, set: readonly boolean[]): number {
  const SLIP = 0.03
  const ids = ASPECT_IDS
  let [all, right] = [0, 0]
  const weigh = (board: Partial<Record<AspectId, Board[AspectId]>>, prior: number) => {
    let p = prior
    for (const t of tries)
      for (const a of ids) {
        const seen = t.seen[a]
        if (seen !== undefined) p *= isRight(board as Board, a, t.set) === seen ? 1 - SLIP : SLIP
      }
    all += p
    if (isRight(board as Board, asked, set)) right += p
  }
  const go = (at: number, used: readonly number[], board: Partial<Record<AspectId, Board[AspectId]>>, p: number) => {
    if (at === ids.length) return weigh(board, p)
    const a = ids[at]!
    if (board[a]) return go(at + 1, used, board, p)
    const { governed, sound } = ASPECTS[a]
    const whileSet = a === 'select' ? 0.9 : 0.5
    for (const always of [true, false])
      go(at + 1, used, { ...board, [a]: { always } }, p * (1 - governed) * (always ? sound : 1 - sound))
    for (let strap = 0; strap < straps; strap++)
      if (!used.includes(strap))
        for (const s of [true, false])
          go(
            at + 1,
            [...used, strap],
            { ...board, [a]: { strap, set: s } },
            (p * governed * (s ? whileSet : 1 - whileSet)) / straps,
          )
  }
  go(0, [], {}, 0.5)
  for (let strap = 0; strap < straps; strap++)
    for (const s of [true, false])
      go(0, [strap], { ready: { strap, set: s }, change: { strap, set: !s } }, (0.5 * 0.5) / straps)
  return right / all
}

describe('what straps may mean', () => {
  it('agrees with going through every board one by one', () => {
    const random = new Random(4)
    for (const straps of [1, 2, 3])
      for (let n = 0; n < 4; n++) {
        const tries = Array.from({ length: n }, (): StrapTry => ({
          set: Array.from({ length: straps }, () => random.next() < 0.5),
          seen: Object.fromEntries(
            ASPECT_IDS.filter(() => random.next() < 0.5).map(a => [a, random.next() < 0.5]),
          ) as StrapTry['seen'],
        }))
        const belief = inferStraps(straps, tries)
        const set = Array.from({ length: straps }, () => random.next() < 0.5)
        for (const a of ['select', 'ready', 'change', 'lines'] as const)
          expect(rightWhile(belief[a], set)).toBeCloseTo(byEveryBoard(straps, tries, a, set), 9)
      }
  })
  it('stays a probability with twelve straps and many tries', () => {
    const tries: StrapTry[] = Array.from({ length: 20 }, (_, i) => ({
      set: Array.from({ length: 12 }, (_, s) => s === i % 12),
      seen: { select: i % 12 === 5, motor: true, ready: i !== 7 },
    }))
    const belief = inferStraps(12, tries)
    for (const a of ASPECT_IDS) {
      const d = belief[a]
      const sum = [...d.bySet, ...d.byOpen].reduce((x, y) => x + y, 0) + d.alwaysRight + d.neverRight
      expect(sum).toBeCloseTo(1, 9)
    }
    expect(belief.select.bySet[5]).toBeGreaterThan(0.9)
  })
})

describe('which strap to move next', () => {
  const needs: Needs = {
    select: 'needed',
    motor: 'needed',
    ready: 'unused',
    change: 'needed',
    density: 'unused',
    heads: 'unused',
    lines: 'unused',
  }
  /** A board with what is needed behind straps, and how it stood. */
  function drawn(random: Random, straps: number): { board: Board; found: boolean[] } {
    const free = Array.from({ length: straps }, (_, s) => s)
    const take = () => free.splice(Math.floor(random.next() * free.length), 1)[0]!
    const set = () => random.next() < 0.5
    const [select, motor, pin] = [take(), take(), take()]
    const board: Board = {
      select: { strap: select, set: true },
      motor: { strap: motor, set: set() },
      ready: { strap: pin, set: set() },
      change: { strap: pin, set: set() },
      density: { always: true },
      heads: { always: true },
      lines: { always: true },
    }
    return { board, found: Array.from({ length: straps }, () => random.next() < 0.4) }
  }
  const looked = (board: Board, set: readonly boolean[]): StrapTry => ({
    set,
    seen: Object.fromEntries(
      (['select', 'motor', 'change'] as const).map(a => [a, isRight(board, a, set)]),
    ) as StrapTry['seen'],
  })
  /** @returns tries until it serves; `most` where it never does */
  function byAdvice(board: Board, found: boolean[], most: number): number {
    const tries = [looked(board, found)]
    while (tries.length < most) {
      const advice = nextStrap(inferStraps(found.length, tries), tries, needs)
      if (advice.kind === 'serves') return tries.length
      if (advice.kind !== 'move') return most
      tries.push(looked(board, advice.set))
    }
    return most
  }
  /** One strap after the other from left to right, back where it did not help. */
  function inOrder(board: Board, found: boolean[], most: number): number {
    let [at, n] = [[...found], 1]
    const good = (set: readonly boolean[]) => Object.values(looked(board, set).seen).filter(Boolean).length
    for (let round = 0; round < 3; round++)
      for (let s = 0; s < found.length; s++) {
        if (good(at) === 3 || n >= most) return n
        const flipped = at.map((x, i) => (i === s ? !x : x))
        n++
        if (good(flipped) > good(at)) at = flipped
      }
    return n
  }
  it('comes to a setting that serves on most hidden boards, in no more tries than going from left to right', () => {
    const random = new Random(11)
    const boards = Array.from({ length: 60 }, () => drawn(random, 6))
    const [mine, plain] = [byAdvice, inOrder].map(way => boards.map(b => way(b.board, b.found, 14)))
    const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length
    expect(mine!.filter(n => n < 14).length).toBeGreaterThan(54)
    expect(mean(mine!)).toBeLessThanOrEqual(mean(plain!))
  })
  it('moves one strap, puts back what did not help, and says when none will', () => {
    const at = (set: boolean[], seen: StrapTry['seen']): StrapTry => ({ set, seen })
    const first = [at([false, false, false], { select: true, motor: true, change: false })]
    const one = nextStrap(inferStraps(3, first), first, needs)
    if (one.kind !== 'move') throw new Error(one.kind)
    expect(one.set.filter((x, s) => x !== first[0]!.set[s])).toHaveLength(1)
    const two = [...first, at([...one.set], { select: true, motor: true, change: false })]
    const next = nextStrap(inferStraps(3, two), two, needs)
    if (next.kind !== 'move') throw new Error(next.kind)
    expect(next.back).toEqual([one.strap])
    expect(next.strap).not.toBe(one.strap)
    const three = [...two, at([...next.set], { select: true, motor: true, change: false })]
    const third = nextStrap(inferStraps(3, three), three, needs)
    if (third.kind !== 'move') throw new Error(third.kind)
    const all = [...three, at([...third.set], { select: true, motor: true, change: false })]
    expect(nextStrap(inferStraps(3, all), all, needs)).toMatchObject({ kind: 'none', missed: ['change'] })
    expect(nextStrap(inferStraps(3, []), [], needs)).toEqual({ kind: 'look' })
  })
})

describe('the calculator of unknown straps', () => {
  const judge = (typed: Record<string, string>) => judgeCalculator(strapsCalculator, typed).result!
  it('asks for a first look, moves one strap with the way back, and leaves them once all is right', () => {
    expect(judge({ straps: 'A, B' }).call.kind).toBe('unknown')
    const moved = judge({ straps: 'A B C', 'tries.0.set': 'none', 'tries.0.select': 'never' })
    expect(moved.call).toMatchObject({
      kind: 'nudge',
      next: expect.stringMatching(/^Power off\. Set A.*way back: A open/),
    })
    const done = judge({ straps: 'A B C', 'tries.0.set': 'a', 'tries.0.select': 'right', 'tries.0.motor': 'right' })
    expect(done.call).toMatchObject({ kind: 'leave', next: expect.stringContaining('A set, the rest open') })
  })
  it('tells what a host needs from what only some programs notice', () => {
    const host = HOSTS.findIndex(h => h.needs.some(n => n.id === 'disk-change' && n.weight === 'notice'))
    const typed = { straps: 'A', 'tries.0.set': 'A', 'tries.0.select': 'right', 'tries.0.motor': 'right' }
    const tried = { ...typed, 'tries.0.change': 'missing', 'tries.1.set': 'none', 'tries.1.change': 'missing' }
    expect(judge({ ...tried, host: String(host) }).call).toMatchObject({
      kind: 'leave',
      reasons: [expect.stringContaining('Only some programs notice: disk change')],
    })
    expect(judge(tried).call.kind).toBe('mend')
  })
  it.each([
    [{ straps: 'A, a' }, /a stands twice/],
    [{ straps: 'A B C D E F G H I J K L M' }, /13 straps.*at most 12/],
    [{ straps: 'A, B', 'tries.0.set': 'Q' }, /try 1: “Q” is not one of the straps/],
  ])('%j is refused in a sentence', (typed, says) => {
    expect(() => judge(typed as Record<string, string>)).toThrow(says)
  })
})
