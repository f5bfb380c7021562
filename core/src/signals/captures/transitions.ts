/**
 * Raw transitions of one track, in the two open forms that `docs/transitions.md` describes: plain text, or 32-bit
 * numbers. Both hold nanoseconds from one transition to the next, and index marks between them.
 */
export const TEXT_HEAD = 'transitions ns 1'
/** `TRNS`, then the version as a 32-bit number, low byte first. */
export const BINARY_HEAD = Uint8Array.of(0x54, 0x52, 0x4e, 0x53, 1, 0, 0, 0)
/** The top bit marks an index mark; the rest are its nanoseconds behind the transition before it. */
export const INDEX_BIT = 0x80000000
/** The longest distance that either form holds, ns. */
export const LONGEST_NS = 0x7fffffff

/** What a track is written from. Times in seconds, rising. */
export interface Transitions {
  readonly timesS: ArrayLike<number>
  readonly indexS: ArrayLike<number>
}

/** One distance: to the next transition, or to an index mark, ns. */
interface Distance {
  readonly ns: number
  readonly index: boolean
}

/** Distances in their order; rounding does not add up, for each is taken from where the one before it came to. */
function* distances({ timesS, indexS }: Transitions): Generator<Distance> {
  let [at, next] = [0, 0]
  for (let i = 0; i <= timesS.length; i++) {
    const time = i < timesS.length ? Math.round(timesS[i]! * 1e9) : Infinity
    for (; next < indexS.length; next++) {
      const mark = Math.round(indexS[next]! * 1e9)
      if (mark >= time) break
      yield { ns: mark - at, index: true }
    }
    if (time === Infinity) return
    yield { ns: time - at, index: false }
    at = time
  }
}

/** As plain text, one distance a line. @throws RangeError where a distance is longer than 2.1 s */
export function writeTransitionsText(transitions: Transitions): string {
  const lines = [TEXT_HEAD]
  for (const { ns, index } of distances(transitions)) lines.push(`${index ? 'index ' : ''}${checked(ns)}`)
  return `${lines.join('\n')}\n`
}

/** As 32-bit numbers, low byte first. @throws RangeError where a distance is longer than 2.1 s */
export function writeTransitionsBinary(transitions: Transitions): Uint8Array {
  const all = [...distances(transitions)]
  const bytes = new Uint8Array(BINARY_HEAD.length + 4 * all.length)
  bytes.set(BINARY_HEAD)
  const view = new DataView(bytes.buffer)
  for (const [i, { ns, index }] of all.entries())
    view.setUint32(BINARY_HEAD.length + 4 * i, checked(ns) + (index ? INDEX_BIT : 0), true)
  return bytes
}

function checked(ns: number): number {
  if (ns <= LONGEST_NS) return ns
  throw new RangeError(`transitions ${(ns / 1e9).toFixed(1)} s apart; at most ${(LONGEST_NS / 1e9).toFixed(1)} s`)
}
