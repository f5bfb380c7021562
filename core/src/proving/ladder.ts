import { findingsAmong } from '../findings'
import { LAYOUTS, layoutsOf, type MechanismId } from '../mechanisms'
import { boundSaid, CONFIDENCE } from './bound-said'
import { checksOf, judgeWriteTest, type WriteCheck } from './write-test'
import { spaced, trialsFor } from '../numbers'
import { standingEntries, type Call, type LogEntry } from '../observations'
import { UNEASY } from '../recording'
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

/** How a test came out, by the log. */
export interface TestState {
  readonly test: ProofTest
  readonly state: 'passed' | 'failed' | 'not done'
  /** What the log says, a sentence; for counts with the bound that they allow. */
  readonly says: string
  readonly entry: LogEntry | null
}

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

/** Checks of a write test that make up a proof. */
const WRITTEN: Readonly<Partial<Record<ProofTest['id'], readonly WriteCheck['id'][]>>> = {
  format: ['format', 'first', 'last', 'second-head', 'time', 'home'],
  pattern: ['pattern'],
  overwrite: ['overwrite'],
}

/**
 * What a drive may claim by its log: each rung with the tests that it takes, what they showed, and what the rung hides.
 * @param trusts whether a reference disk is trusted; null where it is none of the shelf's
 */
