import type { Asked } from './useCaseAsked'

/**
 * Answering what is asked without a pointer: digits choose an answer, or begin a number; a foot marks one after the
 * other and saves the one that is marked.
 * @param type begins a number with a digit, where the answer is one
 */
export function useMarkedAnswer(
  asked: () => Asked | null,
  answer: (value: string) => unknown,
  type: (digit: string) => unknown,
  closed: () => boolean,
) {
  const marked = ref(-1)
  watch(
    () => asked()?.check,
    () => {
      marked.value = -1
    },
  )
  const words = computed(() => {
    const answering = asked()?.answering
    return answering?.kind === 'words' ? answering.answers : []
  })
  function digit(n: number): void {
    const chosen = words.value[n - 1]
    if (closed()) return
    if (chosen) answer(chosen.id)
    else if (asked() && words.value.length === 0) type(String(n))
  }
  function mark(): void {
    if (words.value.length) marked.value = (marked.value + 1) % words.value.length
  }
  function save(): void {
    const chosen = words.value[marked.value]
    if (closed()) return
    if (chosen) answer(chosen.id)
    else mark()
  }
  const keys: Record<string, () => void> = { PageUp: mark, PageDown: save }
  for (let n = 1; n <= 9; n++) keys[String(n)] = () => digit(n)
  return { marked, mark, save, keys }
}
