import { v4 as uuid } from 'uuid'
import { compareDrives, type LoggedDrive } from '@wobrin/core/bench/identical'
import { emptySheet, mergedSheets, readModelSheet, type ModelPoint, type ModelSheet } from '@wobrin/core/drives/models'
import { POINT } from '@wobrin/core/diagnosis/readings'
import type { SourceId } from '@wobrin/core/base/observations'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'
import type { ModelView } from '../../shared/identical'

/** The model of the drive at hand: drives of it beside this one, its test points, and what is remembered of it. */
export function useDriveModel() {
  const store = useDrive()
  const attempt = useAttempt()
  const { post } = useLogPost()
  const view = shallowRef<ModelView | null>(null)
  /** Changes of the sheet that are on their way; until they have arrived, what is loaded is older than what shows. */
  let keeping = 0
  /** The sheet as it was last seen on the server. */
  let stands: ModelSheet | null = null
  const load = async () => {
    const got = await $fetch<ModelView>(`/api/drives/${store.drive!.id}/identical`)
    stands = got.sheet?.sheet ?? null
    if (keeping === 0) view.value = got
  }

  /** The drive that is compared with: the one that was chosen, else the first of the same model. */
  const chosen = ref<string | null>(null)
  const other = shallowRef<LoggedDrive | null>(null)
  let fetching: Promise<unknown> = Promise.resolve()
  watch(
    () => chosen.value ?? view.value?.drives[0]?.id ?? null,
    id => {
      other.value = null
      if (id === null) return
      fetching = attempt(async () => {
        other.value = await $fetch<{ drive: DriveFacts; log: LogEntry[] }>(`/api/drives/${id}`)
      })
    },
    { flush: 'sync' },
  )
  /** Kept once the drive that is compared with has come, too. */
  const settled = async () => void (await fetching)
  const sheet = computed((): ModelSheet => view.value?.sheet?.sheet ?? emptySheet(store.drive!))
  const rows = computed(() =>
    other.value ? compareDrives({ drive: store.drive!, log: store.log }, other.value, sheet.value) : [],
  )

  /** Every change builds on the one before, however quickly they follow: each shows at once, and is sent in turn. */
  let sent: Promise<unknown> = Promise.resolve()
  async function keep(next: ModelSheet): Promise<void> {
    const id = view.value?.sheet?.id ?? uuid()
    view.value = { ...(view.value ?? { drives: [], was: [] }), sheet: { id, sheet: next } }
    keeping++
    sent = sent.then(() =>
      attempt(async () => {
        const headers = stands ? ifMatch(stands) : {}
        const kept = await $fetch<{ profile: ModelSheet }>(`/api/profiles/${id}`, {
          method: 'PUT',
          body: next,
          headers,
        })
        stands = kept.profile
      }),
    )
    await sent
    keeping--
    await attempt(load)
  }
  /** Puts a value that was read at a test point on this drive's log. */
  const read = (point: ModelPoint, value: string, source: SourceId) =>
    attempt(async () => {
      const label = [point.name, point.state].filter(Boolean).join(', ')
      const entry = await post(store.drive!.id, 'readings', {
        key: `${POINT}${point.id}`,
        value,
        source,
        label,
        unit: point.unit,
      })
      store.take(entry)
    })
  /** Takes a value of another drive over as what this model's point should be, with where it is from. */
  const borrow = (id: string, value: number | string, from: string) =>
    keep({
      ...sheet.value,
      points: sheet.value.points.map(p => (p.id === id ? { ...p, expected: { value, from } } : p)),
    })
  async function open(file: File): Promise<void> {
    await attempt(async () => {
      const theirs = readModelSheet(await file.text(), file.name)
      const from = (was: string) => was || file.name
      await keep(
        mergedSheets(sheet.value, {
          ...theirs,
          pins: theirs.pins.map(p => ({ ...p, from: from(p.from) })),
          memory: theirs.memory.map(m => ({ ...m, from: from(m.from) })),
        }),
      )
    })
  }
  const save = () =>
    saveText(
      `${fileSlug(`${sheet.value.maker}-${sheet.value.model}`, 'model')}.json`,
      `${JSON.stringify(sheet.value, null, 2)}\n`,
      'application/json',
    )
  return { view, load, settled, chosen, other, sheet, rows, keep, read, borrow, open, save }
}

export type ModelOfDrive = ReturnType<typeof useDriveModel>
