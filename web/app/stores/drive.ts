import { mayTakeBack, type DriveFacts, type LogEntry } from '@wobrin/core/log'
import { trimmerHistory } from '@wobrin/core/instruments/spindle'
import { walk } from '@wobrin/core/bench/stations'
import type { NewDrive } from '../../shared/drive-facts'
import type { EntryInput } from '../../shared/log-input'

/** What a page says to the log: the store gives it its id and its time. */
export type Said = Partial<Omit<EntryInput, 'id' | 'at' | 'item'>> &
  Pick<EntryInput, 'kind' | 'station'> & { item?: Partial<NonNullable<EntryInput['item']>> }

/** The drive at hand: its facts, its log and what the log says of where it stands. */
export const useDrive = defineStore('drive', () => {
  const { post } = useLogPost()
  const drive = ref<DriveFacts | null>(null)
  const log = shallowRef<LogEntry[]>([])
  /** Moved on by the page while it stands open: waits run down, sittings end. */
  const now = ref(Date.now())
  const way = computed(() =>
    drive.value ? walk(drive.value, log.value, now.value) : walk({ mechanism: '3.5in' }, [], now.value),
  )
  const progress = computed(() => way.value.progress)
  const history = computed(() => trimmerHistory(log.value))

  async function load(id: string): Promise<void> {
    // A long log is read as it is, with nothing looked for in its text before.
    const got = await $fetch<{ drive: DriveFacts; log: LogEntry[] }>(`/api/drives/${id}`, { parseResponse: JSON.parse })
    drive.value = got.drive
    log.value = got.log
    seen.set(id, got.log.at(-1)?.seq ?? 0)
    now.value = Date.now()
  }

  /** Takes entries in, in the order in which the server has them, whoever added them. */
  function take(...entries: LogEntry[]): void {
    const has = new Set(log.value.map(e => e.id))
    const fresh = entries.filter(e => !has.has(e.id))
    if (fresh.length) log.value = [...log.value, ...fresh].sort((a, b) => a.seq - b.seq)
  }

  /**
   * Fetches what another tablet has said since. The entry with a gap before it may be ours, so the last one seen
   * without a gap counts.
   */
  async function refresh(): Promise<void> {
    if (!drive.value) return
    const { id } = drive.value
    const after = Math.max(0, seen.get(id) ?? 0)
    const more = await $fetch<LogEntry[]>(`/api/drives/${id}/log`, { query: { after } })
    if (drive.value?.id !== id) return
    // What was erased goes from here as well.
    if (more.some(e => e.kind === 'erased')) await load(id)
    else take(...more)
    seen.set(id, log.value.at(-1)?.seq ?? 0)
    now.value = Date.now()
  }

  /** Puts an entry on the log, once, whatever happens to the answer. */
  async function add(input: Said): Promise<LogEntry> {
    const entry = await post(drive.value!.id, 'log', input)
    now.value = Math.max(Date.now(), Date.parse(entry.at))
    take(entry)
    return entry
  }

  /** Takes the latest entry that still holds back, or a given one; the log keeps both. */
  async function takeBack(id?: string): Promise<LogEntry | null> {
    const gone = new Set(log.value.map(e => e.takesBack))
    const target = id
      ? log.value.find(e => e.id === id)
      : [...log.value].reverse().find(e => !gone.has(e.id) && mayTakeBack(e))
    if (!target) return null
    await add({
      kind: 'taken-back',
      station: target.station,
      title: `Taken back: ${target.title}`.slice(0, 300),
      takesBack: target.id,
    })
    return target
  }

  /** @param before what whoever changes them saw; what others changed since stays as they left it */
  async function change(facts: Partial<NewDrive>, before?: Partial<NewDrive>): Promise<void> {
    const { id } = drive.value!
    try {
      await $fetch<DriveFacts>(`/api/drives/${id}`, { method: 'PATCH', body: { ...facts, before } })
    } finally {
      await load(id)
    }
  }

  return { drive, log, now, way, progress, history, load, refresh, take, add, takeBack, change }
})

/** The last entry up to which each drive's log was fetched as a whole. */
const seen = new Map<string, number>()
