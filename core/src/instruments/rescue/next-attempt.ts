import { median } from '../../base/numbers'
import { driveOf, type Attempt } from './attempt'
import type { RescuedSector } from './merge-attempts'
import type { Wear } from './wear'

/** What can be tried for what is missing. */
export type AttemptKind = 'again' | 'clean' | 'other-drive' | 'other-position' | 'slower'

/** What may be done next about a disk. */
export interface NextAttempt {
  readonly kind: AttemptKind | 'stop' | 'done'
  /** One command, with the reason. */
  readonly says: string
  /** Missing sectors that it is expected to win. */
  readonly expected: number
}

/**
 * What each kind of attempt is taken to win of the missing sectors before it was tried on this disk, and how many
 * sectors that opinion is worth (from memory: workshops differ).
 */
export const EXPECTED_SHARE: Readonly<Record<Exclude<AttemptKind, 'again'>, number>> = {
  clean: 0.25,
  'other-drive': 0.3,
  'other-position': 0.15,
  slower: 0.05,
}
const OPINION_OF = 8
/** Chance of one more revolution, before any is known, as a beta distribution: most missing sectors stay missing. */
const UNSTABLE = { a: 0.4, b: 3 }
/** Share of the sectors of a failing disk that no number of revolutions reads (from memory). */
const BEYOND_READING = 0.05
/** Fewer expected sectors are not worth the wear of another attempt. */
const WORTH_IT = 0.5

/**
 * The attempts that can be made, the one that is expected to win most first; to stop, where reading on does harm or
 * wins nothing.
 */
export function nextAttempts(
  attempts: readonly Attempt[],
  sectors: readonly RescuedSector[],
  wear: Wear | null,
): NextAttempt[] {
  const missing = sectors.filter(s => s.how === 'missing')
  if (missing.length === 0)
    return [{ kind: 'done', says: 'All sectors are there. Put the disk away and keep the image.', expected: 0 }]
  const options = [...others(attempts, sectors, missing), again(attempts, sectors, missing)].sort(
    (x, y) => y.expected - x.expected,
  )
  if (wear) {
    const percent = Math.round(-wear.change * 100)
    const says =
      `Take the disk out: the timing margin fell by ${percent} % from ${wear.from} to ${wear.to} ` +
      `(${wear.fell} of ${wear.sectors} sectors). Clean the heads and look at the disk for loose coating and grooves ` +
      'before anything else reads it.'
    return [{ kind: 'stop', says, expected: 0 }, ...options]
  }
  if (options[0]!.expected < WORTH_IT && attempts.length > 1) {
    const says =
      `End here: no attempt is expected to win one of the ${missing.length} missing sectors, ` +
      'and every revolution wears the disk. Look at what the missing sectors hold first.'
    return [{ kind: 'stop', says, expected: 0 }, ...options]
  }
  return options
}

/** As many revolutions more on the drive that read most. */
function again(
  attempts: readonly Attempt[],
  sectors: readonly RescuedSector[],
  missing: readonly RescuedSector[],
): NextAttempt {
  const turns = attempts.map((_, i) => usualTurns(sectors, i))
  const best = attempts
    .map((a, i) => ({ a, i, whole: sectors.filter(s => s.byAttempt[i]!.whole > 0).length }))
    .sort((x, y) => y.whole - x.whole)[0]!
  const more = turns[best.i]!
  const share = unstableShare(sectors, best.i)
  // A sector whose header does not read was under the head all the same.
  const failed = (s: RescuedSector) => s.byAttempt.reduce((n, t, i) => n + (t.seen || turns[i]!), 0)
  const expected = missing.reduce((sum, s) => sum + chanceAfter(share, failed(s), more), 0)
  const times = more === 1 ? 'once' : `for ${more} revolutions a track`
  const says =
    `Read the tracks with missing sectors again on ${driveOf(best.a)}, ${times}: ` +
    'new readings also add to those that there are.'
  return { kind: 'again', says, expected }
}

