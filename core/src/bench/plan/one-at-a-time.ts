/** Starts that moved, or that some tasks cannot fit at all. */
export const enum Moved {
  No,
  Yes,
  CannotFit,
}

/**
 * Tasks of which only one runs at a time. Its arrays are kept between calls: a search asks hundreds of thousands of
 * times.
 */
export class OneAtATime {
  private readonly order: Int32Array
  private readonly head: Int32Array
  private readonly due: Int32Array
  private readonly reach: Int32Array
  private readonly length: Int32Array
  private readonly least: Int32Array

  /** @param lengths of all tasks of the bench, units of time */
  constructor(
    private readonly tasks: readonly number[],
    lengths: Int32Array,
  ) {
    const n = tasks.length
    this.order = Int32Array.from(tasks, (_, k) => k)
    this.length = Int32Array.from(tasks, i => lengths[i]!)
    this.head = new Int32Array(n)
    this.due = new Int32Array(n)
    this.reach = new Int32Array(n)
    this.least = new Int32Array(n)
  }

  /** Starts of those that must begin later, because otherwise others could not end in time. */
  later(head: Int32Array, tail: Int32Array, end: number): Moved {
    this.tasks.forEach((i, k) => {
      this.head[k] = head[i]!
      this.due[k] = end - tail[i]! + this.length[k]!
    })
    return this.push((i, _, at) => {
      head[i] = at
    })
  }

  /** The same turned round in time: those that must end earlier. */
  earlier(head: Int32Array, tail: Int32Array, end: number): Moved {
    this.tasks.forEach((i, k) => {
      this.head[k] = tail[i]! - this.length[k]!
      this.due[k] = end - head[i]!
    })
    return this.push((i, k, at) => {
      tail[i] = at + this.length[k]!
    })
  }

  /**
   * Edge finding (Carlier and Pinson 1989, in the form of Baptiste, Le Pape and Nuijten 2001; from memory): a task that
   * cannot stand first or between some others comes behind all of them.
   */
  private push(move: (task: number, k: number, at: number) => void): Moved {
    const { order, head, due, reach, length, least } = this
    const n = order.length
    this.sort()
    least.set(head)
    for (let l = 0; l < n; l++) {
      const limit = due[l]!
      let sum = 0
      let most = -1
      for (let x = n - 1; x >= 0; x--) {
        const k = order[x]!
        if (due[k]! <= limit) {
          sum += length[k]!
          if (head[k]! + sum > most) most = head[k]! + sum
          if (most > limit) return Moved.CannotFit
        }
        reach[k] = most
      }
      let first = -limit
      for (let x = 0; x < n; x++) {
        const k = order[x]!
        if (due[k]! <= limit) {
          if (head[k]! + sum > first) first = head[k]! + sum
          sum -= length[k]!
          continue
        }
        if (head[k]! + sum + length[k]! > limit && reach[k]! > least[k]!) least[k] = reach[k]!
        if (first + length[k]! > limit && most > least[k]!) least[k] = most
      }
    }
    let moved = Moved.No
    for (let k = 0; k < n; k++)
      if (least[k]! > head[k]!) {
        move(this.tasks[k]!, k, least[k]!)
        moved = Moved.Yes
      }
    return moved
  }

  /** By start; the order hardly changes from call to call. */
  private sort(): void {
    const { order, head } = this
    for (let x = 1; x < order.length; x++) {
      const k = order[x]!
      let y = x - 1
      while (y >= 0 && head[order[y]!]! > head[k]!) {
        order[y + 1] = order[y]!
        y--
      }
      order[y + 1] = k
    }
  }
}
