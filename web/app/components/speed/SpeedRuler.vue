<script setup lang="ts">
import type { CallKind } from '@wobrin/core/base/observations'
import type { SpeedVerdict } from '@wobrin/core/instruments/spindle'

interface Mark {
  readonly rpm: number
  readonly label: string
  readonly kind: CallKind
}

const {
  verdict,
  rpm,
  low95 = null,
  high95 = null,
  earlier = [],
} = defineProps<{
  verdict: SpeedVerdict
  rpm: number | null
  low95?: number | null
  high95?: number | null
  /** Readings before this one, latest first. */
  earlier?: readonly Mark[]
}>()

const box = useTemplateRef<HTMLElement>('box')
const width = useBoxWidth(box)
const EDGE = 16

const range = computed(() => {
  const half = (verdict.wide ? verdict.wide.high - verdict.wide.low : verdict.nominalRpm * 0.02) / 2
  const all = [
    verdict.nominalRpm - 2.2 * half,
    verdict.nominalRpm + 2.2 * half,
    ...earlier.map(e => e.rpm),
    ...(rpm === null ? [] : [rpm]),
  ]
  const low = Math.min(...all)
  const high = Math.max(...all)
  const pad = (high - low) * 0.06
  return { low: low - pad, high: high + pad }
})

const x = (value: number) =>
  EDGE + ((value - range.value.low) / (range.value.high - range.value.low)) * Math.max(1, width.value - 2 * EDGE)

const ticks = computed(() => {
  const span = range.value.high - range.value.low
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find(s => (span / s) * 46 < Math.max(200, width.value)) ?? 500
  const minor = step / 5
  const list: { value: number; major: boolean }[] = []
  for (let k = Math.ceil(range.value.low / minor); k * minor <= range.value.high; k++)
    list.push({ value: k * minor, major: k % 5 === 0 })
  return { list, decimals: step < 1 ? 1 : 0 }
})

const colour = (kind: CallKind) => (kind === 'unknown' ? 'var(--muted)' : `var(--${kind})`)

/** Labels of earlier readings that would run into one another are left to the log. */
const shown = computed(() => {
  const places: number[] = rpm === null ? [] : [x(rpm)]
  return earlier.slice(0, 4).map(e => {
    const at = x(e.rpm)
    const clear = places.every(p => Math.abs(p - at) > 46)
    if (clear) places.push(at)
    return { ...e, at, labelled: clear }
  })
})
</script>

<template>
  <!-- Its width is known only once it stands there: its place is kept until then. -->
  <div ref="box" class="w-full min-h-[84px]">
    <svg
      v-if="width"
      :width="width"
      height="84"
      role="img"
      :aria-label="`Ruler from ${range.low.toFixed(0)} to ${range.high.toFixed(0)} r/min${rpm === null ? '' : `, the reading at ${rpm.toFixed(1)}`}`"
      class="block text-xs"
    >
      <g v-if="verdict.wide && verdict.narrow">
        <rect
          :x="x(verdict.wide.low)"
          y="22"
          :width="x(verdict.wide.high) - x(verdict.wide.low)"
          height="22"
          fill="var(--band-wide)"
        />
        <rect
          :x="x(verdict.narrow.low)"
          y="22"
          :width="x(verdict.narrow.high) - x(verdict.narrow.low)"
          height="22"
          fill="var(--band-narrow)"
        />
        <text :x="x(verdict.nominalRpm)" y="11" text-anchor="middle" fill="var(--leave)">leave it</text>
      </g>
      <line :x1="EDGE" :x2="width - EDGE" y1="44" y2="44" stroke="var(--ink)" stroke-width="1.4" />
      <g v-for="tick in ticks.list" :key="tick.value">
        <line :x1="x(tick.value)" :x2="x(tick.value)" y1="44" :y2="tick.major ? 53 : 49" stroke="var(--ink)" />
        <text v-if="tick.major" :x="x(tick.value)" y="66" text-anchor="middle" fill="var(--muted)">
          {{ tick.value.toFixed(ticks.decimals) }}
        </text>
      </g>
      <text :x="width - EDGE" y="81" text-anchor="end" fill="var(--muted)">r/min</text>
      <g v-for="(e, i) in shown" :key="i">
        <circle :cx="e.at" cy="36" r="4" fill="var(--panel)" :stroke="colour(e.kind)" stroke-width="1.8" />
        <text v-if="e.labelled" :x="e.at" y="11" text-anchor="middle" fill="var(--muted)">{{ e.label }}</text>
      </g>
      <g v-if="rpm !== null">
        <line
          v-if="low95 !== null && high95 !== null && Number.isFinite(high95)"
          :x1="x(Math.max(range.low, low95))"
          :x2="x(Math.min(range.high, high95))"
          y1="44"
          y2="44"
          :stroke="colour(verdict.kind)"
          stroke-width="5"
        />
        <line :x1="x(rpm)" :x2="x(rpm)" y1="24" y2="44" :stroke="colour(verdict.kind)" stroke-width="2" />
        <path :d="`M${x(rpm) - 7} 17h14l-7 10z`" :fill="colour(verdict.kind)" />
      </g>
    </svg>
  </div>
</template>
