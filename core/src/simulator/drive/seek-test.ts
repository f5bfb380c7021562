import { mostNamed } from '../../signals/codes'
import type { Call } from '../../base/observations'
import type { Random } from '../random'
import { SimulatedHost, type HostOptions } from './host'
import type { SimulatedDrive } from './simulated-drive'

/** One seek of a seek test: where it should have ended, and what was read there. */
export interface SeekTried {
  readonly from: number
  readonly to: number
  readonly reads: number | null
}

/** Seeks to and fro at random and reads one turn after each; yields after each seek. */
export function* seekTest(
  drive: SimulatedDrive,
  seeks: number,
  random: Random,
  options: Pick<HostOptions, 'stepMs' | 'settleMs'>,
): Generator<SeekTried, SeekTried[]> {
  const host = new SimulatedHost(drive, options)
  host.start()
  host.home()
  const tried: SeekTried[] = []
  for (let i = 0; i < seeks && drive.media; i++) {
    const from = host.believes ?? 0
    const to = Math.floor(random.next() * drive.media.layout.cylinders)
    host.seek(to)
    const { read } = host.read(0, 1)
    const one = { from, to, reads: read ? (mostNamed(read.sectors.filter(s => s.status === 'good')) ?? null) : null }
    tried.push(one)
    yield one
  }
  return tried
}

/** What a seek test says of the carriage. */
export function judgeSeeks(tried: readonly SeekTried[]): Call {
  const blind = tried.filter(s => s.reads === null)
  // A seek loses steps where it is off by another amount than the last one that could be read.
  const read = tried.filter(s => s.reads !== null)
  const home =
    read.length && read.every(s => s.reads! - s.to === read[0]!.reads! - read[0]!.to)
      ? read[0]!.reads! - read[0]!.to
      : 0
  const off = read.filter((s, i) => s.reads! - s.to !== (i ? read[i - 1]!.reads! - read[i - 1]!.to : home))
  if (tried.length === 0 || blind.length > tried.length / 2)
    return {
      kind: 'unknown',
      reasons: ['Too little could be read to tell where the seeks end.'],
      next: 'Clean the heads, or take a disk that reads.',
    }
  if (off.length === 0 && home === 0)
    return {
      kind: 'leave',
      reasons: [`All ${tried.length - blind.length} seeks that could be read end where they should.`],
      next: 'Read the whole surface.',
    }
  if (off.length === 0)
    return {
      kind: 'nudge',
      reasons: [`Every seek ends ${Math.abs(home)} off, and always the same: the track-zero position itself is off.`],
      next: 'Look at the track-zero sensor.',
    }
  const crossed = (c: number) => off.filter(s => Math.min(s.from, s.to) <= c && Math.max(s.from, s.to) > c).length
  const most = Math.max(...tried.map(s => Math.max(s.from, s.to)))
  const worst = Array.from({ length: most }, (_, c) => c).sort((a, b) => crossed(b) - crossed(a))[0] ?? 0
  return {
    kind: 'mend',
    reasons: [`${off.length} of ${tried.length} seeks lose steps on the way; most of them pass cylinder ${worst}.`],
    next: 'Clean and oil the guide rail and the screw or band there, then test again.',
  }
}
