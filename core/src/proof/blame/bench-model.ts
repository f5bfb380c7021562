import { addTo } from '../../base/order'
import type { JointModel } from '../../base/inference'
import { logSum } from '../../base/numbers'
import { caseOf, Meetings, type Meeting } from './meetings'
import { HEAD_STATES, MACHINE_STATES, PRIORS, readingShare, type DiskState, type Head } from './model'
import { placeFails, type BlameDisk, type BlameDrive, type PlaceRead } from './reads'
import { SideLogs, type SideRead } from './side-logs'

/** What a variable of the model is about. */
export type Subject =
  | { readonly of: 'machine'; readonly drive: number }
  | { readonly of: 'head'; readonly drive: number; readonly head: Head }
  /** A writer that is none of the drives: by its name, or of one disk only where nobody knows. */
  | { readonly of: 'writer'; readonly name: string | null; readonly disks: readonly number[] }

/** What a variable has part in: disks with the numbers of their sides, in order of the disks, and meetings. */
interface Part {
  readonly disks: { readonly disk: number; readonly sides: number[] }[]
  readonly meetings: Set<number>
}

/**
 * All that can be behind some reads: drives with their heads, and writers, are the variables; what a disk is, is
 * summed out, as given
 * the drives the disks know nothing of each other. What is worked out of a configuration is kept with its array, which
 * must stay as it is.
 */
export class BenchModel implements JointModel {
  readonly subjects: readonly Subject[]
  readonly sizes: readonly number[]
  readonly start: readonly number[]
  readonly states: readonly (readonly DiskState[])[]
  private readonly widths: readonly number[]
  private readonly priors: readonly (readonly number[])[]
  private readonly diskPriors: readonly Float64Array[]
  /** Numbers of the sides that were read of each disk. */
  private readonly readsOf: readonly (readonly number[])[]
  private readonly parts: readonly Part[]
  private readonly writerOf: readonly (number | null)[]
  private readonly machine: readonly number[]
  private readonly headOf: readonly (readonly [number, number])[]
  private readonly foreign = new Map<number, number>()
  private readonly logs: SideLogs
  private readonly meetings = new Meetings()
  private readonly sides: readonly SideRead[]
  /** Of each side, as one array: it is asked for a hundred thousand times. */
  private readonly meetingOf: Int32Array

  constructor(
    readonly disks: readonly BlameDisk[],
    readonly drives: readonly BlameDrive[],
    readonly places: readonly PlaceRead[],
  ) {
    this.widths = drives.map(d => d.trackUm ?? 0).filter(w => w > 0)
    const subjects: Subject[] = []
    const add = (s: Subject) => subjects.push(s) - 1
    this.machine = drives.map((_, drive) => add({ of: 'machine', drive }))
    this.headOf = drives.map((d, drive) => [
      add({ of: 'head', drive, head: 0 }),
      d.heads === 2 ? add({ of: 'head', drive, head: 1 }) : -1,
    ])
    this.writerOf = disks
      .map(d => (d.writer === null ? null : drives.findIndex(x => x.id === d.writer)))
      .map(i => (i === -1 ? null : i))
    const byName = new Map<string, number[]>()
    for (const [i, d] of disks.entries()) {
      if (this.writerOf[i] !== null) continue
      const key = d.writer === null ? `\0${i}` : d.writer
      addTo(byName, key, i)
    }
    for (const [key, own] of byName) {
      const v = add({ of: 'writer', name: key.startsWith('\0') ? null : key, disks: own })
      for (const i of own) this.foreign.set(i, v)
    }
    this.subjects = subjects
    this.sizes = subjects.map(s => (s.of === 'head' ? HEAD_STATES.length : MACHINE_STATES.length))
    this.start = subjects.map(() => 0)
    this.priors = subjects.map(s =>
      (s.of === 'head'
        ? PRIORS.head(drives[s.drive]!.clean ?? false, drives[s.drive]!.seals?.[s.head ? 'upper' : 'lower'])
        : s.of === 'machine'
          ? PRIORS.machine(drives[s.drive]!.speed ?? null, drives[s.drive]!.seals)
          : PRIORS.foreignWriter(s.disks.some(i => disks[i]!.trusted))
      ).map(Math.log),
    )
    const bySide = new Map<number, PlaceRead[]>()
    for (const p of places) {
      const key = (p.disk * drives.length + p.drive) * 2 + p.head
      addTo(bySide, key, p)
    }
    this.sides = [...bySide.values()].map(own => this.sideOf(own))
    this.meetingOf = Int32Array.from(this.sides, s => s.meeting)
    const readsOf = disks.map((): number[] => [])
    for (const [number, side] of this.sides.entries()) readsOf[side.disk]!.push(number)
    this.readsOf = readsOf
    this.states = disks.map((_, i) => this.statesOf(i))
    this.logs = new SideLogs(this.sides, this.states)
    this.diskPriors = disks.map((d, i) => Float64Array.from(this.states[i]!, s => Math.log(this.diskPrior(d, i, s))))
    this.parts = this.partsOf()
  }

