import { proxy } from 'comlink'
import type { AttemptFacts } from '@wobrin/core/instruments/rescue'
import type { RescueWorker, ShownRescue } from '../workers/rescue.worker'

/** Recordings of one failing disk, merged as they are added. */
export function useRescue() {
  const worker = useWorker<RescueWorker>(
    () => new Worker(new URL('../workers/rescue.worker.ts', import.meta.url), { type: 'module' }),
  )
  const shown = shallowRef<ShownRescue | null>(null)
  /** What was said of each attempt, in their order. */
  const facts = ref<AttemptFacts[]>([])
  const progress = ref<{ share: number; what: string } | null>(null)
  const problem = ref<string | null>(null)

  /** Reads files one after the other, in the order in which they were made. @returns whether all were used */
  async function add(files: readonly File[]): Promise<boolean> {
    problem.value = null
    for (const file of files) {
      if (shown.value?.attempts.some(a => a.file === file.name)) {
        problem.value = `${file.name} is there already: the same readings count once.`
        continue
      }
      progress.value = { share: 0, what: `Reading ${file.name}` }
      const answer = await worker().add(
        file,
        proxy((share: number, what: string) => {
          progress.value = { share, what: `${what}: ${file.name}` }
        }),
      )
      progress.value = null
      if ('ok' in answer) {
        shown.value = answer.ok
        facts.value.push({ cleaned: false, slower: false })
      } else if ('problem' in answer) problem.value = answer.problem
      else return false
    }
    return problem.value === null
  }
  async function tell(at: number, more: AttemptFacts): Promise<void> {
    facts.value[at] = { ...facts.value[at], ...more }
    shown.value = await worker().tell(at, { ...toRaw(facts.value[at]!) })
  }
  async function remove(at: number): Promise<void> {
    facts.value.splice(at, 1)
    shown.value = await worker().remove(at)
  }

  return {
    shown,
    facts,
    progress,
    problem,
    add,
    tell,
    remove,
    stop: () => worker().stop(),
    files: () => worker().files(),
  }
}
