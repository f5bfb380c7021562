import { ParameterError } from '@wobrin/core/errors'
import { findSum } from '@wobrin/core/instruments'
import type { LogEntry } from '@wobrin/core/observations'
import { judgeSum, type Judged } from '@wobrin/core/sums'

type Answer = Judged & { readonly problem: { readonly field: string, readonly text: string } | null }

/** An instrument that is a sum: what is typed is judged with every stroke, and kept with a drive when asked. */
export function useSum(id: string, start: Readonly<Record<string, string>> = {}) {
  const sum = findSum(id)
  const typed = reactive<Record<string, string>>(Object.fromEntries(sum.fields.map(f => [f.key, start[f.key] ?? ''])))

  const answer = computed<Answer>(() => {
    try {
      return { ...judgeSum(sum, typed), problem: null }
    }
    catch (error) {
      if (!(error instanceof ParameterError)) throw error
      return { result: null, needed: [], doubts: [], problem: { field: error.where.field ?? '', text: `${error.problem.charAt(0).toUpperCase()}${error.problem.slice(1)}; expected ${error.expected}.` } }
    }
  })

  const keep = (driveId: string): Promise<LogEntry> => $fetch<LogEntry>(`/api/drives/${driveId}/sums`, {
    method: 'POST', retry: 2, body: { id: crypto.randomUUID(), at: new Date().toISOString(), instrument: id, values: { ...typed } },
  })
  const clear = () => { for (const f of sum.fields) typed[f.key] = '' }
  return { sum, typed, answer, keep, clear }
}
