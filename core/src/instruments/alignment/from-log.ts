import { ADJUSTER_NAMES, type MechanismId } from '../../drives'
import { plain, type Call, type Observation } from '../../base/observations'
import type { SweepEntryData } from '../../log'
import type { SweepPosition } from './check-positions'
import { judgeRecheck } from './recheck'
import { judgeSweep, type SweepContext, type SweepResult } from './sweep'

/** Tries that hold, as the estimate takes them. */
export const positionsOf = (data: Pick<SweepEntryData, 'rows'>): SweepPosition[] =>
  data.rows.filter(r => !r.struck).map(({ struck: _, source: __, ...r }) => r)

export const contextOf = (
  data: Pick<SweepEntryData, 'scale' | 'adjuster' | 'travel' | 'stood' | 'umPerUnit' | 'witness' | 'by'>,
  mechanism: MechanismId,
): SweepContext => ({
  unit: data.scale,
  adjuster: data.adjuster,
  mechanism,
  travel: data.travel,
  stood: data.stood ?? undefined,
  witness: data.witness ?? undefined,
  by: data.by ?? undefined,
  umPerUnit: data.umPerUnit ?? undefined,
})

export interface SweepOnLog {
  readonly title: string
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly result: SweepResult
}

/**
 * A whole sweep as the log has it: the sweep, where the adjuster was set, and the look after tightening, whose call
 * then counts.
 * @throws ParameterError that names the row or the zone
 */
export function sweepOnLog(data: SweepEntryData, mechanism: MechanismId): SweepOnLog {
  const result = judgeSweep(positionsOf(data), contextOf(data, mechanism))
  const name = ADJUSTER_NAMES[data.adjuster]
  const at = (x: number) => `${plain(x)} ${data.scale}`
  const title =
    data.setTo === null
      ? `Sweep of the ${name}: ${positionsOf(data).length} positions`
      : `The ${name} set to ${at(data.setTo)}`
  if (data.setTo === null || !result.common)
    return { title, call: result.call, observations: result.observations, result }
  if (!data.recheck)
    return {
      title,
      call: {
        kind: 'unknown',
        reasons: [`Set to ${at(data.setTo)}; tightening may have moved it.`, ...result.call.reasons],
        next: 'Tighten, and read outer, middle and inner on both heads.',
      },
      observations: result.observations,
      result,
    }
  const { call, observations } = judgeRecheck(data.setTo, result.common, data.recheck, data.scale)
  return { title, call, observations: [...result.observations, ...observations], result }
}
