import { findFinding, findQuestion, type Question } from '@wobrin/core/findings'
import type { LogEntry, StationId } from '@wobrin/core/log'
import { consequencesOf } from '@wobrin/core/bench/stations'

/** What was found last in this sitting, and what followed from it. */
export interface LastFinding {
  readonly entry: LogEntry
  readonly question: Question
  readonly consequences: readonly string[]
  /** Places that could still be told; empty where one was told or none helps. */
  readonly places: readonly string[]
}

/** Putting findings on the drive's log, with their consequence at once; `station` says where each belongs. */
export function useFindings(station: (question: string) => StationId) {
  const store = useDrive()
  const notices = useNotices()
  /** What went wrong with the last one, for a dialog that hides the foot of the page. */
  const problem = ref<string | null>(null)
  const last = ref<LastFinding | null>(null)

  async function put(input: {
    finding?: string
    question?: string
    value?: number
    place: string | null
  }): Promise<boolean> {
    const before = store.way
    problem.value = await (async () => {
      const about = input.question ?? findFinding(input.finding!).question.id
      const entry = await store.add({ kind: 'finding', station: station(about), finding: input })
      const { finding, question } =
        entry.data?.type === 'finding'
          ? findFinding(entry.data.finding)
          : { finding: null, question: findQuestion(input.question!) }
      last.value = {
        entry,
        question,
        consequences: consequencesOf(before, store.way),
        places: input.place === null && !finding?.clean ? (question.places ?? []) : [],
      }
    })().then(() => null, problemText)
    if (problem.value) notices.problem(problem.value)
    return problem.value === null
  }

  const pick = (finding: string, place: string | null = null) => put({ finding, place })
  const measure = (question: string, value: number) => put({ question, value, place: null })
  /** Entries that gave way to one with a place. */
  const replaced = new Map<string, string>()
  let placing: Promise<boolean> = Promise.resolve(true)
  async function place(before: LogEntry, at: string): Promise<boolean> {
    const said = before.data?.type === 'finding' && (await pick(before.data.finding, at))
    if (said) replaced.set(before.id, last.value!.entry.id)
    return said
  }
  /** Says where the last finding is; the one without a place gives way to it. */
  const where = (at: string): Promise<boolean> =>
    (placing = last.value ? place(last.value.entry, at) : Promise.resolve(false))
  /** The entry that stands for a finding now, however quickly its place was told after it. */
  async function standing(id: string): Promise<string> {
    await placing
    return replaced.get(id) ?? id
  }
  const shown = computed(() =>
    last.value && !store.log.some(e => e.takesBack === last.value!.entry.id) ? last.value : null,
  )
  return {
    last: shown,
    problem,
    pick,
    measure,
    where,
    standing,
    forget: () => {
      last.value = null
    },
  }
}

export type DriveFindings = ReturnType<typeof useFindings>
