<script setup lang="ts">
import { lowerFirst } from '@wobrin/core/base/observations'
import type { Diagnosis } from '@wobrin/core/diagnosis'

/** What it may be: bars by probability, each with its strongest reason; the rest behind “Why?”. */
const { diagnosis, most = 5 } = defineProps<{ diagnosis: Diagnosis; most?: number }>()
const emit = defineEmits<{ why: [fault: string] }>()
const pairs = computed(() => diagnosis.pairs.filter(p => p.probability > 0.05).slice(0, 1))
const shown = computed(() => diagnosis.causes.slice(0, most - pairs.value.length))
</script>

<template>
  <section class="min-w-0" aria-label="What it may be">
    <h2 class="section-title mb-1">
      {{ shown.length && shown.every(c => c.left < 0.5) ? 'What it was' : 'What it may be' }}
    </h2>
    <p v-if="shown.length === 0" class="hint text-sm">Nothing is known yet that points to a fault.</p>
    <ul class="text-sm" data-testid="suspects">
      <li v-for="c in shown" :key="c.fault" class="py-1.5 border-t border-line">
        <div class="flex justify-between gap-3 leading-snug">
          <span class="font-bold"
            >{{ c.label }}<span v-if="c.left < 0.5" class="hint font-normal"> · mended</span></span
          >
          <span class="font-bold whitespace-nowrap">{{ percent(c.probability) }}</span>
        </div>
        <div class="h-1.5 my-1 rounded bg-tint">
          <div
            class="h-full rounded"
            :class="c.left < 0.5 ? 'bg-muted opacity-40' : 'bg-ink'"
            :style="{ width: `${Math.max(1, c.probability * 100)}%` }"
          />
        </div>
        <p class="flex gap-3 hint text-xs leading-snug">
          <span class="grow min-w-0 truncate">{{
            c.why[0] ? `For: ${c.why[0]}` : c.against[0] ? `Against: ${c.against[0]}` : 'How often it is met'
          }}</span>
          <button class="link shrink-0" type="button" :aria-label="`Why: ${c.label}`" @click="emit('why', c.fault)">
            Why?
          </button>
        </p>
      </li>
      <li v-if="shown.length" class="py-1.5 border-t border-line flex justify-between gap-3 hint">
        <span>A fault that is in no list</span><span>{{ percent(diagnosis.unknown) }}</span>
      </li>
    </ul>
    <div v-for="p in pairs" :key="p.faults.join()" class="text-sm pt-1.5 border-t-2 border-ink">
      <p class="flex justify-between gap-3 font-bold">
        <span>Both of these</span><span>{{ percent(p.probability) }}</span>
      </p>
      <p class="hint text-xs leading-snug">{{ p.labels.map(lowerFirst).join('; ') }}</p>
    </div>
    <p v-for="c in diagnosis.contradictions" :key="c.says" class="text-sm mt-2 border-l-5 border-nudge pl-3">
      {{ c.says }}
    </p>
  </section>
</template>
