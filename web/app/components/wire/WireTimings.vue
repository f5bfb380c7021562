<script setup lang="ts">
import { formatObservation } from '@wobrin/core/base/observations'
import type { BusReport } from '@wobrin/core/instruments/interface'

const { report } = defineProps<{ report: BusReport }>()
const rows = computed(() => [
  ...report.observations
    .filter(o => o.key.startsWith('bus.'))
    .map(o => ({ label: o.label, value: formatObservation(o), how: o.how })),
  ...(report.timings.settling
    ? [
        {
          label: 'Settling',
          value: `at most ${report.timings.settling.atMostMs.toFixed(1)} ms`,
          how: `least of ${report.timings.settling.seeks} seeks`,
        },
      ]
    : []),
])
</script>

<template>
  <section aria-label="Timings">
    <h2 class="section-title mb-2">What the lines say</h2>
    <dl class="text-sm">
      <div v-for="r in rows" :key="r.label" class="grid grid-cols-[1fr_auto] gap-x-4 border-t border-line py-1.5">
        <dt>
          {{ r.label }}<span class="hint block text-xs">{{ r.how }}</span>
        </dt>
        <dd class="text-right font-bold">{{ r.value }}</dd>
      </div>
    </dl>
  </section>
</template>
