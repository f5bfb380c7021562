<script setup lang="ts">
import { COMPARED, type ComparedGroup, type ComparedRow, type ComparedValue } from '@wobrin/core/bench/identical'
import { POINT } from '@wobrin/core/diagnosis/readings'
import { SOURCES, type SourceId } from '@wobrin/core/base/observations'
import type { ModelPoint, ModelSheet } from '@wobrin/core/drives/models'

/** Two drives side by side, what differs first; test points are read right here. */
const { rows, sheet, other } = defineProps<{
  rows: readonly ComparedRow[]
  sheet: ModelSheet
  other: string | null
  canBorrow: boolean
  closed: boolean
}>()
const emit = defineEmits<{
  read: [point: ModelPoint, value: string, source: SourceId]
  borrow: [id: string, value: number | string, from: string]
}>()
const GROUPS = Object.keys(COMPARED) as ComparedGroup[]
/** What is the same on both is a long list that says little; it is shown when it is asked for. */
const all = ref(false)
const same = computed(() => rows.filter(r => r.differs === false && r.group !== 'points').length)
const groups = computed(() =>
  GROUPS.map(id => ({
    id,
    rows: rows.filter(r => r.group === id && (all.value || id === 'points' || r.differs !== false)),
  })).filter(g => g.rows.length),
)
const pointOf = (r: ComparedRow) => sheet.points.find(p => `${POINT}${p.id}` === r.key)
const from = (v: ComparedValue) => (v.source && v.source !== 'hand' ? SOURCES[v.source].label.toLowerCase() : '')
const expectedOf = (p: ModelPoint) =>
  p.expected && `${p.expected.value}${p.unit ? ` ${p.unit}` : ''}, from ${p.expected.from}`
const typed = ref<Record<string, string>>({})
function save(p: ModelPoint): void {
  const value = typed.value[p.id]?.trim()
  if (!value) return
  emit('read', p, value, p.unit === '' ? 'hand' : 'meter')
  typed.value[p.id] = ''
}
</script>

<template>
  <div class="overflow-x-auto" data-testid="compare">
    <table class="w-full text-sm">
      <thead>
        <tr class="text-left hint text-xs">
          <th class="font-normal py-1 pr-3 w-[36%]"><span class="sr-only">What</span></th>
          <th class="font-normal py-1 pr-3">This drive</th>
          <th class="font-normal py-1 pr-3">{{ other ?? 'No other drive' }}</th>
          <th class="font-normal py-1 text-right w-28"><span class="sr-only">Difference</span></th>
        </tr>
      </thead>
      <tbody v-for="g in groups" :key="g.id">
        <tr>
          <th colspan="4" class="section-title text-left pt-3 pb-1" scope="rowgroup">{{ COMPARED[g.id] }}</th>
        </tr>
        <tr v-for="r in g.rows" :key="r.key" class="border-t border-line align-top" :data-differs="r.differs">
          <th class="font-normal text-left py-2 pr-3" scope="row">
            <span :class="{ 'font-bold': r.differs }">{{ r.label }}</span>
            <span v-if="pointOf(r)?.expected" class="hint block text-xs">expected {{ expectedOf(pointOf(r)!) }}</span>
          </th>
          <td class="py-2 pr-3" :class="{ 'font-bold': r.differs }">
            <template v-if="r.mine"
              >{{ r.mine.says
              }}<span v-if="from(r.mine)" class="hint font-normal ml-1.5">{{ from(r.mine) }}</span></template
            >
            <form
              v-else-if="pointOf(r) && !closed"
              class="flex gap-1.5 items-center"
              @submit.prevent="save(pointOf(r)!)"
            >
              <input
                v-model="typed[pointOf(r)!.id]"
                class="field min-h-9! w-24 py-1!"
                :aria-label="`${r.label} on this drive${pointOf(r)!.unit ? `, ${pointOf(r)!.unit}` : ''}`"
              />{{ pointOf(r)!.unit }}
              <button class="link min-h-9" type="submit">Save</button>
            </form>
            <span v-else class="hint">not read</span>
          </td>
          <td class="py-2 pr-3" :class="{ 'font-bold': r.differs }">
            <template v-if="r.other"
              >{{ r.other.says
              }}<span v-if="from(r.other)" class="hint font-normal ml-1.5">{{ from(r.other) }}</span></template
            ><span v-else class="hint">not read</span>
          </td>
          <td class="py-2 text-right whitespace-nowrap">
            <span v-if="r.differs" class="font-bold">≠ differs</span>
            <span v-else-if="r.differs === false" class="hint">= same</span>
            <button
              v-if="canBorrow && r.other && pointOf(r) && pointOf(r)!.expected?.from !== other && !closed"
              class="link ml-3 min-h-8"
              type="button"
              :aria-label="`Borrow this value: ${r.label}`"
              @click="emit('borrow', pointOf(r)!.id, r.other.value, other!)"
            >
              Borrow value
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="same" class="link text-sm min-h-9 mt-1" type="button" :aria-expanded="all" @click="all = !all">
      {{ all ? `Hide the ${same} that are the same` : `Show the ${same} that are the same` }}
    </button>
    <p v-if="rows.length === 0" class="hint text-sm py-3">Neither drive has anything on its log to compare.</p>
  </div>
</template>
