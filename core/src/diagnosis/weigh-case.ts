import { weighFaults, type Hypothesis } from './engine'
import { evidenceOf } from './case/evidence-of'
import type { DiagnosisCase } from './case/read-case'
import { compileDrive, type DriveModel } from './drive/compile'
import type { Evidence } from './drive/evidence'
import { findComplaint } from './knowledge/knowledge'
import type { CheckNeed, Fault, Knowledge } from './knowledge/types'
import { weighing, type Weighing } from './drive/weigh'

/** Everything that advice is worked out from. */
export interface Weighed {
  readonly drive: DriveModel
  readonly evidence: readonly Evidence[]
  readonly weigh: Weighing
  /** By the engine's numbers; weights sum to 1 without what is in no list. */
  readonly hypotheses: readonly Hypothesis[]
  readonly unknown: number
  readonly leftOut: number
  /** Probability of each fault, by its id, that it is there still. */
  readonly byFault: ReadonlyMap<string, number>
  /** How much likelier another case made faults beforehand. */
  readonly carried: Readonly<Record<string, number>>
  /** What cannot be had or done now. */
  readonly without: readonly CheckNeed[]
  readonly skip: ReadonlySet<string>
}

/** The fault of one of the engine's numbers. */
export const faultAt = (w: Pick<Weighed, 'drive' | 'weigh'>, number: number) =>
  w.drive.elements[w.weigh.relevant[number]!]!.fault

/** A fault of the drive by its id. */
export const faultOf = (w: Pick<Weighed, 'drive'>, id: string): Fault => w.drive.faultById.get(id)!

/** Whether anybody complains of anything that can be seen. */
const complains = (c: DiagnosisCase): boolean => c.complaints.some(x => findComplaint(x.id)!.means.length > 0)

export interface WeighOptions {
  /** How much more often than in the list this workshop met each fault, by its id. */
  readonly factors?: Readonly<Record<string, number>>
  /** How much likelier faults are by the case of the drive that had its place before, by their ids. */
  readonly carried?: Readonly<Record<string, number>>
  /** Functions, parts and faults of this workshop, where it has edited them. */
  readonly knowledge?: Knowledge
  /** What cannot be had or done now: checks that need it are not proposed. */
  readonly without?: readonly CheckNeed[]
  /** Checks that cannot be made here, by their ids. */
  readonly skip?: ReadonlySet<string>
}

/** Weighs all evidence of a case. */
export function weighCase(
  c: DiagnosisCase,
  { factors, carried = {}, knowledge, without = [], skip = new Set() }: WeighOptions = {},
): Weighed {
  const drive = compileDrive(c, together(factors, carried), knowledge)
  const evidence = evidenceOf(c, drive)
  const weigh = weighing(drive, evidence, complains(c))
  const posterior = weighFaults(weigh.model)
  const byFault = new Map<string, number>()
  posterior.marginals.forEach((p, n) => {
    const { id } = faultAt({ drive, weigh }, n)
    byFault.set(id, (byFault.get(id) ?? 0) + p * weigh.still(n))
  })
  return {
    drive,
    evidence,
    weigh,
    hypotheses: posterior.hypotheses,
    unknown: 1 / (1 + Math.exp(posterior.logTotal - weigh.unlisted)),
    leftOut: posterior.leftOut,
    byFault,
    carried,
    without,
    skip,
  }
}

/** The product of both; one of them alone stays as it is. */
function together(
  factors: WeighOptions['factors'],
  carried: Readonly<Record<string, number>>,
): WeighOptions['factors'] {
  const ids = Object.keys(carried)
  if (ids.length === 0) return factors
  return { ...factors, ...Object.fromEntries(ids.map(id => [id, (factors?.[id] ?? 1) * carried[id]!])) }
}
