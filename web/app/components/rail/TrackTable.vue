<script setup lang="ts">
import { totalsOf, type TrackReading } from '@wobrin/core/instruments/interface'

const { tracks, before = null } = defineProps<{
  tracks: readonly TrackReading[]
  before?: readonly TrackReading[] | null
}>()
const rows = computed(() =>
  tracks.map(t => ({
    t,
    n: totalsOf([t]),
    was: before?.find(b => b.cylinder === t.cylinder && b.head === t.head)?.margin ?? null,
  })),
)
const percent = (x: number | null) => (x === null ? '–' : `${Math.round(x * 100)} %`)
</script>

<template>
  <div
    class="max-h-96 overflow-auto relative border-t border-line"
    tabindex="0"
    role="region"
    aria-label="Tracks as a table"
  >
    <table class="w-full text-sm text-right">
      <thead class="text-muted sticky top-0 bg-panel">
        <tr>
          <th class="font-normal py-2 pr-4">Cylinder</th>
          <th class="font-normal pr-4 text-left">Head</th>
          <th class="font-normal pr-4 text-left">Code</th>
          <th class="font-normal pr-4">Margin</th>
          <th v-if="before" class="font-normal pr-4">Before</th>
          <th class="font-normal pr-4">Good</th>
          <th class="font-normal pr-4">Failed</th>
          <th class="font-normal pr-4">Missing</th>
          <th class="font-normal">Wrong cylinder</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ t, n, was } in rows" :key="`${t.cylinder} ${t.head}`" class="border-t border-line">
          <td class="py-1 pr-4">{{ t.cylinder }}</td>
          <td class="text-left pr-4">{{ t.head ? 'upper' : 'lower' }}</td>
          <td class="text-left pr-4">{{ t.format?.code ?? 'none known' }}</td>
          <td class="pr-4">{{ percent(t.margin) }}</td>
          <td v-if="before" class="pr-4">{{ percent(was) }}</td>
          <td class="pr-4">{{ n.good }}</td>
          <td class="pr-4">{{ n.bad }}</td>
          <td class="pr-4">{{ n.missing }}</td>
          <td>{{ n.foreign }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