export function ladderOf(
  mechanism: MechanismId,
  log: readonly LogEntry[],
  trusts: (disk: string) => boolean | null = () => null,
): Ladder {
  const standing = standingEntries(log)
  const found = findingsAmong(standing)
  const writeTests = standing.filter(e => e.data?.type === 'write-test')
  /** What the last write test says of some checks, where all that the class has were tried; null where they were not. */
  const written = (test: ProofTest, ids: readonly WriteCheck['id'][], sinceSeq: number): TestState | null => {
    const here = ids.filter(id => checksOf(mechanism).includes(id))
    for (const entry of writeTests.toReversed()) {
      if (entry.seq <= sinceSeq || entry.data?.type !== 'write-test') return null
      const checks = judgeWriteTest(mechanism, entry.data.result).checks.filter(
        c => here.includes(c.id) && c.state !== 'open',
      )
      const failed = checks.filter(c => c.state === 'failed')
      if (failed.length) return { test, state: 'failed', says: `${failed[0]!.label}: ${failed[0]!.says}`, entry }
      if (checks.length === here.length && here.length)
        return {
          test,
          state: 'passed',
          says: `${checks[0]!.says}${
            checks.length > 1
              ? ` Passed with it: ${checks
                  .slice(1)
                  .map(c => c.label.toLowerCase())
                  .join(', ')}.`
              : ''
          }`,
          entry,
        }
    }
    return null
  }
  const counted = (test: ProofTest): TestState => {
    const own = standing.filter(e => e.data?.type === 'proof' && e.data.test === test.id)
    const last = own.at(-1)
    const byWriteTest = WRITTEN[test.id]
    const w = byWriteTest ? written(test, byWriteTest, last?.seq ?? 0) : null
    if (w) return w
    if (last?.data?.type !== 'proof') return none(test)
    const { errors, sectors } = last.data
    // One failure condemns nothing: what failed is tried once more before it counts, and the latest counts.
    if (errors > 0)
      return {
        test,
        state: 'failed',
        says: `${errors} of ${sectors} sectors failed.${own.length === 1 ? ' Once is no proof: clean, and try another disk.' : ''}`,
        entry: last,
      }
    return {
      test,
      state: 'passed',
      says: `${spaced(sectors)} sectors without an error: ${boundSaid(sectors)}.`,
      entry: last,
    }
  }
  const none = (test: ProofTest): TestState => ({ test, state: 'not done', says: test.how, entry: null })
  // What the stand-in read says nothing of this drive.
  const tests = standing.filter(e => e.data?.type === 'read-test' && !e.data.simulated)
  const readTest = (test: ProofTest, entry: LogEntry | undefined, least: number): TestState => {
    if (entry?.data?.type !== 'read-test') return none(test)
    const { bars } = entry.data
    const [good, all] = [bars.reduce((n, b) => n + b[3], 0), bars.reduce((n, b) => n + b[3] + b[4] + b[5], 0)]
    const margin = Math.min(...bars.map(b => b[2])) / 100
    const whole = good === all && bars.every(b => b[6] === 0)
    if (!whole)
      return {
        test,
        state: 'failed',
        says: `${good} of ${all} sectors read${bars.some(b => b[6] > 0) ? ', and headers of other cylinders came' : ''}.`,
        entry,
      }
    if (margin < least)
      return {
        test,
        state: 'failed',
        says: `All ${spaced(all)} sectors read, but at one place ${Math.round(margin * 100)} % of the window is left; ${least * 100} % is wanted.`,
        entry,
      }
    return {
      test,
      state: 'passed',
      says: `All ${spaced(all)} sectors read, at least ${Math.round(margin * 100)} % of the window left: ${boundSaid(all)}.`,
      entry,
    }
  }
  /** A trusted disk whose sectors a person counted: all zones of each head that it has. */
  const countedRead = (test: ProofTest, entry: LogEntry): TestState => {
    if (entry.data?.type !== 'cross-read') return none(test)
    const { places } = entry.data
    const [good, all] = [2, 3].map(i => places.reduce((n, p) => n + (p[i] as number), 0)) as [number, number]
    if (good < all)
      return { test, state: 'failed', says: `${good} of ${all} sectors of it read, counted by hand.`, entry }
    const heads = LAYOUTS[layoutsOf(mechanism)[0] ?? '']?.heads ?? 1
    if (places.length < 3 * heads)
      return {
        test,
        state: 'not done',
        says: `Only ${places.length} of ${3 * heads} places of it were read: outer, middle and inner with each head.`,
        entry: null,
      }
    return {
      test,
      state: 'passed',
      says: `All ${spaced(all)} sectors that were tried read, outer to inner, counted by hand: ${boundSaid(all)}.`,
      entry,
    }
  }
  const by = (test: ProofTest): TestState => {
    switch (test.id) {
      case 'speed': {
        const e = standing.findLast(x => x.data?.type === 'speed')
        return e
          ? {
              test,
              state: e.call?.kind === 'leave' ? 'passed' : 'failed',
              says: e.call?.reasons[0] ?? e.title,
              entry: e,
            }
          : none(test)
      }
      case 'home': {
        const sum = standing.findLast(x => x.data?.type === 'sum' && x.data.instrument === 'home')
        const surface = tests.at(-1)
        const e = sum && (!surface || sum.seq > surface.seq) ? sum : surface
        if (!e) return none(test)
        if (e === sum)
          return {
            test,
            state: e.call?.kind === 'leave' ? 'passed' : 'failed',
            says: e.call?.reasons[0] ?? e.title,
            entry: e,
          }
        const off = e.observations.find(o => o.key === 'surface.home')
        return off
          ? {
              test,
              state: 'failed',
              says: `Headers name ${String(off.value)} cylinders more than the count.`,
              entry: e,
            }
          : {
              test,
              state: 'passed',
              says: 'Headers name what the count of steps says, on the surface that was read last.',
              entry: e,
            }
      }
      case 'protect': {
        const f = found.filter(x => x.question.id === 'protect').at(-1)
        return (
          written(test, ['blocks', 'allows'], f?.entry.seq ?? 0) ??
          (f
            ? {
                test,
                state: f.finding.id === 'protect.both' ? 'passed' : 'failed',
                says: f.finding.means,
                entry: f.entry,
              }
            : none(test))
        )
      }
      case 'read-trusted': {
        const byHand = standing.findLast(e => e.data?.type === 'cross-read' && trusts(e.data.disk) === true)
        const surface = tests.findLast(
          e =>
            e.data?.type === 'read-test' &&
            (e.data.disk ? trusts(e.data.disk) === true : e.data.read?.trusted === true),
        )
        return byHand && byHand.seq > (surface?.seq ?? 0) ? countedRead(test, byHand) : readTest(test, surface, 0)
      }
      case 'surface': {
        const { cylinders, heads } = LAYOUTS[layoutsOf(mechanism)[0] ?? ''] ?? { cylinders: 0, heads: 1 }
        return readTest(
          test,
          tests.findLast(e => e.data?.type === 'read-test' && e.data.bars.length >= cylinders * heads * 0.97),
          UNEASY,
        )
      }
      case 'radial': {
        const e = standing.findLast(x => x.data?.type === 'sum' && x.data.instrument === 'lobes')
        return e
          ? {
              test,
              state: e.call?.kind === 'leave' ? 'passed' : 'failed',
              says: e.call?.reasons[0] ?? e.title,
              entry: e,
            }
          : none(test)
      }
      default:
        return counted(test)
    }
  }
  const rungs = RUNG_IDS.map((id): RungState => {
    const states = testsOf(mechanism)
      .filter(t => t.rung === id)
      .map(by)
    return { id, tests: states, reached: states.length > 0 && states.every(s => s.state === 'passed') }
  })
  const broken = rungs.findIndex(r => !r.reached)
  const stands = broken === 0 ? null : rungs[broken < 0 ? rungs.length - 1 : broken - 1]!.id
  const reached = rungs.slice(0, broken < 0 ? rungs.length : broken)
  const failed = rungs.flatMap(r => r.tests).filter(t => t.state === 'failed')
  return {
    rungs,
    stands,
    claims: reached.flatMap(r => [
      RUNGS[r.id].shows,
      ...r.tests
        .filter(
          t =>
            t.entry?.data?.type === 'proof' ||
            t.entry?.data?.type === 'read-test' ||
            t.entry?.data?.type === 'write-test' ||
            t.entry?.data?.type === 'cross-read',
        )
        .map(t => `${t.test.title}: ${t.says}`),
    ]),
    notClaims: [
      ...(stands ? [RUNGS[stands].hides] : ['That it works at all: no rung is reached.']),
      ...rungs
        .slice(reached.length)
        .map(r => `Not shown: ${RUNGS[r.id].title.charAt(0).toLowerCase()}${RUNGS[r.id].title.slice(1)}.`),
    ],
    call: callOf(),
  }

  function callOf(): Call {
    if (failed.length)
      return {
        kind: 'unknown',
        reasons: [`${failed[0]!.test.title}: ${failed[0]!.says}`],
        next: 'Once more before anything is condemned: another disk, heads clean. Then say what it is.',
      }
    const next = rungs.flatMap(r => r.tests).find(t => t.state === 'not done')
    if (!next)
      return {
        kind: 'leave',
        reasons: ['Every rung is reached.'],
        next: 'Close it up, and repeat the short proof with its covers on.',
      }
    return stands
      ? {
          kind: 'unknown',
          reasons: [`It stands at “${RUNGS[stands].title}”. ${RUNGS[stands].hides}`],
          next: `Next: ${next.test.title.toLowerCase()}.`,
        }
      : { kind: 'unknown', reasons: ['Nothing is proved yet.'], next: `First: ${next.test.title.toLowerCase()}.` }
  }
}

/** Tests that a class has: what steps not has no home, and what follows by servo nothing to align. */
function testsOf(mechanism: MechanismId): readonly ProofTest[] {
  const stepless = layoutsOf(mechanism).length === 0
  // A cartridge comes formatted, and a drive cannot do it low.
  return PROOF_TESTS.filter(
    t => !(stepless && (t.id === 'home' || t.id === 'radial')) && !(mechanism === 'cartridge' && t.id === 'format'),
  )
}

/** The shortest list of tests that still has to be done for what an owner needs: lower rungs first, a disk that may be lost before one that may not. */
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
