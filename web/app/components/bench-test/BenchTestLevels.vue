<script setup lang="ts">
import type { TestPoint } from '@wobrin/core/bench/bench-test'
import { lineName } from '@wobrin/core/calculators/electronics'
import { standingEntries } from '@wobrin/core/log'

/** Two levels of the line that tells the same as a point, as a meter shows them. */
const { point } = defineProps<{ point: TestPoint }>()
const emit = defineEmits<{ level: [key: string, value: string] }>()
const store = useDrive()
const STATES = ['active', 'idle'] as const
const typed = ref({ active: '', idle: '' })
const keyOf = (state: (typeof STATES)[number]) => `level.${point.line}.${state}`
const kept = (state: (typeof STATES)[number]) =>
  standingEntries(store.log).findLast(e => e.data?.type === 'reading' && e.data.key === keyOf(state))?.observations[0]
const ready = computed(() => STATES.some(s => Number.isFinite(typedNumber(typed.value[s]))))
function save(): void {
  for (const s of STATES) if (Number.isFinite(typedNumber(typed.value[s]))) emit('level', keyOf(s), typed.value[s])
  typed.value = { active: '', idle: '' }
}
</script>

<template>
  <form class="border-t border-line pt-3" @submit.prevent="save">
    <h3 class="section-title mb-1">
      {{ lineName(point.line!) }} by a meter <span class="font-normal">(optional)</span>
    </h3>
    <p class="hint text-sm mb-2">
      The line is active low: at most 0.8 V while active, at least 2 V while idle (TTL levels, from memory).
    </p>
    <div class="flex flex-wrap items-end gap-2">
      <label v-for="s in STATES" :key="s" class="text-sm">
        {{ point.levels![s] }}, V
        <input
          v-model="typed[s]"
          class="field w-36 block"
          inputmode="decimal"
          :placeholder="kept(s) ? `${kept(s)!.value}` : ''"
        />
      </label>
      <button class="btn min-h-11" type="submit" :disabled="!ready">Save levels</button>
    </div>
  </form>
</template>
