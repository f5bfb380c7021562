import { Bits } from './bits'
import { clash, compareCost, handling, hostPins, meets, type Cost, type Setting } from './evaluate'
import {
  foundPosition,
  isWanted,
  type Cable,
  type DriveProfile,
  type Effects,
  type HostProfile,
  type Want,
} from '../../drives/hosts'

export interface Solution {
  readonly setting: Setting
  readonly cost: Cost
  /** Nodes of the search that were looked at. */
  readonly visited: number
}

/** A position of a choice, by its number among all of them. */
interface Place {
  readonly choice: number
  readonly at: number
  readonly effects: Effects
  readonly wires: number
  readonly moved: number
}

/** A want as sets of places: some that bring it, or for a quiet pin those that disturb it. */
interface Asked {
  readonly always: boolean
  readonly never: boolean
  readonly brings: Bits
  readonly disturbs: Bits | null
}

/**
 * The best setting of a drive for a host: fewest musts missed, then fewest things noticed, second-best wants, wires and
 * moved straps, in this order. Exact: depth-first with a bound that never overrates what is left, so that nothing
 * better
 * is passed over. Positions that the drive was found in are tried first; of equals the first one stands.
 * @param driven pins that the host drives; those of `host` where left out
 * @returns null where the drive's own parts clash in every setting
 */
export function solveFit(
  host: HostProfile,
  drive: DriveProfile,
  cable: Cable,
  driven: ReadonlyMap<number, string> = hostPins(host),
): Solution | null {
  const problem = new Problem(host, drive, cable, driven)
  let best: { places: Bits; cost: Cost } | null = null
  let visited = 0

  const descend = (open: Bits, cost: Cost): void => {
    visited++
    const choice = problem.nextChoice(open)
    if (choice < 0) {
      best = { places: open, cost }
      return
    }
    const children = problem
      .ofChoice(choice)
      .filter(p => open.has(p))
      .flatMap(p => {
        const rest = problem.settled(open.without(problem.excludes[p]!))
        return rest ? [{ rest, bound: problem.bound(rest) }] : []
      })
    // The most promising first; of equals the found position, for it stands first among its choice's.
    children.sort((a, b) => compareCost(a.bound, b.bound))
    for (const c of children) if (!best || compareCost(c.bound, best.cost) < 0) descend(c.rest, c.bound)
  }
  const start = clash(drive.fixed.lines ?? [], drive.fixed.ways ?? [], driven, cable)
    ? null
    : problem.settled(problem.all)
  if (start) descend(start, problem.bound(start))
  const done = best as { places: Bits; cost: Cost } | null
  return done ? { setting: problem.settingOf(done.places), cost: done.cost, visited } : null
}

/** A pair of profiles as sets: which positions rule out which, and which bring what is asked for. */
class Problem {
  readonly all: Bits
  /** Of each place, those that cannot stand with it: the other positions of its choice, and what clashes. */
  readonly excludes: readonly Bits[]
  private readonly places: readonly Place[]
  private readonly choices: readonly { readonly places: readonly number[]; readonly mask: Bits }[]
  private readonly order: readonly number[]
  private readonly asked: readonly { readonly must: boolean; readonly wants: readonly Asked[] }[]

