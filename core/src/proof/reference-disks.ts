import { byText } from '../base/order'
import type { Call, SourceId } from '../base/observations'

/** How the drive that wrote a disk was itself proved. */
export const PROOFS = {
  instrument: 'measured with an analogue alignment disk and a scope',
  factory: 'a duplicator: the disk was sold as it is',
  disk: 'read another reference disk, outer to inner, both heads',
  none: 'not verified, or nobody knows',
} as const
export type Proof = keyof typeof PROOFS

/** A disk that others are judged by. */
export interface ReferenceDisk {
  readonly id: string
  readonly name: string
  readonly mechanism: string
  /** Drive that wrote it, where it is one of the workshop's. */
  readonly writtenBy: string | null
  /** In words, where it is not. */
  readonly writer: string
  readonly writtenAt: string
  readonly proof: Proof
  /** The disk that its writer was proved by. */
  readonly provedBy: string | null
}

/** One reading of a reference disk. */
export interface DiskReading {
  readonly disk: string
  readonly drive: string
  readonly at: string
  readonly good: number
  readonly sectors: number
  /** Least margin of either head, share of half the window; null where nothing was read. */
  readonly margin: number | null
  /** Where the counts come from. */
  readonly source: SourceId
  /** Whether the drive was released or else known to be right at the time. */
  readonly provenDrive: boolean
}

/** Something that was said of a disk by hand. */
export interface DiskEvent {
  readonly disk: string
  readonly at: string
  readonly kind: 'verified' | 'retired' | 'back' | 'note'
  readonly detail: string
}

export interface ChainLink {
  readonly disk: string
  readonly name: string
  readonly by: string
  readonly proof: Proof
}

export interface DiskStanding {
  readonly disk: ReferenceDisk
  /** From this disk back to what it rests on. */
  readonly chain: readonly ChainLink[]
  readonly rests: 'standard' | 'factory' | 'nothing' | 'itself'
  readonly trusted: boolean
  readonly retired: boolean
  /** When it was last verified on the drive that wrote it; null where that was not said. */
  readonly verified: string | null
  readonly uses: number
  /** Where its readings come from, each source once. */
  readonly sources: readonly SourceId[]
  readonly first: number | null
  readonly latest: number | null
  readonly call: Call
}

/** A margin that has fallen by so much, share of half the window, is wear and not scatter. */
const FALLEN = 0.1
/** Passes after which a disk is looked at again (common practice: a reference disk is used seldom). */
const MANY = 50

/** Follows who wrote a disk, and by what that drive was proved, to the end or round in a circle. */
export function chainOf(disk: ReferenceDisk, all: readonly ReferenceDisk[]): Pick<DiskStanding, 'chain' | 'rests'> {
  const chain: ChainLink[] = []
  const seen = new Set<string>()
  for (let at: ReferenceDisk | undefined = disk; at; at = all.find(d => d.id === at!.provedBy)) {
    if (seen.has(at.id)) return { chain, rests: 'itself' }
    seen.add(at.id)
    chain.push({ disk: at.id, name: at.name, by: at.writtenBy ?? at.writer, proof: at.proof })
    if (at.proof === 'instrument') return { chain, rests: 'standard' }
    if (at.proof === 'factory') return { chain, rests: 'factory' }
    if (at.proof === 'none' || !at.provedBy) return { chain, rests: 'nothing' }
  }
  return { chain, rests: 'nothing' }
}

/** Where a reference disk stands: what its word rests on, how worn it is, whether it should go on being one. */
export function standingOf(
  disk: ReferenceDisk,
  all: readonly ReferenceDisk[],
  readings: readonly DiskReading[],
  events: readonly DiskEvent[],
): DiskStanding {
  const own = readings.filter(r => r.disk === disk.id).sort((a, b) => byText(a.at, b.at))
  const said = events
    .filter(e => e.disk === disk.id && (e.kind === 'retired' || e.kind === 'back'))
    .sort((a, b) => byText(a.at, b.at))
    .at(-1)
  const retired = said?.kind === 'retired'
  // Only proven drives tell about the disk; in others the drive may be at fault.
  const proven = own.filter(r => r.provenDrive && r.margin !== null)
  const [first, latest] = [proven[0]?.margin ?? null, proven.at(-1)?.margin ?? null]
  const fallen = first !== null && latest !== null && proven.length >= 2 && first - latest > FALLEN
  const losing = proven.length > 0 && proven.at(-1)!.good < proven.at(-1)!.sectors
  const { chain, rests } = chainOf(disk, all)
  const trusted = !retired && !fallen && !losing && (rests === 'standard' || rests === 'factory')
  const verified =
    events
      .filter(e => e.disk === disk.id && e.kind === 'verified')
      .map(e => e.at)
      .sort()
      .at(-1) ?? null
  const sources = [...new Set(own.map(r => r.source))]
  return { disk, chain, rests, trusted, retired, verified, uses: own.length, sources, first, latest, call: callOf() }

  function callOf(): Call {
    const percent = (x: number) => `${Math.round(x * 100)} %`
    if (retired)
      return {
        kind: 'stop',
        reasons: [`It was retired${said!.detail ? `: ${said!.detail}` : ''}.`],
        next: 'Judge nothing by it.',
      }
    if (losing)
      return {
        kind: 'mend',
        reasons: [`A verified drive read ${proven.at(-1)!.good} of its ${proven.at(-1)!.sectors} sectors.`],
        next: 'Retire it, and write a new one on a verified drive.',
      }
    if (fallen)
      return {
        kind: 'mend',
        reasons: [
          `Its least margin fell from ${percent(first!)} to ${percent(latest!)} in verified drives over ${own.length} readings.`,
        ],
        next: 'Retire it, and write a new one on a verified drive.',
      }
    if (rests === 'itself')
      return {
        kind: 'unknown',
        reasons: ['Its writer was verified by a disk that rests on this very disk: this is not evidence.'],
        next: 'Read it in a drive that was verified in another way.',
      }
    if (rests === 'nothing')
      return {
        kind: 'unknown',
        reasons: [
          chain.length > 1
            ? `Its chain ends at ${chain.at(-1)!.name}, whose writer was not verified.`
            : 'Nobody verified the drive that wrote it.',
        ],
        next: 'Use it to compare drives, not to align one.',
      }
    if (own.length >= MANY)
      return {
        kind: 'unknown',
        reasons: [`It was read ${own.length} times: wear comes with every pass.`],
        next: 'Read it in a verified drive, and see whether its margin still holds.',
      }
    return {
      kind: 'leave',
      reasons: [
        rests === 'standard'
          ? `It goes back to an analogue alignment disk over ${chain.length === 1 ? 'one drive' : `${chain.length} drives`}.`
          : `It goes back to a disk as sold, over ${chain.length === 1 ? 'no other' : `${chain.length - 1} of ours`}.`,
      ],
      next: 'Use it seldom, write-protected.',
    }
  }
}

