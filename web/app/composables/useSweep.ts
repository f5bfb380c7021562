import { judgeSweep, type SweepPosition, type SweepResult } from '@wobrin/core/carriage'

/** One try as it was typed. */
export interface SweepRow { readonly id: number, readonly position: number, readonly lower: number, readonly upper: number | null, readonly struck: boolean }

/** A sweep of an adjuster by hand: tries in any order, wrong ones struck out and not erased. */
export function useSweep() {
  const rows = ref<SweepRow[]>([])
  const expected = ref(11)
  const two = ref(true)
  const unit = ref('marks')
  const entry = reactive({ position: '', lower: '', upper: '' })
  const problem = ref<string | null>(null)
  let made = 0

  const standing = computed<SweepPosition[]>(() => rows.value.filter(r => !r.struck).map(r => ({
    position: r.position, lower: { good: r.lower, expected: expected.value }, upper: two.value ? { good: r.upper ?? 0, expected: expected.value } : null,
  })))
  const judged = computed<{ readonly result: SweepResult } | { readonly problem: string }>(() => {
    try {
      return { result: judgeSweep(standing.value, { unit: unit.value }) }
    }
    catch (error) {
      return { problem: (error as Error).message }
    }
  })
  const result = computed(() => 'result' in judged.value ? judged.value.result : null)
  const amiss = computed(() => 'problem' in judged.value ? judged.value.problem : problem.value)

  const number = (text: string) => text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.').replace('−', '-'))

  /** Takes what was typed. */
  function add(): void {
    const [position, lower, upper] = [number(entry.position), number(entry.lower), two.value ? number(entry.upper) : null]
    const count = (n: number | null) => n === null || (Number.isInteger(n) && n >= 0 && n <= expected.value)
    problem.value = !Number.isFinite(position) ? `The position “${entry.position}” is no number.` : !count(lower) ? `“${entry.lower}” sectors on the lower head cannot be: 0 to ${expected.value}.` : !count(upper) ? `“${entry.upper}” sectors on the upper head cannot be: 0 to ${expected.value}.` : null
    if (problem.value) return
    rows.value = [...rows.value, { id: ++made, position, lower, upper, struck: false }]
    Object.assign(entry, { position: result.value?.tryNext === null || !result.value ? '' : String(Number(result.value.tryNext.toPrecision(3))), lower: '', upper: '' })
  }

  const strike = (id: number) => { rows.value = rows.value.map(r => r.id === id ? { ...r, struck: !r.struck } : r) }
  function clear(): void {
    rows.value = []
    Object.assign(entry, { position: '', lower: '', upper: '' })
    problem.value = null
  }

  return { rows, expected, two, unit, entry, result, amiss, add, strike, clear }
}
