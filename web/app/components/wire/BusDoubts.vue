<script setup lang="ts">
import { LINES, type Doubt, type LineName } from '@wobrin/core/instruments/interface'

/** What is doubtful about a recording, with the cure at hand where there is one. */
const { doubts, mapping } = defineProps<{
  doubts: readonly Doubt[]
  mapping: Readonly<Partial<Record<LineName, string>>>
}>()
const emit = defineEmits<{ turnOver: []; map: [Partial<Record<LineName, string>>] }>()

const exchange = (instead: Readonly<Partial<Record<LineName, LineName>>>) =>
  emit('map', Object.fromEntries(Object.entries(instead).map(([line, from]) => [line, mapping[from] ?? ''])))
</script>

<template>
  <ul v-if="doubts.length" class="space-y-2" aria-label="Doubts about the recording">
    <li
      v-for="d in doubts"
      :key="d.kind"
      class="border-l-5 border-muted bg-tint px-4 py-2.5 text-sm flex flex-wrap items-center gap-x-4 gap-y-2"
    >
      <span class="grow basis-80"
        >{{ d.says }} <span class="text-muted">{{ d.kind === 'inverted' ? '' : d.next }}</span></span
      >
      <button v-if="d.kind === 'inverted'" class="btn" @click="emit('turnOver')">Invert levels</button>
      <button v-if="d.instead" class="btn" @click="exchange(d.instead)">
        Exchange
        {{
          Object.keys(d.instead)
            .map(l => LINES[l as LineName].label)
            .join(' and ')
        }}
      </button>
    </li>
  </ul>
</template>
