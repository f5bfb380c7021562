import { meet, type Box } from './box'

/** Boxes in groups, by their numbers, and whether no way has fewer groups. */
export interface Grouped {
  readonly groups: readonly (readonly number[])[]
  readonly proved: boolean
}

/** So many boxes are searched to the end; of more, a good way is told and held against the bound. */
const SEARCHED = 11

/**
 * The fewest groups such that one point lies in all boxes of each. Boxes of which no two meet need a group each: where
 * the first way found is as small as the largest such set that is seen, it is the best.
 */
export function fewestGroups(boxes: readonly Box[]): Grouped {
  const bound = apart(boxes)
  const search = new Search(boxes, bound, boxes.length <= SEARCHED)
  search.place(0, [])
  return { groups: search.best, proved: boxes.length <= SEARCHED || search.best.length === bound }
}

/** How many boxes are seen of which no two meet. */
function apart(boxes: readonly Box[]): number {
  const set: Box[] = []
  for (const b of boxes) if (set.every(o => !meet(o, b))) set.push(b)
  return set.length
}

interface Group {
  readonly members: readonly number[]
  readonly box: Box
}

class Search {
  best: readonly (readonly number[])[] = []
  private found = false

  constructor(
    private readonly boxes: readonly Box[],
    private readonly bound: number,
    private readonly toTheEnd: boolean,
  ) {}

  /** Puts box after box into each group that it fits, and into one of its own. */
  place(i: number, groups: readonly Group[]): void {
    if (this.found && groups.length >= this.best.length) return
    if (i === this.boxes.length) {
      this.best = groups.map(g => g.members)
      this.found = true
      return
    }
    const box = this.boxes[i]!
    for (const [n, g] of groups.entries()) {
      const both = meet(g.box, box)
      if (!both) continue
      this.place(i + 1, groups.with(n, { members: [...g.members, i], box: both }))
      if (this.enough()) return
    }
    this.place(i + 1, [...groups, { members: [i], box }])
  }

  private enough(): boolean {
    return this.found && (!this.toTheEnd || this.best.length <= this.bound)
  }
}
