<script setup lang="ts">
import type { SpeedMeasurement } from '@wobrin/core/instruments/spindle'

const { measurement: m } = defineProps<{ measurement: SpeedMeasurement }>()

const FROM = {
  given: 'as you said',
  'hard sectors': 'the extra hole was found',
  'nominal speed': 'by the nominal speed',
  assumed: 'assumed',
} as const

const facts = computed(() => {
  const v = m.variation
  const list: [string, string][] = [
    ['Turns', `${m.revolutions} in ${m.spanS.toFixed(m.spanS < 10 ? 1 : 0)} s`],
    ['Pulses a revolution', `${m.pulsesPerTurn}, ${FROM[m.pulsesFrom]}`],
    ['Variation', `${v.peakPercent.toFixed(2)} % peak, ${v.rmsPercent.toFixed(2)} % r.m.s.`],
    [
      'Within a revolution',
      v.withinTurnPercent === null ? 'needs several pulses per revolution' : `${v.withinTurnPercent.toFixed(2)} % peak`,
    ],
    ['Slow drift', m.drift.significant ? `${signed(m.drift.endRpmPerMinute, 1)} r/min a minute` : 'none to see'],
  ]
  return list
})

const setAside = computed(() => {
  const kinds = new Map<string, number>()
  for (const d of m.discarded) kinds.set(d.why, (kinds.get(d.why) ?? 0) + 1)
  return [...kinds].map(([why, n]) => (n === 1 ? why : `${why} (${n} times)`)).join(', ')
})
</script>

<template>
  <dl class="grid grid-cols-2 sm:grid-cols-[auto_1fr_auto_1fr] gap-x-4 gap-y-1 text-sm">
    <template v-for="[label, value] in facts" :key="label">
      <dt class="text-muted">{{ label }}</dt>
      <dd>{{ value }}</dd>
    </template>
    <template v-if="setAside">
      <dt class="text-muted">Set aside</dt>
      <dd class="sm:col-span-3" data-testid="set-aside">{{ setAside }}</dd>
    </template>
  </dl>
</template>
