<script setup lang="ts">
import { Plus, X } from 'lucide-vue-next'
import { MODE_IDS, MODES, SIGNAL_IDS, SIGNALS, valuesOf, type Mode, type Signal } from '@wobrin/core/drives/hosts'

/** What a strap's position, or the drive as it is, brings about: lines on pins and ways to behave. */
export interface EditedEffects {
  lines?: { signal: Signal; pin: number }[]
  ways?: { mode: Mode; value: string }[]
}
const effects = defineModel<EditedEffects>({ required: true })
const { name } = defineProps<{ name: string }>()
const change = (part: EditedEffects) => {
  effects.value = { ...effects.value, ...part }
}
const lines = computed(() => effects.value.lines ?? [])
const ways = computed(() => effects.value.ways ?? [])
const setLine = (i: number, part: Partial<{ signal: Signal; pin: number }>) =>
  change({ lines: lines.value.map((l, j) => (j === i ? { ...l, ...part } : l)) })
const setWay = (i: number, part: Partial<{ mode: Mode; value: string }>) =>
  change({ ways: ways.value.map((w, j) => (j === i ? { ...w, ...part } : w)) })
</script>

<template>
  <div class="space-y-1.5">
    <div v-for="(l, i) in lines" :key="`l${i}`" class="flex gap-2 items-center">
      <select
        class="field"
        :value="l.signal"
        :aria-label="`${name}, line ${i + 1}`"
        @change="setLine(i, { signal: ($event.target as HTMLSelectElement).value as Signal })"
      >
        <option v-for="s in SIGNAL_IDS" :key="s" :value="s">{{ SIGNALS[s].label }}</option>
      </select>
      <span class="text-sm text-muted shrink-0">on pin</span>
      <input
        class="field w-16! text-right"
        inputmode="numeric"
        :value="l.pin"
        :aria-label="`${name}, pin of line ${i + 1}`"
        @change="setLine(i, { pin: Number(($event.target as HTMLInputElement).value) })"
      />
      <button
        type="button"
        class="min-h-11 min-w-8 text-muted"
        :aria-label="`${name}, take out line ${i + 1}`"
        @click="change({ lines: lines.filter((_, j) => j !== i) })"
      >
        <X class="size-4" />
      </button>
    </div>
    <div v-for="(w, i) in ways" :key="`w${i}`" class="flex gap-2 items-center">
      <select
        class="field"
        :value="w.mode"
        :aria-label="`${name}, way ${i + 1}`"
        @change="
          setWay(i, {
            mode: ($event.target as HTMLSelectElement).value as Mode,
            value: valuesOf(($event.target as HTMLSelectElement).value as Mode)[0]![0],
          })
        "
      >
        <option v-for="m in MODE_IDS" :key="m" :value="m">{{ MODES[m].label }}</option>
      </select>
      <select
        class="field"
        :value="w.value"
        :aria-label="`${name}, how in way ${i + 1}`"
        @change="setWay(i, { value: ($event.target as HTMLSelectElement).value })"
      >
        <option v-for="[v, t] in valuesOf(w.mode)" :key="v" :value="v">{{ t.label }}</option>
      </select>
      <button
        type="button"
        class="min-h-11 min-w-8 text-muted"
        :aria-label="`${name}, take out way ${i + 1}`"
        @click="change({ ways: ways.filter((_, j) => j !== i) })"
      >
        <X class="size-4" />
      </button>
    </div>
    <p class="flex gap-4 text-sm">
      <button
        type="button"
        class="link min-h-9 inline-flex items-center gap-1"
        @click="change({ lines: [...lines, { signal: 'ready', pin: 34 }] })"
      >
        <Plus class="size-4" />A line</button
      ><button
        type="button"
        class="link min-h-9 inline-flex items-center gap-1"
        @click="change({ ways: [...ways, { mode: 'motor-turns', value: 'motor-line' }] })"
      >
        <Plus class="size-4" />A way
      </button>
    </p>
  </div>
</template>
