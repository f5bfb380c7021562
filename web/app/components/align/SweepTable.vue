<script setup lang="ts">
import { Undo2, X } from 'lucide-vue-next'
import type { Counted } from '@wobrin/core/instruments/alignment'
import type { SweepRow } from '~/composables/useSweep'

/** Every try, those struck out too. */
defineProps<{ rows: readonly SweepRow[]; two: boolean; one?: 'Lower' | 'Upper'; unit: string }>()
const emit = defineEmits<{ strike: [id: number] }>()
const more = (c: Counted) =>
  [
    c.margin === undefined ? '' : `margin ${Math.round(c.margin * 100)} %`,
    c.named
      ? `reads ${Math.abs(c.named)} ${Math.abs(c.named) === 1 ? 'cylinder' : 'cylinders'} ${c.named > 0 ? 'inward' : 'outward'}`
      : '',
  ]
    .filter(Boolean)
    .join(', ')
</script>

<template>
  <table class="w-full text-sm">
    <thead class="text-muted text-right">
      <tr>
        <th class="font-normal py-1 pr-5">Position, {{ unit }}</th>
        <th class="font-normal text-left">from</th>
        <th class="font-normal pr-5">{{ two ? 'Lower' : (one ?? 'Lower') }}</th>
        <th v-if="two" class="font-normal pr-5">Upper</th>
        <th class="font-normal text-left">Source</th>
        <th><span class="sr-only">Strike out</span></th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="r in rows"
        :key="r.id"
        class="border-t border-line text-right"
        :class="r.struck && 'line-through text-muted'"
      >
        <td class="pr-5">{{ mark(r.position) }}</td>
        <td class="text-left text-muted">{{ r.side }}</td>
        <td v-for="c in r.upper && two ? [r.lower, r.upper] : [r.lower]" :key="c === r.lower ? 'l' : 'u'" class="pr-5">
          <span v-if="more(c)" class="hint text-xs mr-3">{{ more(c) }}</span>{{ c.good }} of {{ c.expected }}
        </td>
        <td class="text-left"><SourceMarks :sources="[r.source]" words /></td>
        <td class="w-12">
          <button
            class="size-11 grid place-items-center"
            :aria-label="`${r.struck ? 'Take in again' : 'Strike out'}: position ${r.position}`"
            @click="emit('strike', r.id)"
          >
            <component :is="r.struck ? Undo2 : X" class="size-4" />
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
