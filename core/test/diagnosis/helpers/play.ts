import {
  CHECKS,
  diagnose,
  FAULTS,
  readCase,
  withAnswer,
  type Diagnosis,
  type DiagnosisCase,
} from '../../../src/diagnosis'
import {
  complaintsOf,
  cureFault,
  measure,
  seenInTries,
  RIG_FAULTS,
  tryOut,
  works,
  type Hidden,
} from '../../../src/simulator/rig'

export interface Played {
  readonly hidden: Hidden
  /** The first case at which it would mend, or had nothing more to ask. */
  readonly first: Diagnosis
  /** The case with all that was seen and done. */
  readonly last: Diagnosis
  readonly checks: number
  readonly minutes: number
  readonly mended: boolean
  readonly trail: readonly string[]
  /** Hidden faults that were to be mended, or stood first, when a cure was begun or what was tried helped. */
  readonly named: readonly string[]
}

const MOST_CHECKS = 40
/** Shares that differ by less count as one place in the list. */
const TIED = 0.97

/** Answers of a check by the physics of the drive; what changes it is tried out. */
const answerOf = (h: Hidden, check: string): string | null =>
  /^(?:after|swap)\.|^drive\.elsewhere|^host\.other/.test(check)
    ? tryOut(h.rig, check, h.random)
    : measure(h.rig, check, h.random)

/** Faults that the work on one of them cures: those of its part, for whoever mends a part leaves nothing else amiss. */
const curedWith = (fault: (typeof FAULTS)[number]): string[] => [
  fault.id,
  ...RIG_FAULTS.map(f => f.id).filter(
    id => id.split('.')[0] === fault.part || FAULTS.find(f => f.id === id)?.cure.says === fault.cure.says,
  ),
]

/** Follows the advice until the drive works: asks what is proposed, mends what it would mend. */
export function play(h: Hidden): Played {
  let c: DiagnosisCase = readCase({ mechanism: h.mechanism, complaints: h.complaints })
  let [checks, minutes] = [0, 0]
  let first: Diagnosis | null = null
  const trail: string[] = []
  /** What the physics does not answer as the drive is now. */
  const unable = new Set<string>()
  const named = new Set<string>()
  const note = (d: Diagnosis) => {
    // Two that are as likely as each other stand first together.
    const [top, second] = d.causes
    if (d.mendNow && h.faults.includes(d.mendNow)) named.add(d.mendNow)
    for (const c of [top, second])
      if (c && h.faults.includes(c.fault) && c.probability > (top?.probability ?? 0) * TIED) named.add(c.fault)
  }
  const ended = (mended: boolean): Played => {
    const last = diagnose(c, { skip: unable })
    note(last)
    return { hidden: h, first: first ?? last, last, checks, minutes, mended, trail, named: [...named] }
  }
  for (let i = 0; i < MOST_CHECKS; i++) {
    const d = diagnose(c, { skip: unable })
    if (d.mendNow) {
      first ??= d
      note(d)
      const fault = FAULTS.find(f => f.id === d.mendNow)!
      minutes += fault.cure.minutes
      const outcome = cureFault(h.rig, curedWith(fault), h.random)
      trail.push(`mend ${fault.id}=${outcome}`)
      c = withAnswer(c, d.cureCheck ?? `swap.${fault.part}`, outcome)
      if (outcome === 'cures') return ended(true)
      unable.clear()
      c = tryAgain(c, complaintsOf(seenInTries(h.rig, h.random), h.rig.twoHeads))
      continue
    }
    const next = d.next.find(n => !unable.has(n.check))
    if (!next) break
    const answer = answerOf(h, next.check)
    if (answer === null || !CHECKS.find(x => x.id === next.check)!.answers.includes(answer)) {
      unable.add(next.check)
      i--
      continue
    }
    checks++
    minutes += next.minutes
    trail.push(`${next.check}=${answer}`)
    c = withAnswer(c, next.check, answer)
    if (answer === 'cures') return ended(true)
    // What is better does something else wrong, or the same less often: that is what is complained of now.
    if (answer === 'better') {
      note(d)
      unable.clear()
      c = tryAgain(c, complaintsOf(seenInTries(h.rig, h.random), h.rig.twoHeads))
    }
  }
  return ended(works(h.rig, h.random))
}

/** After a cure that did not make it work, what it does now is complained of; what was known before stays known. */
function tryAgain(c: DiagnosisCase, complaints: readonly string[]): DiagnosisCase {
  const checks = c.checks.map((x, i) => ({ ...x, at: i + 1 }))
  const again = complaints.map(id => ({ id, at: checks.length + 0.5 }))
  return { ...c, checks, complaints: [...c.complaints.map(x => ({ ...x, at: x.at ?? 0 })), ...again] }
}
