import { poolReads, whoIsToBlame, type BlameTable, type PlaceRead } from '@wobrin/core/proof'
import type { BlameView } from '../../shared/blame'

/**
 * Disks × drives of one family: what was read, what is behind it, and how it stands cell by cell. A file stands in
 * for the workshop's own.
 */
export function useBlame() {
  const view = shallowRef<BlameView | null>(null)
  const file = shallowRef<{ readonly name: string; readonly table: BlameTable } | null>(null)
  const table = computed<BlameTable>(() => file.value?.table ?? view.value ?? { disks: [], drives: [], reads: [] })

  async function load(family?: string): Promise<void> {
    view.value = await $fetch<BlameView>('/api/blame', { query: { family } })
  }

  const places = computed(() => poolReads(table.value.reads, table.value.disks, table.value.drives))
  const answer = computed(() => whoIsToBlame(table.value.reads, table.value.disks, table.value.drives))
  /** Drives in which nothing was read would be empty columns; they are offered by name only. */
  const drives = computed(() => [...table.value.drives.keys()].filter(i => places.value.some(p => p.drive === i)))
  const disks = computed(() => [...table.value.disks.keys()].filter(i => places.value.some(p => p.disk === i)))
  const cell = (disk: number, drive: number): PlaceRead[] =>
    places.value.filter(p => p.disk === disk && p.drive === drive)
  const writerOf = (disk: number) => {
    const { writer } = table.value.disks[disk]!
    return writer === null ? 'nobody knows who' : (table.value.drives.find(d => d.id === writer)?.name ?? writer)
  }
  return { view, file, table, load, answer, drives, disks, cell, writerOf }
}
