<script setup lang="ts">
import type { TimedTask } from '~/composables/useBenchDay'

/** The minutes of a sitting, to scale: a row for each drive, work in full, waits hatched. */
const { tasks, minutes, clock } = defineProps<{
  tasks: readonly TimedTask[]
  minutes: number
  clock: (minute: number) => string
}>()

const ROW = 34
const LEFT = 76
const WIDTH = 1000
const TOP = 26
const BAR = 20

/** Marks at whole steps of time, ten or so. */
const STEPS = [5, 10, 15, 30, 60, 120, 240]
const step = computed(() => STEPS.find(s => minutes / s <= 10) ?? STEPS.at(-1)!)
const marks = computed(() => Array.from({ length: Math.floor(minutes / step.value) + 1 }, (_, k) => k * step.value))
const drives = computed(() => [...new Set(tasks.map(t => t.tag))])
const x = (minute: number) => LEFT + (Math.min(minute, minutes) / minutes) * (WIDTH - LEFT)
const wide = (t: TimedTask) => Math.max(3, x(t.end) - x(t.start) - 2)
const y = (t: TimedTask) => TOP + drives.value.indexOf(t.tag) * ROW + (ROW - BAR) / 2
const height = computed(() => TOP + drives.value.length * ROW + 4)
</script>

<template>
  <div class="overflow-x-auto">
    <svg
      class="w-full min-w-[640px]"
      :viewBox="`0 0 ${WIDTH} ${height}`"
      role="img"
      :aria-label="`Time line of ${minutes} minutes for ${drives.join(', ')}`"
    >
      <defs>
        <pattern id="day-wait" width="6" height="6" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
          <rect width="6" height="6" fill="var(--panel)" />
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--muted)" stroke-width="2.4" />
        </pattern>
      </defs>
      <g v-for="m in marks" :key="m">
        <line :x1="x(m)" :x2="x(m)" :y1="TOP - 4" :y2="height" stroke="var(--line)" />
        <text
          :x="x(m)"
          y="14"
          font-size="13"
          fill="var(--muted)"
          :text-anchor="m === 0 ? 'start' : m > minutes - step / 2 ? 'end' : 'middle'"
        >
          {{ clock(m) }}
        </text>
      </g>
      <g v-for="(tag, row) in drives" :key="tag">
        <text x="0" :y="TOP + row * ROW + ROW / 2 + 5" font-size="14" font-weight="bold" fill="var(--ink)">
          {{ tag }}
        </text>
        <line :x1="LEFT" :x2="WIDTH" :y1="TOP + (row + 1) * ROW" :y2="TOP + (row + 1) * ROW" stroke="var(--line)" />
      </g>
      <g v-for="t in tasks" :key="t.id">
        <rect
          :x="x(t.start) + 1"
          :y="y(t)"
          :width="wide(t)"
          :height="BAR"
          rx="3"
          :fill="t.attended ? 'var(--ink)' : 'url(#day-wait)'"
          :stroke="t.attended ? 'none' : 'var(--muted)'"
        />
        <text
          v-if="t.attended && wide(t) > 30"
          :x="x(t.start) + 1 + wide(t) / 2"
          :y="y(t) + 15"
          font-size="13"
          fill="var(--panel)"
          text-anchor="middle"
        >
          {{ t.minutes }}
        </text>
        <path
          v-if="t.end > minutes"
          :d="`M ${WIDTH - 9} ${y(t) + 4} l 7 6 l -7 6`"
          fill="none"
          stroke="var(--ink)"
          stroke-width="2.5"
        />
      </g>
    </svg>
    <p class="hint flex flex-wrap gap-x-5 gap-y-1 mt-2">
      <span><span class="inline-block w-5 h-3 rounded-sm bg-ink align-middle mr-1.5" />work, minutes</span>
      <span><span class="inline-block w-5 h-3 rounded-sm day-wait align-middle mr-1.5" />wait, nobody needed</span>
      <span v-if="tasks.some(t => t.end > minutes)">› runs on afterwards</span>
    </p>
  </div>
</template>

<style scoped>
.day-wait {
  border: 1px solid var(--muted);
  background: repeating-linear-gradient(45deg, var(--muted) 0 1.5px, transparent 1.5px 4px);
}
</style>