  constructor(
    host: HostProfile,
    private readonly drive: DriveProfile,
    cable: Cable,
    driven: ReadonlyMap<number, string>,
  ) {
    this.places = drive.choices.flatMap((c, choice) => {
      const found = c.positions.indexOf(foundPosition(c))
      return [found, ...c.positions.keys()]
        .filter((at, i, list) => list.indexOf(at) === i)
        .map((at): Place => {
          const [wires, moved] = handling(c, at)
          return { choice, at, effects: c.positions[at]!, wires, moved }
        })
    })
    const n = this.places.length
    const apart = (a: Effects, b: Effects) =>
      clash([...(a.lines ?? []), ...(b.lines ?? [])], [...(a.ways ?? []), ...(b.ways ?? [])], driven, cable)
    // Everything that makes two parts clash is between two of them, so pairs are enough.
    this.all = Bits.of(
      n,
      this.places.flatMap((p, i) => (apart(p.effects, drive.fixed) ? [] : [i])),
    )
    this.excludes = this.places.map((p, i) =>
      Bits.of(
        n,
        this.places.flatMap((q, j) => (i !== j && (q.choice === p.choice || apart(p.effects, q.effects)) ? [j] : [])),
      ),
    )
    this.choices = drive.choices.map((_, c) => {
      const places = this.places.flatMap((p, i) => (p.choice === c ? [i] : []))
      return { places, mask: Bits.of(n, places) }
    })
    this.asked = host.needs.map(need => ({
      must: isWanted(need),
      wants: need.wants.map(w => this.askedFor(w, cable)),
    }))
    // Choices that can bring most of the musts are settled first, so that the bound bites early.
    const weight = (c: number) =>
      this.asked.reduce(
        (s, a) =>
          s +
          a.wants.filter(w => w.brings.meets(this.choices[c]!.mask) || w.disturbs?.meets(this.choices[c]!.mask))
            .length *
            (a.must ? 100 : 1),
        0,
      )
    this.order = [...this.choices.keys()].sort((a, b) => weight(b) - weight(a) || a - b)
  }

  private askedFor(w: Want, cable: Cable): Asked {
    const those = (which: (e: Effects) => boolean) =>
      Bits.of(
        this.places.length,
        this.places.flatMap((p, i) => (which(p.effects) ? [i] : [])),
      )
    const { fixed } = this.drive
    const met = (e: Effects) => meets(w, e, cable)
    return w.kind === 'quiet'
      ? { always: false, never: !met(fixed), brings: those(() => false), disturbs: those(e => !met(e)) }
      : { always: met(fixed), never: false, brings: those(met), disturbs: null }
  }

  ofChoice = (choice: number): readonly number[] => this.choices[choice]!.places

  /** The first choice that is not settled; −1 where all are. */
  nextChoice(open: Bits): number {
    return (
      this.order.find(c => {
        let left = 0
        for (const p of this.choices[c]!.places) if (open.has(p) && ++left > 1) return true
        return false
      }) ?? -1
    )
  }

  /**
   * What is left once every choice with a single position has ruled out what clashes with it; null where one has
   * none.
   */
  settled(open: Bits): Bits | null {
    let left = open
    for (let again = true; again;) {
      again = false
      for (const { places } of this.choices) {
        const [one, two] = places.filter(p => left.has(p))
        if (one === undefined) return null
        if (two !== undefined || !left.meets(this.excludes[one]!)) continue
        left = left.without(this.excludes[one]!)
        again = true
      }
    }
    return left
  }

  /** Cost that no completion can beat, exact once all is settled. */
  bound(open: Bits): Cost {
    let [wires, moved] = [0, 0]
    for (const { places } of this.choices) {
      let [leastWires, leastMoved] = [Infinity, Infinity]
      for (const i of places) {
        if (!open.has(i)) continue
        leastWires = Math.min(leastWires, this.places[i]!.wires)
        leastMoved = Math.min(leastMoved, this.places[i]!.moved)
      }
      wires += leastWires
      moved += leastMoved
    }
    let [musts, notices, second] = [0, 0, 0]
    for (const { must, wants } of this.asked) {
      const at = wants.findIndex(w => this.possible(w, open))
      if (at >= 0) second += at
      else if (must) musts++
      else notices++
    }
    return [musts, notices, second, wires, moved]
  }

  private possible(w: Asked, open: Bits): boolean {
    if (w.always) return true
    if (w.never) return false
    if (!w.disturbs) return w.brings.meets(open)
    // Quiet is still possible where each choice has a position left that does not disturb.
    return this.choices.every(c => !c.mask.meets(w.disturbs!) || open.meetsOutside(c.mask, w.disturbs!))
  }

  settingOf(open: Bits): Setting {
    return this.choices.map(({ places }) => this.places[places.find(p => open.has(p))!]!.at)
  }
}

/** How many settings there are, whether they clash or not. */
export const settingsOf = (drive: DriveProfile): number => drive.choices.reduce((n, c) => n * c.positions.length, 1)
