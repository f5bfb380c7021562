import { layoutsOf, type MechanismId } from '../drives'
import { trialsFor } from '../base/numbers'
import type { LogEntry } from '../log'
import { lowerFirst, type Call } from '../base/observations'
import { CONFIDENCE } from './bound-said'
import {
  NEEDS,
  PROOF_TESTS,
  RUNG_IDS,
  RUNGS,
  type NeedId,
  type ProofDisk,
  type ProofTest,
  type RungId,
} from './proof-tests'
import { TestReader, type ProvedDrive, type TestState } from './test-states'

export interface RungState {
  readonly id: RungId
  readonly reached: boolean
  readonly tests: readonly TestState[]
}

export interface Ladder {
  readonly rungs: readonly RungState[]
  /** The highest rung that is reached with all below it; null for none. */
  readonly stands: RungId | null
  /** What may be said, with its bounds, and what not. */
  readonly claims: readonly string[]
  readonly notClaims: readonly string[]
  readonly call: Call
}

export interface ProofPlan {
  readonly rung: RungId
  readonly tests: readonly ProofTest[]
  readonly minutes: number
  readonly disks: readonly Exclude<ProofDisk, 'none'>[]
}

/** Kinds of entries whose results are claims of their own, beside what their rung shows. */
const CLAIMS: ReadonlySet<string> = new Set(['proof', 'read-test', 'write-test', 'cross-read'])

/**
 * What a drive may claim by its log: each rung with the tests that it takes, what they showed, and what the rung hides.
 * A test that passed stands by itself: it is claimed whether or not the rungs below it are reached.
 * @param trusts whether a reference disk is trusted; null where it is none of the shelf's
 */
export function ladderOf(
  drive: ProvedDrive,
  log: readonly LogEntry[],
  trusts: (disk: string) => boolean | null = () => null,
): Ladder {
  const reader = new TestReader(drive, log, trusts)
  const rungs = RUNG_IDS.map((id): RungState => {
    const tests = testsOf(drive.mechanism)
      .filter(t => t.rung === id)
      .map(t => reader.state(t))
    return { id, tests, reached: tests.length > 0 && tests.every(s => s.state === 'passed') }
  })
  const broken = rungs.findIndex(r => !r.reached)
  const upTo = broken < 0 ? rungs.length : broken
  const stands = rungs[upTo - 1]?.id ?? null
  const unreached = rungs.filter(r => !r.reached).map(r => RUNGS[r.id].title)
  return {
    rungs,
    stands,
    claims: rungs.flatMap(claimsOf),
    notClaims: [
      stands ? RUNGS[stands].hides : 'That it works at all: the lowest level is not verified.',
      ...unreached.map(title => `Not shown: ${lowerFirst(title)}.`),
    ],
    call: callOf(rungs, stands),
  }
}

/** What a rung shows where it is reached, and each of its results that says more. */
function claimsOf(rung: RungState): string[] {
  const passed = rung.tests.filter(t => t.state === 'passed' && CLAIMS.has(t.entry?.data?.type ?? ''))
  const each = passed.map(t => `${t.test.title}: ${t.says}`)
  return rung.reached ? [RUNGS[rung.id].shows, ...each] : each
}

function callOf(rungs: readonly RungState[], stands: RungId | null): Call {
  const tests = rungs.flatMap(r => r.tests)
  const failed = tests.find(t => t.state === 'failed')
  if (failed)
    return {
      kind: 'unknown',
      reasons: [`${failed.test.title}: ${failed.says}`],
      next: 'Once more before a part is blamed: another disk, heads clean. Then say what it is.',
    }
  const next = tests.find(t => t.state === 'not done')
  if (!next)
    return {
      kind: 'leave',
      reasons: ['Every level is verified.'],
      next: 'Close it up, and repeat the short proof with its covers on.',
    }
  return stands
    ? {
        kind: 'unknown',
        reasons: [`It stands at “${RUNGS[stands].title}”. ${RUNGS[stands].hides}`],
        next: `Next: ${next.test.title.toLowerCase()}.`,
      }
    : { kind: 'unknown', reasons: ['Nothing is verified yet.'], next: `First: ${next.test.title.toLowerCase()}.` }
}

/** Tests that a class has: what steps not has no home, and what follows by servo nothing to align. */
function testsOf(mechanism: MechanismId): readonly ProofTest[] {
  const stepless = layoutsOf(mechanism).length === 0
  // A cartridge comes formatted, and a drive cannot do it low.
  return PROOF_TESTS.filter(
    t => !(stepless && (t.id === 'home' || t.id === 'radial')) && !(mechanism === 'cartridge' && t.id === 'format'),
  )
}

/**
 * The shortest list of tests that still has to be done for what an owner needs: lower rungs first, a disk that may be
 * lost before one that may not.
 */
export function planFor(need: NeedId, ladder: Ladder): ProofPlan {
  const { rung } = NEEDS[need]
  const open = ladder.rungs
    .slice(0, RUNG_IDS.indexOf(rung) + 1)
    .flatMap(r => r.tests)
    .filter(t => t.state !== 'passed')
    .map(t => t.test)
  const order: readonly ProofDisk[] = ['none', 'sacrificial', 'trusted', 'alignment']
  const tests = [...open].sort(
    (a, b) => order.indexOf(a.disk) - order.indexOf(b.disk) || PROOF_TESTS.indexOf(a) - PROOF_TESTS.indexOf(b),
  )
  const disks = order.filter((d): d is Exclude<ProofDisk, 'none'> => d !== 'none' && tests.some(t => t.disk === d))
  return { rung, tests, minutes: tests.reduce((n, t) => n + t.minutes, 0), disks }
}

/** How many more sectors without an error a stronger claim takes. @param rate to be shown, such as 1e-4 */
export const moreFor = (errors: number, sectors: number, rate: number): number =>
  Math.max(0, trialsFor(errors, rate, CONFIDENCE) - sectors)
