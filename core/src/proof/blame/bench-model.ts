import type { JointModel } from '../../base/inference'
import { logSum } from '../../base/numbers'
import {
  caseNumber,
  FAR_OFF,
  HEAD_STATES,
  MACHINE_STATES,
  PRIORS,
  readingShare,
  type DiskState,
  type Head,
} from './model'
import { placeFails, type BlameDisk, type BlameDrive, type PlaceRead } from './reads'
import { SideLogs, type SideRead } from './side-logs'

/** What a variable of the model is about. */
export type Subject =
  | { readonly of: 'machine'; readonly drive: number }
  | { readonly of: 'head'; readonly drive: number; readonly head: Head }
  /** A writer that is none of the drives: by its name, or of one disk only where nobody knows. */
  | { readonly of: 'writer'; readonly name: string | null; readonly disks: readonly number[] }

const OFF_TRACK = 1
const OFF_SPEED = 2
const HEAD_OFF = 3
const HEAD_FAR = 4
/**
 * All that can be behind some reads: drives with their heads, and writers, are the variables; what a disk is, is
 * summed out, as given
 * the drives the disks know nothing of each other.
 */
export class BenchModel implements JointModel {
  readonly subjects: readonly Subject[]
  readonly sizes: readonly number[]
  readonly start: readonly number[]
  readonly states: readonly (readonly DiskState[])[]
  private readonly widths: readonly number[]
  private readonly priors: readonly (readonly number[])[]
  private readonly diskPriors: readonly Float64Array[]
  private readonly readsOf: readonly (readonly SideRead[])[]
  private readonly touches: readonly (readonly { readonly disk: number; readonly sides: readonly SideRead[] }[])[]
  private readonly writerOf: readonly (number | null)[]
  private readonly machine: readonly number[]
  private readonly headOf: readonly (readonly [number, number])[]
  private readonly foreign = new Map<number, number>()
  private readonly logs: SideLogs
  private readonly sides: readonly SideRead[]

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
      byName.set(key, [...(byName.get(key) ?? []), i])
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
      const there = bySide.get(key)
      if (there) there.push(p)
      else bySide.set(key, [p])
    }
    this.sides = [...bySide.values()].map((own, index) =>
      this.sideOf({ disk: own[0]!.disk, drive: own[0]!.drive, head: own[0]!.head, places: own }, index),
    )
    const readsOf = disks.map((): SideRead[] => [])
    for (const side of this.sides) readsOf[side.disk]!.push(side)
    this.readsOf = readsOf
    this.states = disks.map((_, i) => this.statesOf(i))
    this.logs = new SideLogs(this.sides.length, this.states)
    this.diskPriors = disks.map((d, i) => Float64Array.from(this.states[i]!, s => Math.log(this.diskPrior(d, i, s))))
    this.touches = this.touched()
  }

  /** For each variable the disks with the sides of them that it has part in, in order of the disks. */
  private touched(): { readonly disk: number; readonly sides: SideRead[] }[][] {
    const touches = this.subjects.map((): { readonly disk: number; readonly sides: SideRead[] }[] => [])
    for (const [disk, sides] of this.readsOf.entries()) {
      for (const side of sides) {
        for (const v of new Set([side.machine, side.headVar, side.writer, side.writerHead])) {
          if (v < 0) continue
          const own = touches[v]!
          if (own.at(-1)?.disk === disk) own.at(-1)!.sides.push(side)
          else own.push({ disk, sides: [side] })
        }
      }
    }
    return touches
  }

  private sideOf(p: Pick<SideRead, 'disk' | 'drive' | 'head' | 'places'>, index: number): SideRead {
    const writer = this.writerOf[p.disk] ?? null
    return {
      ...p,
      index,
      wide: this.isWide(p.drive),
      machine: this.machine[p.drive]!,
      headVar: this.headOf[p.drive]![p.head]!,
      writer: writer === null ? this.foreign.get(p.disk)! : this.machine[writer]!,
      writerHead: writer === null ? -1 : this.headOf[writer]![p.head]!,
    }
  }

  /** Spots are looked for only where something failed; a narrow writer only where a wider head reads. */
  private statesOf(disk: number): DiskState[] {
    const reads = this.readsOf[disk]!.flatMap(s => s.places)
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
      Math.max(...this.widths) > 1.3 * Math.min(...this.widths) && this.readsOf[disk]!.some(p => this.isWide(p.drive))
    )
  }

  private isWide(drive: number): boolean {
    return (this.drives[drive]!.trackUm ?? 0) > 1.3 * Math.min(...this.widths)
  }

  private diskPrior(disk: BlameDisk, i: number, state: DiskState): number {
    const { bad, spots, density } = PRIORS.disk(disk.trusted ?? false)
    const writer = this.writerOf[i] ?? null
    const narrow = this.narrowOn(i) ? PRIORS.narrow(writer !== null && !this.isWide(writer)) : 0
    const heads = Math.max(1, ...this.readsOf[i]!.map(p => p.head + 1))
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

  private caseOf(p: SideRead, config: readonly number[]): number {
    const [m, h] = [config[p.machine]!, config[p.headVar]!]
    const own = h >= HEAD_OFF ? 0 : h
    if (p.writer === p.machine) return own
    const wm = config[p.writer]!
    const writerHead = p.writerHead < 0 ? 0 : config[p.writerHead]!
    const beside =
      h === HEAD_FAR || writerHead === HEAD_FAR
        ? FAR_OFF
        : Number(m === OFF_TRACK || h === HEAD_OFF) + Number(wm === OFF_TRACK || writerHead === HEAD_OFF)
    return caseNumber(own, beside, Number(m === OFF_SPEED) + Number(wm === OFF_SPEED))
  }

  /** Log likelihood of a disk's reads for each of its states. */
  likelihoods(disk: number, config: readonly number[]): Float64Array {
    const out = this.diskPriors[disk]!.slice()
    for (const p of this.readsOf[disk]!) {
      const at = this.logs.placeOf(p, this.caseOf(p, config))
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
      unread = { side: this.sideOf({ disk, drive, head, places: [] }, -1), shares: [] }
      this.unread.set(key, unread)
    }
    const { side, shares } = unread
    const c = this.caseOf(side, config)
    return (shares[c] ??= this.states[disk]!.map(s =>
      [0, 1, 2].map(zone => readingShare(s, head * 3 + zone, c, side.wide)),
    ))
  }

  /** What was asked of heads and disks that did not meet, by case: few come up, each a thousand times. */
  private readonly unread = new Map<
    number,
    { readonly side: SideRead; readonly shares: (readonly (readonly number[])[])[] }
  >()

  /** Nothing was read that a variable has part in. */
  apart(variable: number): boolean {
    return this.touches[variable]!.length === 0
  }

  along(config: readonly number[], variable: number): Float64Array {
    const { log, disks, there } = this.at(config)
    const own = this.touches[variable]!
    const now = config[variable]!
    let rest = log - this.priors[variable]![now]!
    for (const { disk } of own) rest -= disks[disk]!
    const out = new Float64Array(this.sizes[variable]!)
    for (let state = 0; state < out.length; state++) out[state] = rest + this.priors[variable]![state]!
    // All states of one disk, then the next disk: what is known of a disk is then near at hand.
    for (const { disk, sides } of own) {
      for (let state = 0; state < out.length; state++) {
        there[variable] = state
        out[state]! += state === now ? disks[disk]! : this.changed(disk, sides, there)
      }
    }
    there[variable] = now
    return out
  }

  /** Log likelihood of a disk's reads where some of its sides differ from the configuration at hand. */
  private changed(disk: number, sides: readonly SideRead[], there: readonly number[]): number {
    const { scratch, states } = this
    const { sums, cases } = this.last!
    const n = states[disk]!.length
    const sum = sums[disk]!
    for (let s = 0; s < n; s++) scratch[s] = sum[s]!
    for (const p of sides) {
      const [before, after] = [cases[p.index]!, this.caseOf(p, there)]
      if (before === after) continue
      const [less, more] = [this.logs.placeOf(p, before), this.logs.placeOf(p, after)]
      const { values } = this.logs
      for (let s = 0; s < n; s++) scratch[s]! += values[more + s]! - values[less + s]!
    }
    return logSum(scratch, n)
  }

  /** States of one disk while a variable is tried: made once, as it is used a hundred thousand times. */
  private readonly scratch = new Float64Array(16)
  private last: {
    readonly config: readonly number[]
    /** Logarithm of the joint probability. */
    readonly log: number
    readonly sums: readonly Float64Array[]
    readonly disks: readonly number[]
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
        cases: Uint8Array.from(this.sides, p => this.caseOf(p, config)),
        there: [...config],
      }
    }
    return this.last
  }
}
