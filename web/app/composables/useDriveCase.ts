import { findCheck, type NextCheck } from '@wobrin/core/diagnosis'
import type { ComplaintStory, DriveCase } from '@wobrin/core/bench/case'
import { findReading, type Reading } from '@wobrin/core/diagnosis/readings'
import { upperFirst } from '@wobrin/core/base/observations'

/** How a check is answered: by one of a few words, a number with its unit, or sectors that were counted. */
export interface Answering {
  readonly check: string
  readonly kind: 'words' | 'number' | 'count'
  readonly answers: readonly { readonly id: string; readonly label: string; readonly leaves?: string }[]
  readonly unit: string
}

/** How the check of an advice is answered on the page. */
export function answeringOf(next: Pick<NextCheck, 'check'>, leaves?: ReadonlyMap<string, string>): Answering {
  const check = findCheck(next.check)!
  const reading: Reading | null = check.kind === 'finding' ? null : findReading(check.id)
  const kind = reading?.kind === 'count' ? 'count' : reading?.kind === 'number' ? 'number' : 'words'
  const label = (id: string) => upperFirst(check.words?.[id] ?? id)
  return {
    check: check.id,
    kind,
    answers: check.answers.map(id => ({ id, label: label(id), leaves: leaves?.get(id) })),
    unit: reading?.unit ?? '',
  }
}

/** A drive's case with what became of each complaint, as the server works it out. */
export interface CaseOnPage extends DriveCase {
  readonly stories: readonly ComplaintStory[]
}

/** Fetches a drive's case. @param skip checks that cannot be made */
export const fetchCase = (drive: string, skip: ReadonlySet<string> = new Set()): Promise<CaseOnPage> =>
  skip.size
    ? $fetch<CaseOnPage>(`/api/drives/${drive}/case`, { query: { skip: [...skip].join(',') } })
    : $fetch<CaseOnPage>(`/api/drives/${drive}/case`)

/**
 * The case of the drive at hand: what is complained of, what it may be, and putting answers on its log.
 * @param first the case as the page asked for it when it began
 */
export function useDriveCase(pick: (finding: string) => Promise<boolean>, first: Promise<CaseOnPage>) {
  const store = useDrive()
  const { unable: skip } = usePractice()
  const found = shallowRef<CaseOnPage | null>(null)
  const stories = computed(() => found.value?.stories ?? [])
  const asked = latestOnly()
  const fetching = ref(false)
  async function show(coming: Promise<CaseOnPage>): Promise<void> {
    const counts = asked.ask()
    fetching.value = true
    try {
      const got = await coming
      if (counts()) found.value = got
    } catch (error) {
      // Where entries wait for a connection, the page says by itself that there is none.
      if (!outboxInUse() || wasAnswered(error)) useNotices().problem(problemText(error))
    } finally {
      if (counts()) fetching.value = false
    }
  }
  const refresh = async () => {
    if (store.drive) await show(fetchCase(store.drive.id, skip.value))
  }
  // What was asked for first knew of no check that cannot be made.
  void (skip.value.size ? refresh() : show(first))
  // At once, so that nothing is answered between an entry and what it changes.
  watch([() => store.drive, () => store.log, skip], refresh, { flush: 'sync' })
  const { sending, ...answers } = useCaseAnswers(pick)
  const busy = computed(() => sending.value || fetching.value)

  /** What was tried again with success is not asked a second time, where one thing alone was complained of. */
  async function give(check: string, value: string, of?: number): Promise<void> {
    const open = found.value?.complaints ?? []
    await answers.answer(check, value, of)
    if (value === 'cures' && open.length === 1) await answers.settle(open[0]!, 'cured')
  }
  /** Answers what is asked: of a complaint, or of a check. */
  const reply = (
    { check, settles }: { readonly check: string; readonly settles?: string },
    value: string,
    of?: number,
  ): Promise<void> =>
    settles ? answers.settle(settles, value as Parameters<typeof answers.settle>[1]) : give(check, value, of)

  return { found, stories, refresh, busy, ...answers, give, reply }
}

export type DriveCaseView = ReturnType<typeof useDriveCase>
