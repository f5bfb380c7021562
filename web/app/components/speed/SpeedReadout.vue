<script setup lang="ts">
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import { speedUncertainty, type SpeedMeasurement, type SpeedVerdict } from '@wobrin/core/instruments/spindle'
import type { CallKind } from '@wobrin/core/base/observations'
import type { SpeedReading } from '~/composables/useSpeedInstrument'

const {
  measurement,
  verdict,
  reading = null,
  mechanism,
  nowRpm = null,
  earlier = [],
} = defineProps<{
  measurement: SpeedMeasurement | null
  verdict: SpeedVerdict
  /** The speed as the log has it; a typed one has no curve. */
  reading?: SpeedReading | null
  mechanism: MechanismId
  /** The quick reading of a live pickup, r/min. */
  nowRpm?: number | null
  earlier?: readonly { readonly rpm: number; readonly label: string; readonly kind: CallKind }[]
}>()

const rpm = computed(() => measurement?.rpm.mean ?? reading?.rpm ?? null)
const half = computed(() => (measurement ? speedUncertainty(measurement) : (reading?.uncertainty ?? null)))
const edge = (way: 1 | -1) => (reading?.uncertainty != null ? reading.rpm + way * reading.uncertainty : undefined)
const limit = computed(() => findMechanism(mechanism).speed.variation.value)
const places = computed(() => Math.max(1, decimals(half.value)))
</script>

<template>
  <div class="space-y-4">
    <p class="flex items-baseline gap-4 flex-wrap" data-testid="rpm">
      <span class="text-[58px] leading-none font-bold">{{ rpm === null ? '–' : rpm.toFixed(places) }}</span>
      <span class="text-lg text-muted"
        >{{ half === null ? '' : `± ${Math.max(half, 10 ** -places).toFixed(places)} ` }}r/min</span
      >
      <SourceTag v-if="reading" :evidence="reading.evidence" />
      <span v-if="nowRpm !== null" class="hint ml-auto">now {{ nowRpm.toFixed(1) }}</span>
    </p>
    <CallBand :call="verdict" />
    <slot />
    <SpeedRuler
      :verdict="verdict"
      :rpm="rpm"
      :low95="measurement?.rpm.low95 ?? edge(-1)"
      :high95="measurement?.rpm.high95 ?? edge(1)"
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
