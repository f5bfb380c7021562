/** The pins of a switch, in the order in which they are lettered. */
export const PINS = ['a', 'b', 'c', 'd'] as const
export type Pin = (typeof PINS)[number]
export type Pair = 'ab' | 'bc' | 'ac' | 'ad' | 'bd' | 'cd'

/** Every pair among the first `count` pins, neighbours of three pins first. */
export const pairsOf = (count: number): Pair[] =>
  (['ab', 'bc', 'ac', 'ad', 'bd', 'cd'] as const).filter(p => PINS.indexOf(p[1] as Pin) < count)

/** What joins a pair of pins: a contact that closes when pressed, one that opens, a lasting bridge, or nothing. */
export type Joined = 'normally closed' | 'normally open' | 'always' | 'never' | 'not known'

export interface Contacts {
  readonly joined: ReadonlyMap<Pair, Joined>
  /** Pairs that were read as open although others join them, in words of state and pair. */
  readonly contradictions: readonly { readonly when: 'rest' | 'pressed'; readonly pair: Pair }[]
  /** The readings that are still needed: the pairs of each state that nothing settles yet. */
  readonly open: readonly { readonly when: 'rest' | 'pressed'; readonly pair: Pair }[]
}

type Readings = Readonly<Partial<Record<Pair, boolean>>>

/** Which pairs are closed or open in one state: what was read, and what follows because what is joined is one node. */
function settle(read: Readings, count: number) {
  const group = new Map<Pin, number>(PINS.map((p, i) => [p, i]))
  const [of, pairs] = [(p: string) => group.get(p as Pin)!, pairsOf(count)]
  for (const pair of pairs.filter(p => read[p] === true)) {
    const [from, to] = [of(pair[1]!), of(pair[0]!)]
    for (const p of PINS) if (group.get(p) === from) group.set(p, to)
  }
  const same = (pair: Pair) => of(pair[0]!) === of(pair[1]!)
  const apart = (pair: Pair) =>
    pairs.some(
      p =>
        read[p] === false &&
        ((of(p[0]!) === of(pair[0]!) && of(p[1]!) === of(pair[1]!)) ||
          (of(p[0]!) === of(pair[1]!) && of(p[1]!) === of(pair[0]!))),
    )
  return {
    contradicts: pairs.filter(p => read[p] === false && same(p)),
    is: (pair: Pair): boolean | null => (same(pair) ? true : apart(pair) ? false : null),
  }
}

/**
 * The contacts of a switch from continuity between each pair of pins, at rest and pressed. Nothing is assumed of it:
 * any number of contacts, independent or round a common pin, each open or closed at rest.
 */
export function contactsOf(rest: Readings, pressed: Readings, count: number): Contacts {
  const states = { rest: settle(rest, count), pressed: settle(pressed, count) }
  const pairs = pairsOf(count)
  const joined = new Map(
    pairs.map((pair): [Pair, Joined] => {
      const [r, p] = [states.rest.is(pair), states.pressed.is(pair)]
      if (r === null || p === null) return [pair, 'not known']
      if (r) return [pair, p ? 'always' : 'normally closed']
      return [pair, p ? 'normally open' : 'never']
    }),
  )
  const each = (['rest', 'pressed'] as const).map(when => ({ when, state: states[when] }))
  return {
    joined,
    contradictions: each.flatMap(({ when, state }) => state.contradicts.map(pair => ({ when, pair }))),
    open: each.flatMap(({ when, state }) => pairs.filter(p => state.is(p) === null).map(pair => ({ when, pair }))),
  }
}
