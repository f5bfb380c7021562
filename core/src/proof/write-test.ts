import { LAYOUTS, layoutsOf, type MechanismId } from '../drives'
import { spaced } from '../base/numbers'
import { boundSaid } from './bound-said'
import type { Call, Observation } from '../base/observations'
import type { CountedSectors, WriteTestResult } from '../log'

export interface WriteCheck {
  readonly id:
    'blocks' | 'allows' | 'format' | 'time' | 'first' | 'last' | 'second-head' | 'pattern' | 'overwrite' | 'home'
  readonly label: string
  readonly state: 'passed' | 'failed' | 'open'
  readonly says: string
  /** Its sentence carries a bound worked out from counted sectors. */
  readonly bounded?: true
}

export interface JudgedWriteTest {
  readonly checks: readonly WriteCheck[]
  readonly call: Call
  readonly observations: readonly Observation[]
}

/**
 * Turns that a track of a format takes at least: one to write it; at most: to wait, write, and verify twice (common
 * practice).
 */
const LEAST_TURNS = 1
const MOST_TURNS = 6

/**
 * What a class has no use for: what steps not has neither cylinders nor a home, and a cartridge is not formatted low.
 */
export function checksOf(mechanism: MechanismId): readonly WriteCheck['id'][] {
  const all: WriteCheck['id'][] = [
    'blocks',
    'allows',
    'format',
    'time',
    'first',
    'last',
    'second-head',
    'pattern',
    'overwrite',
    'home',
  ]
  const layout = LAYOUTS[layoutsOf(mechanism)[0] ?? '']
  if (!layout)
    return all.filter(
      c =>
        !['time', 'first', 'last', 'second-head', 'home', ...(mechanism === 'cartridge' ? ['format'] : [])].includes(c),
    )
  return layout.heads === 2 ? all : all.filter(c => c !== 'second-head')
}

const TITLES: Readonly<Record<WriteCheck['id'], string>> = {
  blocks: 'A protected disk is not written',
  allows: 'A write-enabled disk can be written',
  format: 'Format, verified',
  time: 'Time of the format',
  first: 'First cylinder',
  last: 'Last cylinder',
  'second-head': 'Second head',
  pattern: 'Pattern written and read back',
  overwrite: 'Another pattern over it',
  home: 'Track zero is found afterwards',
}

const sum = (counts: readonly (CountedSectors | null)[]): CountedSectors | null => {
  const there = counts.filter((c): c is CountedSectors => c !== null && c.sectors > 0)
  return there.length
    ? { good: there.reduce((n, c) => n + c.good, 0), sectors: there.reduce((n, c) => n + c.sectors, 0) }
    : null
}

/** Judges what a host said of writing: each check by itself, and what all of them together point to. */
export function judgeWriteTest(mechanism: MechanismId, r: WriteTestResult): JudgedWriteTest {
  const named = mechanism === 'quick-disk' ? 'blocks' : 'sectors'
  const counted = (id: WriteCheck['id'], count: CountedSectors | null, open: string): WriteCheck => ({
    id,
    label: TITLES[id],
    ...(count === null
      ? { state: 'open' as const, says: open }
      : count.good === count.sectors
        ? {
            state: 'passed' as const,
            says: `All ${spaced(count.sectors)} ${named} came back: ${boundSaid(count.sectors)}.`,
            bounded: true as const,
          }
        : { state: 'failed' as const, says: `${count.good} of ${spaced(count.sectors)} ${named} came back.` }),
  })
  const told = (id: WriteCheck['id'], is: boolean | null, yes: string, no: string, open: string): WriteCheck => ({
    id,
    label: TITLES[id],
    state: is === null ? 'open' : is ? 'passed' : 'failed',
    says: is === null ? open : is ? yes : no,
  })
  const all: Readonly<Record<WriteCheck['id'], WriteCheck>> = {
    blocks: told(
      'blocks',
      r.blocked,
      'The disk came out as it went in.',
      'It wrote on a protected disk.',
      'Try to write on a disk whose tab says no; read it afterwards.',
    ),
    allows: told(
      'allows',
      r.allowed,
      'It wrote.',
      'It refused, or nothing came back.',
      'Write on the same disk with its tab open.',
    ),
    format: counted('format', sum(r.format), 'Format the whole disk and verify it.'),
    time: timed(mechanism, r),
    first: counted('first', r.first, 'Count cylinder 0 by itself.'),
    last: counted('last', r.last, 'Count the innermost cylinder by itself.'),
    'second-head': counted(
      'second-head',
      r.format[1],
      'Count the upper head by itself: a host that formats one side passes it over.',
    ),
    pattern: counted('pattern', sum(r.pattern), 'Pseudo-random bytes, read back and compared.'),
    overwrite: counted(
      'overwrite',
      sum(r.overwrite),
      'Write other bytes over the first ones; what shines through fails.',
    ),
    home: told(
      'home',
      r.homeAfter,
      'It homed after the format and read cylinder 0.',
      'Track zero was not found, or cylinder 0 named another.',
      'Home once more after the format, and read cylinder 0.',
    ),
  }
  const checks = checksOf(mechanism).map(id => all[id])
  const failed = sum([...r.format, ...r.pattern, ...r.overwrite])
  return {
    checks,
    call: callOf(checks, r),
    observations: [
      {
        key: 'write.checks',
        label: 'Write test',
        value: `${checks.filter(c => c.state === 'passed').length} of ${checks.length} passed`,
        unit: '',
        how:
          checks
            .filter(c => c.state === 'failed')
            .map(c => c.label.toLowerCase())
            .join(', ') || 'nothing failed',
      },
      ...(failed
        ? [
            {
              key: 'write.failed',
              label: `Written and not read back`,
              value: failed.sectors - failed.good,
              unit: '',
              how: `of ${spaced(failed.sectors)} ${named}`,
            },
          ]
        : []),
    ],
  }
}

