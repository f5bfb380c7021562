<script setup lang="ts">
import { AS_FOUND_KINDS, type Breakage } from '@wobrin/core/log'
import type { RecordedItem } from '@wobrin/core/findings'

/** Everything written down: straps and terminators, wires, and the rest, with what became of it. */
const { record } = defineProps<{ record: readonly RecordedItem[]; closed: boolean }>()
const emit = defineEmits<{ undo: [id: string, broke: Breakage | null]; add: [] }>()

const straps = computed(() => record.filter(r => r.item.kind === 'strap' || r.item.kind === 'terminator'))
const wires = computed(() => record.filter(r => r.item.kind === 'wire'))
const rest = computed(() => record.filter(r => !straps.value.includes(r) && !wires.value.includes(r)))
const groups = computed(() =>
  [
    {
      title: 'Straps and terminators',
      rows: straps.value,
      columns: ['It was'],
      cells: (r: RecordedItem) => [r.item.state],
    },
    {
      title: 'Wires',
      rows: wires.value,
      columns: ['Colour', 'From', 'To', 'Measured as'],
      cells: (r: RecordedItem) => [r.item.colour, r.item.from, r.item.to, r.item.measured],
    },
    {
      title: 'Plugs, screws, ties and parts',
      rows: rest.value,
      columns: ['As found', 'Holds'],
      cells: (r: RecordedItem) => [r.item.state, r.item.detail],
    },
  ].filter(g => g.rows.length),
)
const broken: Readonly<Record<Breakage, string>> = { cut: 'cut', snapped: 'snapped', unsoldered: 'unsoldered' }
const fate = (r: RecordedItem) =>
  r.leftOff ? 'left off' : r.putBack ? 'back' : r.undone ? (r.broke ? broken[r.broke] : 'undone') : ''
const breaks = (r: RecordedItem): Breakage[] =>
  r.item.kind === 'tie'
    ? ['cut']
    : r.item.kind === 'wire' || r.item.kind === 'solder'
      ? ['unsoldered', 'cut']
      : r.item.kind === 'strap' || r.item.kind === 'connector'
        ? ['snapped']
        : []
</script>

<template>
  <div>
    <p v-if="!record.length" class="hint mb-3">Nothing is written down yet.</p>
    <div v-for="g in groups" :key="g.title" class="mb-6 overflow-x-auto">
      <table class="w-full text-sm">
        <caption class="text-left font-bold text-base mb-1">
          {{
            g.title
          }}
        </caption>
        <thead>
          <tr class="text-left text-muted border-b border-line">
            <th class="py-1.5 pr-3 w-8 font-normal">No.</th>
            <th class="pr-3 font-normal">What</th>
            <th v-for="c in g.columns" :key="c" class="pr-3 font-normal">{{ c }}</th>
            <th class="font-normal">Now</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in g.rows" :key="r.entry.id" class="border-b border-line">
            <td class="py-1.5 pr-3 font-bold">{{ r.number }}</td>
            <td class="pr-3">
              {{ r.item.name }}<span class="hint text-xs block">{{ AS_FOUND_KINDS[r.item.kind].toLowerCase() }}</span>
            </td>
            <td v-for="(c, i) in g.cells(r)" :key="i" class="pr-3">{{ c || '·' }}</td>
            <td class="whitespace-nowrap">
              <span v-if="fate(r)">{{ fate(r) }}</span>
              <template v-if="!closed && (!r.undone || r.putBack)">
                <button class="link min-h-11 mr-3" @click="emit('undo', r.entry.id, null)">Undone</button
                ><button
                  v-for="b in breaks(r)"
                  :key="b"
                  class="link min-h-11 mr-3"
                  @click="emit('undo', r.entry.id, b)"
                >
                  {{ broken[b].charAt(0).toUpperCase() }}{{ broken[b].slice(1) }}
                </button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button v-if="!closed" class="btn" @click="emit('add')">Write something down</button>
  </div>
</template>
