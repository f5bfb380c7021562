<script setup lang="ts">
import { STATIONS } from '@wobrin/core/bench/stations'

const { reached } = defineProps<{ reached: number }>()
const last = STATIONS.length - 1
/** A dash without length and with round ends is a dot; a line a little too long has its last one, too. */
const OVER = 0.01
const dots = (from: number, to: number) => ({
  x1: stationAt(from),
  x2: stationAt(to + OVER),
  pathLength: to - from + OVER,
})
</script>

<template>
  <svg class="absolute inset-0 size-full" aria-hidden="true">
    <g class="station-dots">
      <line class="stroke-line" :x1="stationAt(0)" :x2="stationAt(last)" />
      <line v-if="reached > 0" class="station-way" :x1="stationAt(0)" :x2="stationAt(reached)" />
      <line class="station-ahead" v-bind="dots(reached, last)" />
      <line class="station-hollow" v-bind="dots(reached, last)" />
      <line v-if="reached > 0" class="station-passed" v-bind="dots(0, reached - 1)" />
    </g>
  </svg>
</template>

<style scoped>
.station-dots {
  transform: translateY(50%);
}
.station-way {
  stroke: var(--ink);
  stroke-width: 3;
}
.station-ahead,
.station-hollow,
.station-passed {
  stroke-dasharray: 0 1;
  stroke-linecap: round;
  stroke-width: 10;
}
.station-ahead {
  stroke: color-mix(in srgb, var(--muted) 70%, var(--panel));
}
.station-hollow {
  stroke: var(--panel);
  stroke-width: 7;
}
.station-passed {
  stroke: var(--ink);
}
</style>