  private partsOf(): Part[] {
    const parts = this.subjects.map((): Part => ({ disks: [], meetings: new Set() }))
    for (const [disk, sides] of this.readsOf.entries()) {
      for (const side of sides) {
        const number = this.meetingOf[side]!
        const { machine, head, writer, writerHead } = this.meetings.all[number]!
        for (const v of new Set([machine, head, writer, writerHead])) {
          if (v < 0) continue
          const { disks, meetings } = parts[v]!
          meetings.add(number)
          if (disks.at(-1)?.disk === disk) disks.at(-1)!.sides.push(side)
          else disks.push({ disk, sides: [side] })
        }
      }
    }
    return parts
  }

  private sideOf(places: readonly PlaceRead[]): SideRead {
    const { disk, drive, head } = places[0]!
    const meeting = this.meetings.numberOf(this.meetingAt(disk, drive, head))
    return { disk, drive, head, places, wide: this.isWide(drive), meeting }
  }

  private meetingAt(disk: number, drive: number, head: Head): Meeting {
    const writer = this.writerOf[disk] ?? null
    return {
      machine: this.machine[drive]!,
      head: this.headOf[drive]![head]!,
      writer: writer === null ? this.foreign.get(disk)! : this.machine[writer]!,
      writerHead: writer === null ? -1 : this.headOf[writer]![head]!,
    }
  }

  /** Spots are looked for only where something failed; a narrow writer only where a wider head reads. */
  private statesOf(disk: number): DiskState[] {
    const reads = this.readsOf[disk]!.flatMap(s => this.sides[s]!.places)
    const spots = [...new Set(reads.filter(placeFails).map(p => p.head * 3 + p.zone))]
    return [
      { kind: 'good' },
      { kind: 'bad' },
      { kind: 'density' },
      ...spots.map((place): DiskState => ({ kind: 'spot', place })),
      ...(this.narrowOn(disk) ? [{ kind: 'narrow' } as const] : []),
    ]
  }

  private narrowOn(disk: number): boolean {
    return (
      Math.max(...this.widths) > 1.3 * Math.min(...this.widths) && this.readsOf[disk]!.some(s => this.sides[s]!.wide)
    )
  }

  private isWide(drive: number): boolean {
    return (this.drives[drive]!.trackUm ?? 0) > 1.3 * Math.min(...this.widths)
  }

  private diskPrior(disk: BlameDisk, i: number, state: DiskState): number {
    const { bad, spots, density } = PRIORS.disk(disk.trusted ?? false)
    const writer = this.writerOf[i] ?? null
    const narrow = this.narrowOn(i) ? PRIORS.narrow(writer !== null && !this.isWide(writer)) : 0
    const heads = Math.max(1, ...this.readsOf[i]!.map(s => this.sides[s]!.head + 1))
    switch (state.kind) {
      case 'good':
        return 1 - bad - spots - density - narrow
      case 'bad':
        return bad
      case 'density':
        return density
      case 'narrow':
        return narrow
      case 'spot':
        return spots / (3 * heads)
    }
  }

  /** Log likelihood of a disk's reads for each of its states. */
  likelihoods(disk: number, config: readonly number[]): Float64Array {
    const cases = this.meetings.cases(config)
    const out = this.diskPriors[disk]!.slice()
    for (const side of this.readsOf[disk]!) {
      const at = this.logs.placeOf(side, cases[this.meetingOf[side]!]!)
      for (let s = 0; s < out.length; s++) out[s]! += this.logs.values[at + s]!
    }
    return out
  }