/** Revolutions of a track in an attempt. */
const usualTurns = (sectors: readonly RescuedSector[], attempt: number): number =>
  Math.max(1, Math.round(median(sectors.map(s => s.byAttempt[attempt]!.seen).filter(n => n > 0)) || 1))

/**
 * Chance that more revolutions read a sector that so many did not: either it is one of the unstable ones, or it is
 * beyond reading, which grows likelier with each failure.
 */
function chanceAfter({ a, b }: { readonly a: number; readonly b: number }, failed: number, more: number): number {
  const unlucky = 1 - chanceInMore(a, b, failed)
  const unstable = ((1 - BEYOND_READING) * unlucky) / ((1 - BEYOND_READING) * unlucky + BEYOND_READING)
  return unstable * chanceInMore(a, b + failed, more)
}

/**
 * Beta distribution of the chance that a revolution reads a sector, by the sectors of an attempt that were read now
 * and then (method of moments); the starting value where they are too few.
 */
function unstableShare(sectors: readonly RescuedSector[], attempt: number): { a: number; b: number } {
  const own = sectors.map(s => s.byAttempt[attempt]!).filter(t => t.seen > 1 && t.whole < t.seen)
  if (own.length < 10) return UNSTABLE
  const shares = own.map(t => t.whole / t.seen)
  const mean = shares.reduce((x, y) => x + y) / shares.length
  const variance = shares.reduce((x, y) => x + (y - mean) ** 2, 0) / (shares.length - 1)
  const size = (mean * (1 - mean)) / variance - 1
  return mean > 0 && size > 0.1 ? { a: mean * size, b: (1 - mean) * size } : UNSTABLE
}

/** Chance of at least one success in so many more trials, the chance of each being beta distributed. */
export function chanceInMore(a: number, b: number, trials: number): number {
  let none = 1
  for (let i = 0; i < trials; i++) none *= (b + i) / (a + b + i)
  return 1 - none
}

/** The other kinds, each by its opinion and what it won on this disk so far. */
function others(
  attempts: readonly Attempt[],
  sectors: readonly RescuedSector[],
  missing: readonly RescuedSector[],
): NextAttempt[] {
  const tried = new Map<AttemptKind, { won: number; of: number }>()
  for (let i = 1; i < attempts.length; i++) {
    const kind = kindOf(attempts, i)
    if (kind === 'again') continue
    const open = sectors.filter(s => s.byAttempt.slice(0, i).every(t => t.whole === 0))
    const won = open.filter(s => s.byAttempt[i]!.whole > 0).length
    const before = tried.get(kind) ?? { won: 0, of: 0 }
    tried.set(kind, { won: before.won + won, of: before.of + open.length })
  }
  return (Object.keys(EXPECTED_SHARE) as (keyof typeof EXPECTED_SHARE)[]).map(kind => {
    const { won, of } = tried.get(kind) ?? { won: 0, of: 0 }
    const share = (EXPECTED_SHARE[kind] * OPINION_OF + won) / (OPINION_OF + of)
    return { kind, says: SAYS[kind], expected: share * missing.length }
  })
}

const SAYS: Readonly<Record<Exclude<AttemptKind, 'again'>, string>> = {
  clean: 'Clean the heads, look at the surface of the disk, and read the tracks with missing sectors again.',
  'other-drive':
    'Look at the surface of the disk; then read it in another drive of the type whose heads were just cleaned.',
  'other-position':
    'Read the tracks with missing sectors with the heads slightly off track, on a drive whose adjusters may be moved.',
  slower: 'Read the tracks with missing sectors at a slightly lower speed, where the drive has a trimmer.',
}

/** What an attempt did otherwise than all before it. */
function kindOf(attempts: readonly Attempt[], i: number): AttemptKind {
  const [now, before] = [attempts[i]!, attempts.slice(0, i)]
  if (before.every(a => a.drive !== now.drive)) return 'other-drive'
  if (now.cleaned) return 'clean'
  if (before.every(a => a.position !== now.position)) return 'other-position'
  return now.slower && !before.some(a => a.slower) ? 'slower' : 'again'
}
