import { findCheck, type NextCheck } from '@wobrin/core/diagnosis'
import { complaintsOf, driveCase, type KnownBeside } from '@wobrin/core/bench/case'
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

/** The case of the drive at hand: what is complained of, what it may be, and putting answers on its log. */
export function useDriveCase(pick: (finding: string) => Promise<boolean>) {
  const store = useDrive()
  const stories = computed(() => (store.drive ? complaintsOf(store.drive, store.log) : []))
  // Worked out once the page stands: keys are heard before.
  const standing = ref(false)
  onMounted(() => setTimeout(() => (standing.value = true), 0))
  /** What is known beside the log: this workshop's own cases and knowledge, and reads in other drives. */
  const known = shallowRef<KnownBeside>({})
  async function refreshKnown(): Promise<void> {
    const drive = store.drive?.id
    if (drive === undefined || import.meta.server) return
    known.value = await $fetch<KnownBeside>('/api/knowledge/options', { query: { drive } }).catch(() => ({}))
  }
  watch(() => store.drive?.id, refreshKnown, { immediate: true })
  const { unable: skip } = usePractice()
  const found = computed(() =>
    standing.value && store.drive
      ? driveCase(store.drive, store.log, store.way, {
          ...known.value,
          ...(skip.value.size ? { skip: skip.value } : {}),
        })
      : null,
  )

  return { found, stories, refreshKnown, ...useCaseAnswers(pick) }
}

export type DriveCaseView = ReturnType<typeof useDriveCase>
