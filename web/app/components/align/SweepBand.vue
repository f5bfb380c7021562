<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { SweepResult, WindowEstimate } from '@wobrin/core/carriage'
import type { SweepRow } from '~/composables/useSweep'

/** The sweep on the adjuster's own scale: the upper head's tries above it, the lower head's below, what works as a band. */
const { rows, result, expected, two, unit } = defineProps<{ rows: readonly SweepRow[], result: SweepResult | null, expected: number, two: boolean, unit: string }>()
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const LEFT = 96
const LANE = 70

const range = computed(() => {
  const all = [...rows.filter(r => !r.struck).map(r => r.position), ...result?.tryNext === null || !result ? [] : [result.tryNext]]
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const pad = Math.max((high - low) * 0.08, 0.5)
  return { low: low - pad, high: high + pad }
})
const x = (p: number) => LEFT + (p - range.value.low) / (range.value.high - range.value.low) * (width.value - LEFT - 16)
const scaleY = computed(() => two ? LANE + 26 : 26)
const ticks = computed(() => {
  const span = range.value.high - range.value.low
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].find(s => span / s < 12) ?? 200
  return Array.from({ length: Math.floor(range.value.high / step) - Math.ceil(range.value.low / step) + 1 }, (_, i) => (Math.ceil(range.value.low / step) + i) * step)
})
const lanes = computed(() => [{ head: 'lower' as const, window: result?.lower ?? null, base: scaleY.value + 16, way: 1 }, ...two ? [{ head: 'upper' as const, window: result?.upper ?? null, base: scaleY.value - 16, way: -1 }] : []])
const reads = (w: WindowEstimate | null) => w !== null && w.to.value > w.from.value
const counted = (r: SweepRow, head: 'lower' | 'upper') => head === 'lower' ? r.lower : r.upper ?? 0
</script>

<template>
  <div ref="box">
    <svg v-if="width && rows.some(r => !r.struck)" :width="width" :height="scaleY + LANE + 44" class="block text-xs" role="img" :aria-label="`Sweep of ${rows.filter(r => !r.struck).length} positions`">
      <g v-for="lane in lanes" :key="lane.head">
        <rect v-if="reads(lane.window) && result?.common" :x="Math.max(LEFT, x(lane.window!.from.value))" :width="Math.max(0, Math.min(width - 16, x(lane.window!.to.value)) - Math.max(LEFT, x(lane.window!.from.value)))" :y="lane.way > 0 ? lane.base : lane.base - LANE" :height="LANE" fill="var(--band-wide)" />
        <text x="0" :y="lane.base + lane.way * LANE * 0.5 + 5" font-weight="700" font-size="14" fill="var(--ink)">{{ lane.head === 'lower' ? 'Lower' : 'Upper' }}</text>
        <g v-for="r in rows.filter(v => !v.struck)" :key="r.id">
          <line :x1="x(r.position)" :x2="x(r.position)" :y1="lane.base" :y2="lane.base + lane.way * Math.max(2, counted(r, lane.head) / expected * (LANE - 10))" :stroke="counted(r, lane.head) === expected ? 'var(--leave)' : 'var(--nudge)'" stroke-width="7" />
        </g>
      </g>
      <rect v-if="result?.common" :x="x(result.common.from)" :width="Math.max(1, x(result.common.to) - x(result.common.from))" :y="scaleY - 8" height="16" fill="var(--band-narrow)" />
      <line :x1="LEFT" :x2="width - 16" :y1="scaleY" :y2="scaleY" stroke="var(--ink)" stroke-width="1.5" />
      <g v-for="t in ticks" :key="t"><line :x1="x(t)" :x2="x(t)" :y1="scaleY - 5" :y2="scaleY + 5" stroke="var(--ink)" /><text :x="x(t)" :y="scaleY + LANE + 34" text-anchor="middle" fill="var(--muted)">{{ Number(t.toFixed(2)) }}</text></g>
      <text x="0" :y="scaleY + LANE + 34" fill="var(--muted)">{{ unit }}</text>
      <path v-if="result?.common" :d="`M${x(result.common.centre)} ${scaleY - 11}v22`" stroke="var(--leave)" stroke-width="3" />
      <g v-if="result && result.tryNext !== null"><circle :cx="x(result.tryNext)" :cy="scaleY" r="7" fill="var(--panel)" stroke="var(--ink)" stroke-width="2" /><text :x="x(result.tryNext)" y="12" text-anchor="middle" font-weight="700" fill="var(--ink)">try {{ Number(result.tryNext.toPrecision(3)) }}</text></g>
    </svg>
    <p v-else class="hint py-6">Positions stand here on the adjuster’s own scale as you try them.</p>
  </div>
</template>
