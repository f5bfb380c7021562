<script setup lang="ts">
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import { speedUncertainty, type SpeedMeasurement, type SpeedVerdict } from '@wobrin/core/instruments/spindle'
import type { CallKind } from '@wobrin/core/base/observations'

const {
  measurement,
  verdict,
  mechanism,
  nowRpm = null,
  earlier = [],
} = defineProps<{
  measurement: SpeedMeasurement | null
  verdict: SpeedVerdict
  mechanism: MechanismId
  /** The quick reading of a live pickup, r/min. */
  nowRpm?: number | null
  earlier?: readonly { readonly rpm: number; readonly label: string; readonly kind: CallKind }[]
}>()

const half = computed(() => (measurement ? speedUncertainty(measurement) : null))
const limit = computed(() => findMechanism(mechanism).speed.variation.value)
const places = computed(() => Math.max(1, decimals(half.value)))
</script>

<template>
  <div class="space-y-4">
    <p class="flex items-baseline gap-4 flex-wrap" data-testid="rpm">
      <span class="text-[58px] leading-none font-bold">{{
        measurement ? measurement.rpm.mean.toFixed(places) : '–'
      }}</span>
      <span class="text-lg text-muted"
        >{{ half === null ? '' : `± ${Math.max(half, 10 ** -places).toFixed(places)} ` }}r/min</span
      >
      <span v-if="nowRpm !== null" class="hint ml-auto">now {{ nowRpm.toFixed(1) }}</span>
    </p>
    <CallBand :call="verdict" />
    <slot />
    <SpeedRuler
      :verdict="verdict"
      :rpm="measurement?.rpm.mean ?? null"
      :low95="measurement?.rpm.low95"
      :high95="measurement?.rpm.high95"
      :earlier="earlier"
    />
    <template v-if="measurement">
      <SpeedTurnTrace
        v-if="measurement.series.rpm.length > 2"
        :time-s="measurement.series.timeS"
        :rpm="measurement.series.rpm"
        :mean="measurement.rpm.mean"
      />
      <SpeedComponentsTable :measurement="measurement" :limit="limit" />
      <SpeedFacts :measurement="measurement" class="border-t border-line pt-3" />
    </template>
  </div>
</template>
