import { ParameterError } from '@wobrin/core/base/errors'
import { findCalculator } from '@wobrin/core/calculators/registry'
import type { LogEntry } from '@wobrin/core/log'
import { keysOf, rowKey, type Judged } from '@wobrin/core/calculators/calculator'
import { judgedCalculator, type DiagnosisCase } from '@wobrin/core/diagnosis'

type Answer = Judged & { readonly problem: { readonly field: string; readonly text: string } | null }

/**
 * An instrument that is a sum: what is typed is judged with every stroke, and kept with a drive when asked.
 * @param known what else is known of the drive at hand
 */
export function useSum(
  id: string,
  start: Readonly<Record<string, string>> = {},
  known: () => DiagnosisCase | null = () => null,
) {
  const sum = findCalculator(id)
  const keys = keysOf(sum)
  const typed = reactive<Record<string, string>>(Object.fromEntries(keys.map(k => [k, start[k] ?? ''])))

  const answer = computed<Answer>(() => {
    try {
      return { ...judgedCalculator(sum, typed, known()), problem: null }
    } catch (error) {
      if (!(error instanceof ParameterError)) throw error
      return {
        result: null,
        needed: [],
        doubts: [],
        problem: {
          field: error.where.field ?? '',
          text: `${error.problem.charAt(0).toUpperCase()}${error.problem.slice(1)}; expected ${error.expected}.`,
        },
      }
    }
  })

  /** Rows up to the last one with a word in it, and an empty one to go on with. */
  const rows = computed(() => {
    const { list } = sum
    if (!list) return 0
    const last = Array.from({ length: list.most }, (_, i) => i).findLast(i =>
      list.fields.some(f => typed[rowKey(list, i, f.key)]),
    )
    return Math.min(list.most, (last ?? -1) + 2)
  })

  const said = () => Object.fromEntries(keys.flatMap(k => (typed[k] ? [[k, typed[k]]] : [])))
  const { post } = useLogPost()
  const keep = (driveId: string): Promise<LogEntry> => post(driveId, 'sums', { instrument: id, values: said() })
  const clear = () => {
    for (const k of keys) typed[k] = ''
  }
  /** Takes a row out; those under it move up. */
  function dropRow(row: number): void {
    const list = sum.list!
    for (let i = row; i < list.most; i++)
      for (const f of list.fields)
        typed[rowKey(list, i, f.key)] = i + 1 < list.most ? typed[rowKey(list, i + 1, f.key)]! : ''
  }
  return { sum, typed, answer, rows, keep, clear, dropRow }
}
