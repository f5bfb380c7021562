import type { LogEntry, DriveFacts } from '@wobrin/core/log'
import { alignOrder, type AlignOrder } from '@wobrin/core/bench/stations'
import { diskWord } from '@wobrin/core/proof'
import type { DiskView } from '../../shared/disks'

/** Reference disks of the shelf, and whether one is trusted. */
export function useDisks() {
  const view = useState<DiskView | null>('disks', () => null)
  const load = async () => {
    view.value = await $fetch<DiskView>('/api/disks')
  }
  const find = (id: string) => view.value?.standings.find(s => s.disk.id === id)
  const trusts = (id: string) => find(id)?.trusted ?? null
  const word = (id: string) => {
    const standing = find(id)
    return standing ? diskWord(standing) : null
  }
  return { view, load, trusts, word }
}

/** A drive with the order of work at Align, for a page that is not its own. */
export function useDriveForAlign(id: Ref<string | null>) {
  const drive = shallowRef<DriveFacts | null>(null)
  const log = shallowRef<readonly LogEntry[]>([])
  const disks = useDisks()
  async function load(): Promise<void> {
    await disks.load().catch(() => {})
    if (!id.value) return
    const answer = await $fetch<{ drive: DriveFacts; log: LogEntry[] }>(`/api/drives/${id.value}`)
    drive.value = answer.drive
    log.value = answer.log
  }
  const order = computed<AlignOrder | null>(() =>
    drive.value ? alignOrder(drive.value, log.value, disks.trusts) : null,
  )
  return { drive, log, order, disks, load }
}
