/**
 * What is gained by having a drive work: its value; then, where that is equal, what it costs less, by two measures;
 * then more drives. Compared in this order.
 */
export type Gain = readonly [value: number, cost: number, then: number, drives: number]

const CLOSE = 1e-9

/** Above 0 where the first is the better one. */
export function compareGains(a: Gain, b: Gain): number {
  for (let k = 0; k < a.length; k++) if (Math.abs(a[k]! - b[k]!) > CLOSE) return a[k]! - b[k]!
  return 0
}

export const NOTHING: Gain = [0, 0, 0, 0]
const plus = (a: Gain, b: Gain): Gain => [a[0] + b[0], a[1] + b[1], a[2] + b[2], a[3] + b[3]]

/** A drive that could be made to work. */
export interface Candidate {
  readonly gain: Gain
  /** Kinds of parts of which it takes one from what all share. */
  readonly takes: readonly string[]
}

export interface Choice {
  /** Numbers of the chosen candidates. */
  readonly chosen: readonly number[]
  readonly proved: boolean
}

/** Choices that are looked at, at most. */
const MOST_NODES = 400_000

/**
 * The best set of candidates where of each kind of part there are only so many: branch and bound. What is left is
 * bounded by each scarce part alone, of which the best that share it are taken; a candidate that is worth less than
 * another and takes all that this one takes is only chosen along with it.
 * @param there how many there are of each kind of part
 */
export function choose(
  candidates: readonly Candidate[],
  there: ReadonlyMap<string, number>,
  mostNodes = MOST_NODES,
): Choice {
  const by = candidates
    .map((c, at) => ({ ...c, at, takes: new Set(c.takes) }))
    .filter(c => compareGains(c.gain, NOTHING) > 0)
    .filter(c => [...c.takes].every(part => (there.get(part) ?? 0) > 0))
    .sort((a, b) => compareGains(b.gain, a.gain))
  const scarce = scarceParts(by, there)
  const users = scarce.map(({ part }) => by.map(c => c.takes.has(part)))
  const needs = by.map((_, i) => scarce.flatMap((_, s) => (users[s]![i] ? [s] : [])))
  const room = scarce.map(s => s.count)
  /** For each candidate, those behind it that are no better and take no less. */
  const under = by.map((_, i) => by.flatMap((_, j) => (j > i && needs[i]!.every(s => users[s]![j]) ? [j] : [])))
  const out = by.map(() => 0)
  const taken: number[] = []
  let best: { gain: Gain; chosen: number[] } = { gain: NOTHING, chosen: [] }
  let left = mostNodes

  /** The most that can still be gained from a candidate on. */
  function most(from: number): Gain {
    let least: Gain | null = null
    for (let s = -1; s < scarce.length; s++) {
      let sum = NOTHING
      let free = s < 0 ? Infinity : room[s]!
      for (let i = from; i < by.length; i++) {
        if (out[i]! > 0) continue
        if (s < 0 || !users[s]![i]) sum = plus(sum, by[i]!.gain)
        else if (free-- > 0) sum = plus(sum, by[i]!.gain)
      }
      if (!least || compareGains(sum, least) < 0) least = sum
    }
    return least!
  }

  function look(from: number, gain: Gain): void {
    if (left-- <= 0) return
    if (compareGains(gain, best.gain) > 0) best = { gain, chosen: [...taken] }
    let i = from
    while (i < by.length && (out[i]! > 0 || needs[i]!.some(s => room[s]! <= 0))) i++
    if (i === by.length || compareGains(plus(gain, most(i)), best.gain) <= 0) return
    for (const s of needs[i]!) room[s]!--
    taken.push(i)
    look(i + 1, plus(gain, by[i]!.gain))
    taken.pop()
    for (const s of needs[i]!) room[s]!++
    // Without this one, none is chosen that it could stand for.
    for (const j of under[i]!) out[j]!++
    look(i + 1, gain)
    for (const j of under[i]!) out[j]!--
  }

  look(0, NOTHING)
  return { chosen: best.chosen.map(i => by[i]!.at).sort((a, b) => a - b), proved: left > 0 }
}

/** Parts of which there are fewer than would be taken; of those that the same drives share, the scarcest. */
function scarceParts(by: readonly { takes: ReadonlySet<string> }[], there: ReadonlyMap<string, number>) {
  const scarcest = new Map<string, { part: string; count: number }>()
  for (const [part, count] of there) {
    const users = by.flatMap((c, i) => (c.takes.has(part) ? [i] : []))
    if (users.length <= count) continue
    const key = users.join()
    if (count < (scarcest.get(key)?.count ?? Infinity)) scarcest.set(key, { part, count })
  }
  return [...scarcest.values()]
}
