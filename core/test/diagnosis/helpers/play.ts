import { MECHANISM_IDS, type MechanismId } from '../../../src/drives'
import {
  CHECKS,
  diagnose,
  FAULTS,
  readCase,
  withAnswer,
  type Diagnosis,
  type DiagnosisCase,
} from '../../../src/diagnosis'
import { Random } from '../../../src/simulator'
import {
  complaintsOf,
  measure,
  mendFault,
  problemsOf,
  RIG_FAULTS,
  soundRig,
  tryOut,
  works,
  type Rig,
} from '../../../src/simulator/rig'

/** A drive with hidden faults, and what its owner says of it. */
export interface Hidden {
  readonly mechanism: MechanismId
  readonly faults: readonly string[]
  readonly complaints: readonly string[]
  readonly rig: Rig
  readonly random: Random
}

/** Draws a drive with so many faults, until somebody would complain of it; both faults must show by themselves. */
export function drawDrive(seed: number, faults: 1 | 2): Hidden {
  const random = new Random(seed)
  for (;;) {
    const mechanism = MECHANISM_IDS[Math.floor(random.next() * MECHANISM_IDS.length)]!
    const rig = soundRig(mechanism)
    const able = RIG_FAULTS.filter(f => f.on(rig))
    const chosen = new Set<(typeof able)[number]>()
    while (chosen.size < faults) chosen.add(able[Math.floor(random.next() * able.length)]!)
    const alone = [...chosen].every(f => {
      const trial = soundRig(mechanism)
      f.break(trial.parts, new Random(seed + 1))
      return !works(trial, new Random(seed + 2))
    })
    for (const f of chosen) f.break(rig.parts, new Random(seed + 1))
    const complaints = complaintsOf(problemsOf(rig, random), rig.twoHeads)
    if (alone && complaints.length && new Set([...chosen].map(f => f.id.split(':')[0])).size === faults)
      return { mechanism, faults: [...chosen].map(f => f.id), complaints, rig, random }
  }
}

export interface Played {
  readonly hidden: Hidden
  /** The first case at which it would mend, or had nothing more to ask. */
  readonly first: Diagnosis
  readonly checks: number
  readonly minutes: number
  readonly mended: boolean
  readonly trail: readonly string[]
}

const MOST_CHECKS = 40

/** Answers of a check by the physics of the drive; what changes it is tried out. */
const answerOf = (h: Hidden, check: string): string | null =>
  /^(?:after|swap)\.|^drive\.elsewhere|^host\.other/.test(check)
    ? tryOut(h.rig, check, h.random)
    : measure(h.rig, check, h.random)

/** Follows the advice until the drive works: asks what is proposed, mends what it would mend. */
export function play(h: Hidden): Played {
  let c: DiagnosisCase = readCase({ mechanism: h.mechanism, complaints: h.complaints })
  let [checks, minutes] = [0, 0]
  let first: Diagnosis | null = null
  const trail: string[] = []
  const unable = new Set<string>()
  for (let i = 0; i < MOST_CHECKS; i++) {
    const d = diagnose(c, { skip: unable })
    if (d.mendNow) {
      first ??= d
      const fault = FAULTS.find(f => f.id === d.mendNow)!
      minutes += fault.cure.minutes
      const before = problemsOf(h.rig, h.random).size
      mendFault(h.rig, fault.id, h.random)
      const after = problemsOf(h.rig, h.random).size
      trail.push(`mend ${fault.id} ${before}->${after}`)
      if (after === 0) return { hidden: h, first, checks, minutes, mended: true, trail }
      const swap = `swap.${fault.part}`
      c = { ...withAnswer(c, swap, 'same'), complaints: [] }
      const left = complaintsOf(problemsOf(h.rig, h.random), h.rig.twoHeads)
      c = readAgain(h, c, left, swap)
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
    if (answer === 'cures') {
      first ??= diagnose(c, { skip: unable })
      return { hidden: h, first, checks, minutes, mended: true, trail }
    }
  }
  first ??= diagnose(c, { skip: unable })
  return { hidden: h, first, checks, minutes, mended: works(h.rig, h.random), trail }
}

/** After a cure that did not make it work, what it does wrong now is what is complained of. */
const readAgain = (h: Hidden, c: DiagnosisCase, complaints: readonly string[], swap: string): DiagnosisCase => ({
  ...readCase({ mechanism: h.mechanism, complaints: [...complaints] }),
  // What was seen of parts by themselves still holds; what the drive did is seen anew.
  checks: c.checks.filter(
    x => x.check === swap || /^(?:swap|found|ohms|sensor|switch|processor|straps|host\.setup)/.test(x.check),
  ),
})
