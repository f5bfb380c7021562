<script setup lang="ts">
import { changePart } from '@wobrin/core/bench/procedures'
import { CAUTIONS } from '@wobrin/core/bench/stations'
import { foundIds } from '@wobrin/core/findings'
import type { OwnProcedures } from '../../../shared/knowledge'

/** How a part of the drive at hand is changed, step by step. */
const { part } = defineProps<{ part: string }>()
const store = useDrive()
const { data: file } = await useFetch<OwnProcedures>('/api/procedures', { key: 'procedures', lazy: true })
const told = computed(() => changePart(part, store.drive!, foundIds(store.log), file.value?.own ?? undefined))
const cautions = computed(() =>
  [...new Set(told.value.steps.flatMap(s => s.cautions ?? []))].map(c => CAUTIONS[c].text),
)
const closed = computed(() => store.progress.outcome !== null)
</script>

<template>
  <details class="mt-1 text-sm">
    <summary class="py-2 font-bold">How it is changed: {{ told.steps.length }} steps, {{ told.hands }} min</summary>
    <p v-for="c in cautions" :key="c" class="border-l-5 border-nudge bg-nudge-tint px-3 py-2 my-1.5">{{ c }}</p>
    <ol class="list-decimal pl-6 space-y-1.5">
      <li v-for="s in told.steps" :key="s.id">
        <strong>{{ s.title }}</strong>
        <span class="hint block">{{ s.why }}</span>
        <span v-if="s.tools.length" class="hint block">Tools: {{ s.tools.join(', ') }}</span>
        <PartsWait v-if="s.wait" :wait="s.wait" :glue="s.glue" :closed="closed" />
      </li>
    </ol>
  </details>
</template>