/**
 * A format that is quicker than the disk turns wrote nothing; one that takes several times as long tried again and
 * again.
 */
function timed(mechanism: MechanismId, r: WriteTestResult): WriteCheck {
  const base = { id: 'time' as const, label: TITLES.time }
  const rpm = LAYOUTS[layoutsOf(mechanism)[0] ?? '']?.rpm
  if (r.formatS === null || !r.tracks || !rpm)
    return { ...base, state: 'open', says: 'Time the format, from the first step to the last track.' }
  const turns = (r.formatS * rpm) / 60 / r.tracks
  const [least, most] = [LEAST_TURNS, MOST_TURNS].map(n => Math.ceil((n * r.tracks! * 60) / rpm)) as [number, number]
  const took = `${Math.round(r.formatS)} s for ${r.tracks} tracks, ${turns.toFixed(1)} revolutions each`
  if (turns < LEAST_TURNS)
    return {
      ...base,
      state: 'failed',
      says: `${took}: no disk turns that fast. Nothing was written; at least ${least} s.`,
    }
  if (turns > MOST_TURNS)
    return {
      ...base,
      state: 'failed',
      says: `${took}: the host tried again and again, or waited for ready; at most ${most} s is usual.`,
    }
  return { ...base, state: 'passed', says: `${took}.` }
}

const bad = (c: CountedSectors | null) => c !== null && c.good < c.sectors
const lost = (c: CountedSectors | null) => (c ? (c.sectors - c.good) / c.sectors : 0)

function callOf(checks: readonly WriteCheck[], r: WriteTestResult): Call {
  const is = (id: WriteCheck['id'], state: WriteCheck['state']) => checks.some(c => c.id === id && c.state === state)
  const failed = checks.filter(c => c.state === 'failed')
  if (is('blocks', 'failed'))
    return {
      kind: 'stop',
      reasons: ['It writes on a protected disk.'],
      next: 'No disk that matters goes in until its write-protect switch or sensor is mended.',
    }
  if (is('allows', 'failed'))
    return {
      kind: 'mend',
      reasons: ['It does not write a write-enabled disk, or nothing of it comes back.'],
      next: 'Does it read another disk? Then look at the write-protect switch or pin, and at WRITE GATE at the plug. If not, clean the heads first.',
    }
  if (
    is('time', 'failed') &&
    r.formatS !== null &&
    failed.find(c => c.id === 'time')!.says.includes('Nothing was written')
  )
    return {
      kind: 'unknown',
      reasons: [failed.find(c => c.id === 'time')!.says],
      next: 'Make the host write low, or look whether it saw the disk as formatted already.',
    }
  if (is('home', 'failed'))
    return {
      kind: 'mend',
      reasons: ['It does not find track zero after a format.'],
      next: 'Home ten times at Align before anything else is believed.',
    }
  const [lower, upper] = r.format
  if (lower && upper && bad(lower) !== bad(upper) && Math.abs(lost(lower) - lost(upper)) > 0.02)
    return {
      kind: 'mend',
      reasons: [
        `Only the ${bad(lower) ? 'lower' : 'upper'} head loses what it writes: ${Math.round(100 * Math.max(lost(lower), lost(upper)))} % of the sectors.`,
      ],
      next: 'Clean it; then another disk; then its coil and wires.',
    }
  if (is('last', 'failed') && !bad(r.first))
    return {
      kind: 'unknown',
      reasons: ['The innermost cylinder fails and the outermost does not: bits stand closest there.'],
      next: 'Clean the heads, and try a fresh disk before the carriage is suspected.',
    }
  if (is('first', 'failed') && !bad(r.last))
    return {
      kind: 'unknown',
      reasons: ['The outermost cylinder fails and the innermost does not.'],
      next: 'Look at the stop and at track zero; a disk is worn most there.',
    }
  if (is('overwrite', 'failed') && is('pattern', 'passed'))
    return {
      kind: 'mend',
      reasons: ['A pattern comes back, but not when it is written over another: what was there shines through.'],
      next: 'Was the disk written by wider heads? Erase it whole. If not, look at the erase coil and its current.',
    }
  if (failed.length)
    return {
      kind: 'unknown',
      reasons: [`${failed[0]!.label}: ${failed[0]!.says}`],
      next: 'Once more with another disk, heads clean, before a part is blamed.',
    }
  const open = checks.find(c => c.state === 'open')
  if (open)
    return {
      kind: 'unknown',
      reasons: [checks.some(c => c.state === 'passed') ? 'What was tried passed.' : 'Nothing was tried yet.'],
      next: open.says,
    }
  return {
    kind: 'leave',
    reasons: [`All ${checks.length} checks passed.`],
    next: 'Take the disk that it wrote to a verified drive: its own reading hides speed and alignment.',
  }
}
