<script setup lang="ts">
import { SETTINGS } from '~/composables/useBenchDay'
import type { TimedTask } from '~/composables/useBenchDay'

/** The minutes of a sitting, to scale: a row for each drive, work in full, waits hatched. */
const { tasks, minutes, from } = defineProps<{
  tasks: readonly TimedTask[]
  minutes: number
  /** Time at which it begins. */
  from: Date
}>()

const ROW = 36
const LEFT = 76
const LEAST_WIDTH = 560
const HEAD = 26
/** Row that says how hands and bench are, where that changes. */
const BAND = 22
/** Work stands above, a wait below it: both may run at the same time. */
const BAR = 18
const WAIT = 9

/** Marks at round times of day, ten or so. */
const STEPS = [5, 10, 15, 30, 60, 120, 240]
const marks = computed(() => {
  const step = STEPS.find(s => minutes / s <= 9) ?? STEPS.at(-1)!
  const first = step - ((from.getHours() * 60 + from.getMinutes()) % step)
  const count = Math.max(0, Math.floor((minutes - first) / step) + 1)
  return Array.from({ length: count }, (_, k) => first + k * step)
})
/** What begins only as the time is over shows nothing. */
const shown = computed(() => tasks.filter(t => t.start < minutes))
/** Those that are worked on first, in that order; those that only wait below them. */
const drives = computed(() => {
  const worked = shown.value.filter(t => t.attended)
  return [...new Set([...worked, ...shown.value].map(t => t.tag))]
})
/** Stretches of work with dirty hands, with clean ones, or in the dark. */
const spans = computed(() => {
  const out: { setting: keyof typeof SETTINGS; start: number; end: number }[] = []
  for (const t of [...shown.value].sort((a, b) => a.start - b.start)) {
    if (!t.attended || !t.setting) continue
    const last = out.at(-1)
    if (last?.setting === t.setting) last.end = Math.max(last.end, t.end)
    else out.push({ setting: t.setting, start: t.start, end: t.end })
  }
  return out
})
const TOP = computed(() => HEAD + (spans.value.length ? BAND : 0))
/** Drawn as wide as there is room, so that its words stay as large as others. */
const box = useTemplateRef<HTMLElement>('box')
const room = useBoxWidth(box)
const width = computed(() => Math.max(LEAST_WIDTH, Math.floor(room.value)))
const x = (minute: number) => LEFT + (Math.min(minute, minutes) / minutes) * (width.value - LEFT)
const wide = (t: TimedTask) => Math.max(3, x(t.end) - x(t.start) - 2)
const tall = (t: TimedTask) => (t.attended ? BAR : WAIT)
const y = (t: TimedTask) => TOP.value + drives.value.indexOf(t.tag) * ROW + (t.attended ? 3 : 5 + BAR)
const height = computed(() => TOP.value + drives.value.length * ROW + 4)
</script>

<template>
  <div ref="box" class="overflow-x-auto" :style="{ minHeight: `${height}px` }">
    <svg
      class="block max-w-none"
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
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
        <line :x1="x(m)" :x2="x(m)" :y1="HEAD - 4" :y2="height" stroke="var(--line)" />
        <text :x="x(m)" y="14" font-size="13" fill="var(--muted)" :text-anchor="x(m) > width - 25 ? 'end' : 'middle'">
          {{ clockAfter(from, m) }}
        </text>
      </g>
      <g v-for="s in spans" :key="`${s.setting} ${s.start}`">
        <path
          :d="`M ${x(s.start) + 1.5} ${HEAD + 18} v -5 h ${Math.max(4, x(s.end) - x(s.start) - 3)} v 5`"
          fill="none"
          stroke="var(--muted)"
          stroke-width="1.5"
        />
        <text
          v-if="x(s.end) - x(s.start) > 86"
          :x="(x(s.start) + x(s.end)) / 2"
          :y="HEAD + 9"
          font-size="12"
          fill="var(--muted)"
          text-anchor="middle"
        >
          {{ SETTINGS[s.setting] }}
        </text>
      </g>
      <g v-for="(tag, row) in drives" :key="tag">
        <text x="0" :y="TOP + row * ROW + ROW / 2 + 5" font-size="14" font-weight="bold" fill="var(--ink)">
          {{ tag }}
        </text>
        <line :x1="LEFT" :x2="width" :y1="TOP + (row + 1) * ROW" :y2="TOP + (row + 1) * ROW" stroke="var(--line)" />
      </g>
      <g v-for="t in shown" :key="t.id">
        <rect
          :x="x(t.start) + 1"
          :y="y(t)"
          :width="wide(t)"
          :height="tall(t)"
          rx="3"
          :fill="t.attended ? 'var(--ink)' : 'url(#day-wait)'"
          :stroke="t.attended ? 'none' : 'var(--muted)'"
        />
        <text
          v-if="t.attended && wide(t) > 30"
          :x="x(t.start) + 1 + wide(t) / 2"
          :y="y(t) + 14"
          font-size="13"
          fill="var(--panel)"
          text-anchor="middle"
        >
          {{ t.minutes }}
        </text>
        <path
          v-if="t.end > minutes"
          :d="`M ${width - 8} ${y(t) + 0.5} l 5 4 l -5 4`"
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
