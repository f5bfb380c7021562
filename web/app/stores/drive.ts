import type { LogEntry, Outcome, StationId } from '@wobrin/core/observations'
import { progressOf, trimmerHistory } from '@wobrin/core/procedures'
import type { DriveFacts } from '@wobrin/core/proving'
import type { NewDrive } from '../../shared/drive-facts'

interface EntryInput {
  kind: 'note' | 'step' | 'station' | 'taken-back' | 'released' | 'wait' | 'wait-ended' | 'photo'
  station: StationId
  title: string
  detail?: string
  step?: string
  outcome?: Outcome
  takesBack?: string
  minutes?: number
  wait?: string
  photo?: { sha: string, width: number, height: number }
}

/** The drive at hand: its facts, its log and what the log says of where it stands. */
export const useDrive = defineStore('drive', () => {
  const drive = ref<DriveFacts | null>(null)
  const log = ref<LogEntry[]>([])
  const progress = computed(() => progressOf(log.value))
  const history = computed(() => trimmerHistory(log.value))

  async function load(id: string): Promise<void> {
    const got = await $fetch<{ drive: DriveFacts, log: LogEntry[] }>(`/api/drives/${id}`)
    drive.value = got.drive
    log.value = got.log
  }

  function take(entry: LogEntry): void {
    if (!log.value.some(e => e.id === entry.id)) log.value = [...log.value, entry]
  }

  /** Puts an entry on the log. The id is made here, so that sending again after a lost answer adds nothing twice. */
  async function add(input: EntryInput): Promise<LogEntry> {
    const body = { id: crypto.randomUUID(), at: new Date().toISOString(), ...input }
    const entry = await $fetch<LogEntry>(`/api/drives/${drive.value!.id}/log`, { method: 'POST', body, retry: 2 })
    take(entry)
    return entry
  }

  /** Takes the latest entry that still holds back, or a given one; the log keeps both. */
  async function takeBack(id?: string): Promise<LogEntry | null> {
    const gone = new Set(log.value.map(e => e.takesBack))
    const target = id
      ? log.value.find(e => e.id === id)
      : [...log.value].reverse().find(e => !gone.has(e.id) && e.kind !== 'taken-back' && e.kind !== 'received' && e.kind !== 'facts')
    if (!target) return null
    await add({ kind: 'taken-back', station: target.station, title: `Taken back: ${target.title}`, takesBack: target.id })
    return target
  }

  async function change(facts: Partial<NewDrive>): Promise<void> {
    drive.value = await $fetch<DriveFacts>(`/api/drives/${drive.value!.id}`, { method: 'PATCH', body: facts })
    await load(drive.value.id)
  }

  return { drive, log, progress, history, load, take, add, takeBack, change }
})
