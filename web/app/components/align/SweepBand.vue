<script setup lang="ts">
import type { Counted, SweepResult, RangeEstimate } from '@wobrin/core/instruments/alignment'
import type { SweepRow } from '~/composables/useSweep'

/**
 * The sweep on the adjuster's own scale: the upper head's tries above it, the lower head's below, what works as a
 * band.
 */
const {
  rows,
  result,
  two,
  one = 'Lower',
  unit,
  travel,
  stood = null,
  setTo = null,
  after = null,
} = defineProps<{
  rows: readonly SweepRow[]
  result: SweepResult | null
  two: boolean
  /** The one head that is read, where it is one. */
  one?: 'Lower' | 'Upper'
  unit: string
  travel: readonly [number, number]
  /** Where it stood, where it was set, and where its mark stands after tightening. */
  stood?: number | null
  setTo?: number | null
  after?: number | null
}>()
const box = useTemplateRef<HTMLElement>('box')
const width = useBoxWidth(box)
const LEFT = 84
const LANE = 76

const standing = computed(() => rows.filter(r => !r.struck))
const range = computed(() => {
  const all = [...travel, ...standing.value.map(r => r.position), ...(stood === null ? [] : [stood])]
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const pad = (high - low) * 0.04
  return { low: low - pad, high: high + pad }
})
const x = (p: number) =>
  LEFT + ((p - range.value.low) / (range.value.high - range.value.low)) * (width.value - LEFT - 12)
const clamp = (p: number) => Math.max(LEFT, Math.min(width.value - 12, x(p)))
/** What concerns the upper head stands above. */
const above = computed(() => two || one === 'Upper')
const scaleY = computed(() => 26 + (above.value ? LANE : 0))
const ticks = computed(() => {
  const span = range.value.high - range.value.low
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].find(s => span / s < 12) ?? 200
  return Array.from(
    { length: Math.floor(range.value.high / step) - Math.ceil(range.value.low / step) + 1 },
    (_, i) => (Math.ceil(range.value.low / step) + i) * step,
  )
})
interface Lane {
  readonly head: 'lower' | 'upper'
  readonly window: RangeEstimate | null
  readonly base: number
  readonly way: 1 | -1
}
const lanes = computed<Lane[]>(() => [
  {
    head: 'lower',
    window: result?.lower ?? null,
    base: two || !above.value ? scaleY.value + 12 : scaleY.value - 12,
    way: two || !above.value ? 1 : -1,
  },
  ...(two
    ? [{ head: 'upper' as const, window: result?.upper ?? null, base: scaleY.value - 12, way: -1 as const }]
    : []),
])
const reads = (w: RangeEstimate | null) => w !== null && w.to.value > w.from.value
const counted = (r: SweepRow, head: 'lower' | 'upper'): Counted => (head === 'lower' ? r.lower : r.upper) ?? r.lower
/** A bar is the share of sectors; what a recording told of the margin is its filled part. */
const bar = (r: SweepRow, lane: Lane) => {
  const c = counted(r, lane.head)
  const full = Math.max(3, (c.good / c.expected) * (LANE - 8))
  return {
    full,
    margin: c.margin === undefined ? null : c.margin * (LANE - 8),
    whole: c.good === c.expected,
    named: c.named ?? 0,
  }
}
const height = computed(() => scaleY.value + 12 + (two || !above.value ? LANE : 8) + 26)
</script>

