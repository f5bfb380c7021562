<script setup lang="ts">
import { CALLS } from '@wobrin/core/base/observations'
import { STATIONS, type GateId } from '@wobrin/core/bench/stations'
import { findMechanism } from '@wobrin/core/drives'
import { RUNGS } from '@wobrin/core/proof'
import type { BenchLine } from '../../../shared/bench'

const { line } = defineProps<{ line: BenchLine }>()

const index = computed(() => STATIONS.findIndex(s => s.id === line.current))
/** Towards the right edge there is no room behind the tag, so its call stands in front. */
const late = computed(() => index.value > 8)
const TAG_POINT = 12
const TAG_WIDTH = 77

const place = computed((): Record<string, string> => {
  const station = stationAt(index.value)
  return late.value
    ? { right: `calc(100% - ${station} - ${TAG_WIDTH - TAG_POINT}px)` }
    : { left: `calc(${station} - ${TAG_POINT}px)` }
})
/** Gates that something found keeps closed, each before its station; a row of them says nothing more than the first. */
const GATE_AT: Partial<Record<GateId, string>> = {
  'first-power': 'first-power',
  'insert-disk': 'speed',
  'insert-good-disk': 'prove',
}
const shut = computed(() => line.closed.find(g => GATE_AT[g.gate] && !line.done.includes(GATE_AT[g.gate] as never)))
const gateAt = computed(() => stationAt(STATIONS.findIndex(s => s.id === GATE_AT[shut.value!.gate]) - 0.5))
const name = computed(() => [line.drive.maker, line.drive.model].filter(Boolean).join(' '))
</script>

<template>
  <NuxtLink
    :to="`/drives/${line.drive.id}`"
    class="grid grid-cols-[13rem_1fr_10.75rem] items-center h-[46px] rounded-box group hover:bg-tint -mx-2 px-2"
  >
    <span class="leading-tight min-w-0 pr-3">
      <span class="block font-bold text-sm truncate">{{ findMechanism(line.drive.mechanism).label }}</span>
      <span class="block text-xs text-muted truncate">{{ name || 'maker not known' }}</span>
    </span>
    <span class="relative h-full block">
      <BenchDots :reached="index" />
      <GateBar v-if="shut" class="absolute top-1/2 -translate-1/2" :style="{ left: gateAt }" />
      <span
        class="absolute top-1/2 -translate-y-1/2 bg-panel group-hover:bg-tint flex items-center gap-2.5"
        :class="late ? ['flex-row-reverse', line.call && 'pl-2'] : 'pr-2'"
        :style="place"
      >
        <DriveTag :tag="line.drive.tag" />
        <CallMark v-if="line.call" :kind="line.call" decorative />
        <span v-if="line.call && line.call !== 'leave'" class="text-sm whitespace-nowrap">{{
          CALLS[line.call].label
        }}</span>
        <span class="sr-only"
          >at {{ STATIONS[index]?.label }}{{ line.call === 'leave' ? ', leave it' : ''
          }}{{ shut ? `; closed: ${shut.label.toLowerCase()}. ${shut.reason}` : '' }}</span
        >
      </span>
    </span>
    <span class="text-right leading-tight pl-3 min-w-0">
      <span class="block text-sm font-bold">{{ duration(line.minutesToGo) }}</span>
      <span class="block text-xs text-muted truncate" :title="RUNGS[line.goal].title">{{
        RUNGS[line.goal].title
      }}</span>
    </span>
  </NuxtLink>
</template>
