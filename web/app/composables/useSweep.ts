import type { SourceId } from '@wobrin/core/base/observations'
import { ADJUSTER_NAMES, type AdjusterId, type MechanismId } from '@wobrin/core/drives'
import {
  contextOf,
  judgeRecheck,
  judgeSweep,
  positionsOf,
  type Counted,
  type SweepPosition,
  type SweepResult,
} from '@wobrin/core/instruments/alignment'
import type { ZoneRead, SweepEntryData } from '@wobrin/core/log'

/** One try, as it was typed, recorded or read. */
export interface SweepRow {
  readonly id: number
  readonly position: number
  readonly side: 'below' | 'above'
  readonly lower: Counted
  readonly upper: Counted | null
  readonly struck: boolean
  readonly source: SourceId
}

/** A number as a person types it; NaN where it is none. */
export const typedNumber = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.').replace('−', '-'))

/** The same; null where it is none. */
const typedOrNull = (text: string): number | null => {
  const value = typedNumber(text)
  return Number.isFinite(value) ? value : null
}

/**
 * A sweep of an adjuster: tries in any order, wrong ones struck out and not erased; then where it is set, and the
 * look after tightening.
 */
export function useSweep(mechanism: Ref<MechanismId>) {
  const rows = ref<SweepRow[]>([])
  const setup = reactive({
    adjuster: 'stepper' as AdjusterId,
    scale: 'marks',
    from: '-10',
    to: '10',
    stood: '0',
    witness: '',
    by: '' as '' | 'lower' | 'upper',
    expected: 11,
    two: true,
    umPerUnit: null as number | null,
  })
  const setTo = ref<number | null>(null)
  const recheck = ref<{ readonly position: number | null; readonly zones: readonly ZoneRead[] } | null>(null)
  const problem = ref<string | null>(null)
  let made = 0

  const travel = computed<[number, number]>(() => {
    const [from, to] = [typedNumber(setup.from), typedNumber(setup.to)]
    return Number.isFinite(from) && Number.isFinite(to) && from < to ? [from, to] : [-10, 10]
  })
  const stood = computed(() => typedOrNull(setup.stood))
  const witness = computed(() => typedOrNull(setup.witness))
  const data = computed(
    () =>
      ({
        adjuster: setup.adjuster,
        scale: setup.scale,
        travel: travel.value,
        stood: stood.value,
        witness: witness.value,
        by: setup.by || null,
        umPerUnit: setup.umPerUnit,
        rows: rows.value.map(({ id: _, ...r }) => r),
        setTo: setTo.value,
        recheck: recheck.value,
      }) satisfies Omit<SweepEntryData, 'type' | 'disk' | 'simulated'>,
  )
  const judged = computed<{ readonly result: SweepResult } | { readonly problem: string }>(() => {
    try {
      return { result: judgeSweep(positionsOf(data.value), contextOf(data.value, mechanism.value)) }
    } catch (error) {
      return { problem: (error as Error).message }
    }
  })
  const result = computed(() => ('result' in judged.value ? judged.value.result : null))
  const amiss = computed(() => ('problem' in judged.value ? judged.value.problem : problem.value))
  const checked = computed(() => {
    if (!recheck.value || setTo.value === null || !result.value?.common) return null
    try {
      return judgeRecheck(setTo.value, result.value.common, recheck.value, setup.scale)
    } catch {
      return null
    }
  })
  /** What counts now: the look after tightening, else the sweep. */
  const call = computed(() => checked.value?.call ?? result.value?.call ?? null)

  function add(p: SweepPosition, source: SourceId): void {
    problem.value = null
    rows.value = [...rows.value, { id: ++made, ...p, side: p.side ?? 'below', struck: false, source }]
    setTo.value = null
    recheck.value = null
  }
  const strike = (id: number) => {
    rows.value = rows.value.map(r => (r.id === id ? { ...r, struck: !r.struck } : r))
  }
  function clear(): void {
    rows.value = []
    setTo.value = null
    recheck.value = null
    problem.value = null
  }
  const name = computed(() => ADJUSTER_NAMES[setup.adjuster])

  return {
    rows,
    setup,
    travel,
    stood,
    data,
    result,
    amiss,
    problem,
    setTo,
    recheck,
    checked,
    call,
    name,
    add,
    strike,
    clear,
  }
}
