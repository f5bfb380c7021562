<script setup lang="ts">
import { lowerFirst } from '@wobrin/core/base/observations'
import type { Diagnosis } from '@wobrin/core/diagnosis'

/** What it may be: bars by probability, each with what speaks for it and against it. */
const { diagnosis } = defineProps<{ diagnosis: Diagnosis }>()
const MOST = 6
const shown = computed(() => diagnosis.causes.slice(0, MOST))
const pairs = computed(() => diagnosis.pairs.filter(p => p.probability > 0.05).slice(0, 2))
</script>

<template>
  <div class="min-w-0">
    <h3 class="section-title mb-1">What it may be</h3>
    <p v-if="shown.length === 0" class="hint text-sm">Nothing is known yet that points to a fault.</p>
    <ul class="text-sm" data-testid="suspects">
      <li v-for="c in shown" :key="c.fault" class="py-1">
        <div class="flex justify-between gap-3">
          <span>{{ c.label }}</span>
          <span class="font-bold whitespace-nowrap">{{ percent(c.probability) }}</span>
        </div>
        <div class="h-1.5 mt-0.5 rounded bg-tint">
          <div class="h-full rounded bg-ink" :style="{ width: `${Math.max(1, c.probability * 100)}%` }" />
        </div>
        <p v-if="c.why[0] || c.against[0]" class="hint text-xs mt-0.5">
          <template v-if="c.why[0]">For: {{ c.why[0] }}. </template>
          <template v-if="c.against[0]">Against: {{ c.against[0] }}.</template>
        </p>
      </li>
      <li class="py-1 flex justify-between gap-3 hint">
        <span>A fault that is in no list</span><span>{{ percent(diagnosis.unknown) }}</span>
      </li>
    </ul>
    <p v-for="p in pairs" :key="p.faults.join()" class="text-sm mt-1">
      <strong>{{ percent(p.probability) }}</strong> both: {{ p.labels.map(lowerFirst).join('; ') }}
    </p>
    <p v-for="c in diagnosis.contradictions" :key="c.says" class="text-sm mt-2 border-l-5 border-nudge pl-3">
      {{ c.says }}
    </p>
    <p class="hint text-xs mt-2">Starting values from memory and common practice; evidence by Bayes’ rule.</p>
  </div>
</template>