<template>
  <div ref="box" :style="{ minHeight: `${height}px` }">
    <svg
      v-if="width"
      :width="width"
      :height="height"
      class="block text-xs"
      role="img"
      :aria-label="`Sweep of ${standing.length} positions from ${travel[0]} to ${travel[1]} ${unit}`"
      data-testid="sweep-band"
    >
      <g v-for="lane in lanes" :key="lane.head">
        <rect
          v-if="reads(lane.window) && standing.length > 1 && result?.common"
          :x="clamp(lane.window!.from.value)"
          :width="Math.max(0, clamp(lane.window!.to.value) - clamp(lane.window!.from.value))"
          :y="lane.way > 0 ? lane.base : lane.base - LANE"
          :height="LANE"
          fill="var(--band-wide)"
        />
        <text x="0" :y="lane.base + lane.way * LANE * 0.5 + 5" font-weight="700" font-size="14" fill="var(--ink)">
          {{ two ? (lane.head === 'lower' ? 'Lower' : 'Upper') : one }}
        </text>
        <g v-for="r in standing" :key="r.id">
          <line
            :x1="x(r.position)"
            :x2="x(r.position)"
            :y1="lane.base"
            :y2="lane.base + lane.way * bar(r, lane).full"
            :stroke="bar(r, lane).whole ? 'var(--leave)' : 'var(--nudge)'"
            :stroke-width="bar(r, lane).margin === null ? 7 : 2"
          />
          <line
            v-if="bar(r, lane).margin !== null"
            :x1="x(r.position)"
            :x2="x(r.position)"
            :y1="lane.base"
            :y2="lane.base + lane.way * bar(r, lane).margin!"
            :stroke="bar(r, lane).whole ? 'var(--leave)' : 'var(--nudge)'"
            stroke-width="7"
          />
          <text
            v-if="bar(r, lane).named"
            :x="x(r.position)"
            :y="lane.base + lane.way * 14 + 4"
            text-anchor="middle"
            fill="var(--muted)"
          >
            {{ bar(r, lane).named > 0 ? '+' : '−' }}{{ Math.abs(bar(r, lane).named) }}
          </text>
        </g>
      </g>
      <rect
        v-if="result?.common"
        :x="clamp(result.common.from)"
        :width="Math.max(1, clamp(result.common.to) - clamp(result.common.from))"
        :y="scaleY - 8"
        height="16"
        fill="var(--band-narrow)"
      />
      <line :x1="x(travel[0])" :x2="x(travel[1])" :y1="scaleY" :y2="scaleY" stroke="var(--ink)" stroke-width="1.5" />
      <g v-for="t in ticks" :key="t">
        <line :x1="x(t)" :x2="x(t)" :y1="scaleY - 4" :y2="scaleY + 4" stroke="var(--ink)" />
        <text :x="x(t)" :y="height - 6" text-anchor="middle" fill="var(--muted)">{{ mark(t) }}</text>
      </g>
      <text x="0" :y="height - 6" fill="var(--muted)">{{ unit }}</text>
      <g v-if="stood !== null" fill="none" stroke="var(--ink)">
        <path :d="`M${x(stood)} ${scaleY - 9}v18`" stroke-dasharray="3 3" />
      </g>
      <path
        v-if="result?.common && result.tryNext === null"
        :d="`M${x(result.common.centre)} ${scaleY - 11}v22`"
        stroke="var(--leave)"
        stroke-width="3"
      />
      <path
        v-if="setTo !== null && after !== null"
        :d="`M${x(after) - 6} ${scaleY + 11}l6 -10l6 10z`"
        fill="var(--ink)"
      />
      <text
        v-if="stood !== null && Math.abs(x(stood) - x(result?.tryNext ?? Infinity)) > 60"
        :x="x(stood)"
        y="13"
        text-anchor="middle"
        fill="var(--muted)"
      >
        stood
      </text>
      <g v-if="result && result.tryNext !== null">
        <circle :cx="x(result.tryNext)" :cy="scaleY" r="7" fill="var(--panel)" stroke="var(--ink)" stroke-width="2" />
        <text :x="x(result.tryNext)" y="13" text-anchor="middle" font-weight="700" fill="var(--ink)">
          try {{ mark(result.tryNext) }}
        </text>
      </g>
      <text
        v-if="result?.common && result.tryNext === null"
        :x="x(result.common.centre)"
        y="13"
        text-anchor="middle"
        font-weight="700"
        fill="var(--ink)"
      >
        {{ mark(result.common.centre) }}
      </text>
    </svg>
    <p class="hint text-xs">
      Bar: share of the sectors that read{{
        standing.some(r => r.lower.margin !== undefined)
          ? '; its thick part: timing margin left, % of half the window'
          : ''
      }}{{ standing.some(r => r.lower.named || r.upper?.named) ? '; ±n: a whole other cylinder was read' : '' }}.
      Dashed: where it stood.
    </p>
  </div>
</template>
