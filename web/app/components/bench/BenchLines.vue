<script setup lang="ts">
import { STATIONS } from '@wobrin/core/bench/stations'
import type { BenchLine } from '../../../shared/bench'

const { lines } = defineProps<{ lines: readonly BenchLine[] }>()

/** So many lines are drawn at a time: two hundred at once would keep a key waiting. */
const TOGETHER = 6
const LINE_PX = 46
</script>

<template>
  <div class="overflow-x-auto -mx-2 px-2">
    <div class="min-w-[900px]">
      <div class="grid grid-cols-[13rem_1fr_10.75rem] items-end">
        <slot />
        <div class="relative h-7 text-xs text-muted" aria-hidden="true">
          <span
            v-for="(s, i) in STATIONS"
            :key="s.id"
            class="absolute -translate-x-1/2 whitespace-nowrap"
            :style="{ left: stationAt(i) }"
            >{{ s.label }}</span
          >
        </div>
        <p class="text-xs text-muted text-right pb-1">To its goal</p>
      </div>
      <ul :style="{ minHeight: `${lines.length * LINE_PX}px` }">
        <InTurn v-for="(group, i) in inParts(lines, TOGETHER)" :key="i">
          <li v-for="line in group" :key="line.drive.id"><BenchLine :line="line" /></li>
        </InTurn>
      </ul>
    </div>
  </div>
</template>
