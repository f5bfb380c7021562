<script setup lang="ts">
import { readBlameCsv } from '@wobrin/core/proof'

/** A worked example of disk or drive: two disks in two drives, one upper head fails on both. */
const DISKS = [
  ['Disk 1', 'Drive B'],
  ['Disk 2', 'a duplicator'],
] as const
const DRIVES = ['Drive A', 'Drive B']
const rows = DISKS.flatMap(([disk, writer]) =>
  DRIVES.flatMap(drive =>
    [0, 1].flatMap(head =>
      ['outer', 'middle', 'inner'].map(zone => {
        const good = drive === 'Drive A' && head === 1 ? 1 : 9
        return [disk, writer, drive, head, zone, good, 9].join(',')
      }),
    ),
  ),
)
const blame = useBlame()
await blame.show({
  name: 'worked example',
  table: readBlameCsv(`disk,writer,drive,head,zone,good,sectors\n${rows.join('\n')}\n`, 'worked example'),
})
const call = computed(() => blame.answer.value.call)
</script>

<template>
  <section aria-label="Worked example" class="space-y-3 border-t border-line pt-4">
    <p><strong>Worked example.</strong> Two disks, each read in two drives, nine sectors at each place.</p>
    <ExampleCall :call="call" />
    <BlameCrossing
      :table="blame.table.value"
      :disks="blame.disks.value"
      :drives="blame.drives.value"
      :cell="blame.cell"
      :writer-of="blame.writerOf"
    />
  </section>
</template>
