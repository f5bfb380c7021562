import { v4 as uuid } from 'uuid'
import { canErase, type Erasable, type LogEntry } from '@wobrin/core/log'

/** What can be chosen of one entry. */
export interface ErasableEntry {
  readonly entry: LogEntry
  readonly parts: readonly Erasable[]
}

/** Entries whose words are not a person's own, or are the owner's, which are chosen as one. */
const NOT_OFFERED: ReadonlySet<LogEntry['kind']> = new Set(['received', 'facts', 'taken-back', 'wait-ended'])

/** What a person may want to be gone from a log, the latest first. */
export const erasables = (log: readonly LogEntry[]): ErasableEntry[] =>
  log
    .filter(e => !NOT_OFFERED.has(e.kind))
    .map(entry => ({ entry, parts: (['photo', 'words'] as const).filter(part => canErase(entry, part)) }))
    .filter(e => e.parts.length > 0)
    .reverse()

/** Erasing words and photos of the drive at hand, or all of it. */
export function useErasing() {
  const store = useDrive()
  const ownerWords = ref(false)
  const chosen = reactive<Record<Erasable, string[]>>({ words: [], photo: [] })
  const problem = ref('')
  const busy = ref(false)
  const list = computed(() => erasables(store.log))
  const count = computed(() => Number(ownerWords.value) + chosen.words.length + chosen.photo.length)

  function clear(): void {
    ownerWords.value = false
    chosen.words = []
    chosen.photo = []
    problem.value = ''
  }
  /** @returns whether it was done */
  async function run(what: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = await what().then(() => '', problemText)
    busy.value = false
    return problem.value === ''
  }
  async function erase(): Promise<boolean> {
    const { id } = store.drive!
    const body = { id: uuid(), ownerWords: ownerWords.value, words: chosen.words, photos: chosen.photo }
    const done = await run(() => $fetch(`/api/drives/${id}/erasures`, { method: 'POST', body, retry: 2 }))
    if (!done) return false
    clear()
    await store.load(id)
    return true
  }
  const eraseDrive = (tag: string) =>
    run(() => $fetch(`/api/drives/${store.drive!.id}`, { method: 'DELETE', body: { tag } }))

  return { ownerWords, chosen, problem, busy, list, count, clear, erase, eraseDrive }
}