  /** Probability of each state of a disk, in a configuration of all else. */
  posterior(disk: number, config: readonly number[]): Float64Array {
    const logs = this.likelihoods(disk, config)
    const all = logSum(logs)
    return logs.map(l => Math.exp(l - all))
  }

  /**
   * What a head would read of a disk that it did not read: the share of each zone's sectors, for each state of the
   * disk.
   */
  shares(disk: number, drive: number, head: Head, config: readonly number[]): readonly (readonly number[])[] {
    const key = (disk * this.drives.length + drive) * 2 + head
    let unread = this.unread.get(key)
    if (!unread) {
      unread = { meeting: this.meetingAt(disk, drive, head), shares: [] }
      this.unread.set(key, unread)
    }
    const { meeting, shares } = unread
    const c = caseOf(meeting, config)
    return (shares[c] ??= this.states[disk]!.map(s =>
      [0, 1, 2].map(zone => readingShare(s, head * 3 + zone, c, this.isWide(drive))),
    ))
  }

  /** What was asked of heads and disks that did not meet, by case: few come up, each a thousand times. */
  private readonly unread = new Map<
    number,
    { readonly meeting: Meeting; readonly shares: (readonly (readonly number[])[])[] }
  >()

  /** Nothing was read that a variable has part in. */
  apart(variable: number): boolean {
    return this.parts[variable]!.disks.length === 0
  }

  along(config: readonly number[], variable: number): Float64Array {
    const { log, disks, there } = this.at(config)
    const part = this.parts[variable]!
    const now = config[variable]!
    let rest = log - this.priors[variable]![now]!
    for (const { disk } of part.disks) rest -= disks[disk]!
    const out = new Float64Array(this.sizes[variable]!)
    for (let state = 0; state < out.length; state++) {
      out[state] = rest + this.priors[variable]![state]!
      there[variable] = state
      const cases = (this.tried[state] ??= new Uint8Array(this.meetings.all.length))
      for (const number of part.meetings) cases[number] = caseOf(this.meetings.all[number]!, there)
    }
    there[variable] = now
    // All states of one disk, then the next disk: what is known of a disk is then near at hand.
    for (const { disk, sides } of part.disks) {
      for (let state = 0; state < out.length; state++)
        out[state]! += state === now ? disks[disk]! : this.changed(disk, sides, this.tried[state]!)
    }
    return out
  }

  /** Log likelihood of a disk's reads where the cases of some of its sides differ from those at hand. */
  private changed(disk: number, sides: readonly number[], cases: Uint8Array): number {
    const { scratch, meetingOf, logs } = this
    const last = this.last!
    const n = this.states[disk]!.length
    let differs = false
    for (let k = 0; k < sides.length; k++) {
      const side = sides[k]!
      const meeting = meetingOf[side]!
      const [before, after] = [last.cases[meeting]!, cases[meeting]!]
      if (before === after) continue
      if (!differs) scratch.set(last.sums[disk]!)
      differs = true
      const [less, more] = [logs.placeOf(side, before), logs.placeOf(side, after)]
      for (let s = 0; s < n; s++) scratch[s]! += logs.values[more + s]! - logs.values[less + s]!
    }
    return differs ? logSum(scratch, n) : last.disks[disk]!
  }

  /** Cases of the meetings, for each state of the variable that is tried; only those it has part in are right. */
  private readonly tried: Uint8Array[] = []
  /** States of one disk while a variable is tried: made once, as it is used a hundred thousand times. */
  private readonly scratch = new Float64Array(16)
  private last: {
    readonly config: readonly number[]
    /** Logarithm of the joint probability. */
    readonly log: number
    readonly sums: readonly Float64Array[]
    readonly disks: readonly number[]
    /** Those of the meetings. */
    readonly cases: Uint8Array
    /** The configuration again, in which one variable after the other is tried. */
    readonly there: number[]
  } | null = null

  /** What is the same for all variables: kept for the configuration at hand. */
  private at(config: readonly number[]) {
    if (this.last?.config !== config) {
      const sums = this.disks.map((_, i) => this.likelihoods(i, config))
      const disks = sums.map(l => logSum(l))
      const prior = config.reduce((l, s, v) => l + this.priors[v]![s]!, 0)
      this.last = {
        config,
        log: disks.reduce((n, l) => n + l, prior),
        sums,
        disks,
        cases: this.meetings.cases(config),
        there: [...config],
      }
    }
    return this.last
  }
}