export interface Disagreement {
  readonly disks: readonly [string, string]
  readonly drives: readonly string[]
  /** The one that is at odds with everything else; null where it cannot be told. */
  readonly odd: string | null
  readonly call: Call
}

/** A disk reads in a drive where all its sectors came and some margin was left, as far as that was measured. */
const reads = (r: DiskReading) => r.sectors > 0 && r.good === r.sectors && (r.margin ?? 1) > 0.2

/**
 * Disks that a drive reads differently: one whole, the other not. Where other drives or a third disk side with one,
 * the other is the odd
 * one; two disks in one drive alone decide nothing.
 * @param nameOf name of a disk
 */
export function disagreements(readings: readonly DiskReading[], nameOf: (disk: string) => string): Disagreement[] {
  // The latest reading of each disk in each drive.
  const latest = new Map<string, DiskReading>()
  for (const r of [...readings].sort((a, b) => byText(a.at, b.at))) latest.set(`${r.disk} ${r.drive}`, r)
  const all = [...latest.values()]
  const disks = [...new Set(all.map(r => r.disk))].sort()
  const out: Disagreement[] = []
  for (const [i, a] of disks.entries()) {
    for (const b of disks.slice(i + 1)) {
      const both = [...new Set(all.map(r => r.drive))].filter(d => latest.has(`${a} ${d}`) && latest.has(`${b} ${d}`))
      const differ = both.filter(d => reads(latest.get(`${a} ${d}`)!) !== reads(latest.get(`${b} ${d}`)!))
      if (differ.length) out.push(settle(a, b, both, differ))
    }
  }
  return out

  function settle(a: string, b: string, both: readonly string[], differ: readonly string[]): Disagreement {
    const fails = (disk: string) => differ.filter(d => !reads(latest.get(`${disk} ${d}`)!))
    const [aFails, bFails] = [fails(a), fails(b)]
    const third = (disk: string, against: string) =>
      all.some(
        r =>
          r.disk !== a &&
          r.disk !== b &&
          differ.includes(r.drive) &&
          reads(r) === reads(latest.get(`${against} ${r.drive}`)!) &&
          reads(r) !== reads(latest.get(`${disk} ${r.drive}`)!),
      )
    const oddIs = (disk: string, own: readonly string[], other: readonly string[], against: string) =>
      other.length === 0 && (own.length >= 2 || third(disk, against))
    const odd = oddIs(a, aFails, bFails, b) ? a : oddIs(b, bFails, aFails, a) ? b : null
    const call: Call = odd
      ? {
          kind: 'mend',
          reasons: [
            `${nameOf(odd)} is the odd one: ${differ.length} of ${both.length} drives that read ${nameOf(odd === a ? b : a)} whole do not read it.`,
          ],
          next: 'Retire it, or write it again on a verified drive.',
        }
      : {
          kind: 'unknown',
          reasons: [
            `${nameOf(a)} and ${nameOf(b)} disagree in ${differ.length === 1 ? 'one drive' : `${differ.length} drives`}, and nothing sides with either.`,
          ],
          next: 'Read both in a second verified drive, or a third disk in this one.',
        }
    return { disks: [a, b], drives: differ, odd, call }
  }
}

/** A standing in words, as a certificate carries it. @param tagOf tag of a drive by its id */
export function diskWord(
  standing: Pick<DiskStanding, 'disk' | 'trusted' | 'rests' | 'chain'>,
  tagOf: (drive: string) => string | undefined = () => undefined,
): { name: string; trusted: boolean; rests: DiskStanding['rests']; chain: string[] } {
  return {
    name: standing.disk.name,
    trusted: standing.trusted,
    rests: standing.rests,
    chain: standing.chain.map(l => `${l.name}, by ${tagOf(l.by) ?? (l.by || 'nobody knows who')} (${PROOFS[l.proof]})`),
  }
}
