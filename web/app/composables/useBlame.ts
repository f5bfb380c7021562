import { poolReads, whoIsToBlame, type BlameTable, type PlaceRead } from '@wobrin/core/proof'
import type { BlameWorker } from '~/workers/blame.worker'
import type { BlameView } from '../../shared/blame'

/**
 * Disks × drives of one family: what was read, what is behind it, and how it stands cell by cell. A file stands in
 * for the workshop's own.
 */
export function useBlame() {
  const view = shallowRef<BlameView | null>(null)
  const file = shallowRef<{ readonly name: string; readonly table: BlameTable } | null>(null)
  const table = computed<BlameTable>(() => file.value?.table ?? view.value ?? { disks: [], drives: [], reads: [] })

  const worker = useWorker<BlameWorker>(
    () => new Worker(new URL('../workers/blame.worker.ts', import.meta.url), { type: 'module' }),
  )
  const answer = shallowRef(whoIsToBlame([], [], []))
  const judging = latestOnly()
  /** Weighs what was read; where it changed meanwhile, the later answer counts. */
  async function judge(): Promise<void> {
    const counts = judging.ask()
    const { reads, disks, drives } = table.value
    const got = await worker().judge({ reads, disks, drives })
    if (counts()) answer.value = got
  }

  async function load(family?: string): Promise<void> {
    view.value = await $fetch<BlameView>('/api/blame', { query: { family } })
    await judge()
  }

  /** Shows a table of a file, or the workshop's own again. */
  async function show(shown: typeof file.value): Promise<void> {
    file.value = shown
    await judge()
  }

  const places = computed(() => poolReads(table.value.reads, table.value.disks, table.value.drives))
  /** Drives in which nothing was read would be empty columns; they are offered by name only. */
  const drives = computed(() => [...table.value.drives.keys()].filter(i => places.value.some(p => p.drive === i)))
  const disks = computed(() => [...table.value.disks.keys()].filter(i => places.value.some(p => p.disk === i)))
  const cell = (disk: number, drive: number): PlaceRead[] =>
    places.value.filter(p => p.disk === disk && p.drive === drive)
  const writerOf = (disk: number) => {
    const { writer } = table.value.disks[disk]!
    return writer === null ? 'nobody knows who' : (table.value.drives.find(d => d.id === writer)?.name ?? writer)
  }
  return { view, file, table, load, show, answer, drives, disks, cell, writerOf }
}
