<script setup lang="ts">
import { changePart } from '@wobrin/core/bench/procedures'
import { CAUTIONS } from '@wobrin/core/bench/stations'
import { foundIds } from '@wobrin/core/findings'

/** How a part of the drive at hand is changed, step by step. */
const { part } = defineProps<{ part: string }>()
const store = useDrive()
const told = computed(() => changePart(part, store.drive!, foundIds(store.log)))
const cautions = computed(() =>
  [...new Set(told.value.steps.flatMap(s => s.cautions ?? []))].map(c => CAUTIONS[c].text),
)
const RESTS = {
  power: 'no power',
  carriage: 'the carriage rests',
  heads: 'the heads rest',
  disk: 'no disk in',
} as const
</script>

<template>
  <details class="mt-1 text-sm">
    <summary class="min-h-9 font-bold">How it is changed: {{ told.steps.length }} steps, {{ told.hands }} min</summary>
    <p v-for="c in cautions" :key="c" class="border-l-5 border-nudge bg-nudge-tint px-3 py-2 my-1.5">{{ c }}</p>
    <ol class="list-decimal pl-6 space-y-1.5">
      <li v-for="s in told.steps" :key="s.id">
        <strong>{{ s.title }}</strong>
        <span class="hint block">{{ s.why }}</span>
        <span v-if="s.tools.length" class="hint block">Tools: {{ s.tools.join(', ') }}</span>
        <span v-if="s.wait" class="block"
          >Then wait {{ duration(s.wait.minutes) }}: {{ s.wait.what.toLowerCase() }};
          {{ s.wait.rests.map(r => RESTS[r]).join(', ') }}.</span
        >
      </li>
    </ol>
  </details>
</template>
