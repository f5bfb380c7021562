<script setup lang="ts">
import type { TrackReading } from '@wobrin/core/instruments/interface'
import { findMechanism, trackRadiusMm, type MechanismId } from '@wobrin/core/drives'
import { UNEASY } from '@wobrin/core/signals/codes'

const {
  tracks,
  before = null,
  mechanism,
  heads = 2,
} = defineProps<{
  tracks: readonly TrackReading[]
  /** An earlier run, as a line to compare with. */
  before?: readonly TrackReading[] | null
  mechanism: MechanismId
  heads?: 1 | 2
}>()
const selected = defineModel<{ readonly cylinder: number; readonly head: 0 | 1 } | null>('selected', { default: null })

const box = useTemplateRef<HTMLElement>('box')
const width = useBoxWidth(box)
const LEFT = 104
const RIGHT = 18
const LANE = 104
const RAIL = 18

const geometry = computed(() => findMechanism(mechanism).geometry)
const last = computed(() => Math.max(geometry.value.cylinders.value - 1, ...tracks.map(t => t.cylinder)))
/** Tracks lie evenly, so a cylinder's place is to scale in millimetres from the axis too. */
const pitch = computed(() => (width.value - LEFT - RIGHT) / (last.value + 1))
const x = (cylinder: number) => LEFT + cylinder * pitch.value
const railY = computed(() => (heads === 2 ? LANE + 12 : 12))
const height = computed(() => railY.value + RAIL + LANE + 48)
const zero = (head: 0 | 1) => (head === 1 ? railY.value - 6 : railY.value + RAIL + 6)
const y = (head: 0 | 1, share: number) => (head === 1 ? zero(1) - share * LANE : zero(0) + share * LANE)

interface Bar {
  readonly key: string
  readonly track: TrackReading
  readonly pieces: readonly { readonly y: number; readonly h: number }[]
  readonly fill: string
  readonly failed: number
  readonly dead: boolean
}
const bars = computed<Bar[]>(() =>
  tracks
    .filter(t => heads === 2 || t.head === 0)
    .map(t => {
      const n = t.sectors.length
      const good = t.sectors.filter(s => s.state === 'good').length
      const margin = Math.max(0.03, Math.min(1, t.margin ?? 0))
      const length = margin * LANE
      // The bar's length is the margin; each sector has its part of it, and one that failed is bitten out.
      const pieces: { y: number; h: number }[] = []
      t.sectors.forEach((s, i) => {
        if (s.state !== 'good') return
        const [from, h] = [(length * i) / n, length / n]
        const last = pieces.at(-1)
        if (last && Math.abs(last.y + last.h - from) < 1e-6) last.h += h
        else pieces.push({ y: from, h })
      })
      return {
        key: `${t.cylinder} ${t.head}`,
        track: t,
        pieces,
        failed: n - good,
        dead: good === 0,
        fill: good < n || margin < UNEASY ? 'var(--nudge)' : 'var(--leave)',
      }
    }),
)
const outline = computed(() =>
  ([0, 1] as const).slice(0, heads).map(head => {
    const own = (before ?? []).filter(t => t.head === head).sort((a, b) => a.cylinder - b.cylinder)
    return own
      .map(
        (t, i) =>
          `${i ? 'L' : 'M'}${x(t.cylinder)} ${y(head, Math.min(1, t.sectors.some(s => s.whole) ? (t.margin ?? 0) : 0))}h${pitch.value}`,
      )
      .join('')
  }),
)
const radius = (cylinder: number) => {
  const { track0LowerMm, pitchMm } = geometry.value
  return track0LowerMm && pitchMm ? trackRadiusMm(track0LowerMm.value, pitchMm.value, cylinder) : null
}
const ticks = computed(() =>
  Array.from({ length: last.value + 1 }, (_, i) => i).filter(
    i => (i % (width.value > 520 ? 10 : 20) === 0 && last.value - i > 3) || i === last.value,
  ),
)
const chosen = computed(() =>
  tracks.find(t => t.cylinder === selected.value?.cylinder && t.head === selected.value.head),
)

function pick(event: MouseEvent): void {
  const rect = (event.currentTarget as SVGElement).getBoundingClientRect()
  const cylinder = Math.floor((event.clientX - rect.left - LEFT) / pitch.value)
  const head = heads === 2 && event.clientY - rect.top < railY.value + RAIL / 2 ? 1 : 0
  if (cylinder >= 0 && cylinder <= last.value) selected.value = { cylinder, head }
}

function move(event: KeyboardEvent): void {
  const at = selected.value ?? { cylinder: 0, head: 0 as const }
  const to = {
    ArrowLeft: { ...at, cylinder: Math.max(0, at.cylinder - 1) },
    ArrowRight: { ...at, cylinder: Math.min(last.value, at.cylinder + 1) },
    ArrowUp: { ...at, head: heads === 2 ? (1 as const) : (0 as const) },
    ArrowDown: { ...at, head: 0 as const },
  }[event.key]
  if (!to) return
  event.preventDefault()
  selected.value = to
}
</script>

<template>
  <figure ref="box" class="w-full">
    <figcaption class="hint flex flex-wrap gap-x-4 justify-between">
      <span
        >Bar: timing margin left, % of half the window · notch: a sector that failed · line: below it, reading is
        uneasy</span
      >
      <span v-if="before" class="flex items-center gap-2"
        ><svg width="22" height="8" aria-hidden="true">
          <line x1="0" x2="22" y1="4" y2="4" stroke="var(--ink)" stroke-width="1.6" /></svg
        >before</span
      >
    </figcaption>
    <!-- Its place is kept until its width is known. -->
    <div :style="{ minHeight: `${height}px` }">
      <svg
        v-if="width"
        :width="width"
        :height="height"
        class="block text-xs cursor-pointer"
        tabindex="0"
        role="application"
        aria-roledescription="rail"
        :aria-label="`Timing margin by cylinder${chosen ? `; cylinder ${chosen.cylinder}, ${chosen.head ? 'upper' : 'lower'} head, ${chosen.margin === null ? 'nothing read' : `${Math.round(chosen.margin * 100)} %`}` : ''}. Arrow keys choose a track.`"
        data-testid="rail"
        @click="pick"
        @keydown="move"
      >
        <g v-for="head in heads === 2 ? ([1, 0] as const) : ([0] as const)" :key="head">
          <g v-for="share in [0.25, 0.5, 0.75]" :key="share">
            <line :x1="LEFT" :x2="width - RIGHT" :y1="y(head, share)" :y2="y(head, share)" stroke="var(--line)" />
            <text :x="LEFT - 8" :y="y(head, share) + 4" text-anchor="end" fill="var(--muted)">{{ share * 100 }}</text>
          </g>
          <text x="0" :y="y(head, 0.45)" font-weight="700" fill="var(--ink)" font-size="14">
            {{ head ? 'Upper' : 'Lower' }}
          </text>
          <text x="0" :y="y(head, 0.45) + 17" fill="var(--muted)">head {{ head }}</text>
        </g>
        <g v-for="b in bars" :key="b.key">
          <rect
            v-for="(p, i) in b.pieces"
            :key="i"
            :x="x(b.track.cylinder) + pitch * 0.08"
            :width="pitch * 0.84"
            :y="b.track.head ? zero(1) - p.y - p.h : zero(0) + p.y"
            :height="Math.max(0.5, p.h)"
            :fill="b.fill"
          />
          <path
            v-if="b.dead"
            :d="`M${x(b.track.cylinder) + pitch * 0.15} ${b.track.head ? zero(1) - 2 : zero(0) + 2}h${pitch * 0.7}`"
            stroke="var(--nudge)"
            stroke-width="2.5"
          />
        </g>
        <g v-for="head in heads === 2 ? ([1, 0] as const) : ([0] as const)" :key="`u${head}`">
          <line
            :x1="LEFT"
            :x2="width - RIGHT"
            :y1="y(head, UNEASY)"
            :y2="y(head, UNEASY)"
            stroke="var(--nudge)"
            stroke-dasharray="5 4"
          />
        </g>
        <path v-for="(d, i) in outline" :key="`b${i}`" :d="d" fill="none" stroke="var(--panel)" stroke-width="4" />
        <path v-for="(d, i) in outline" :key="i" :d="d" fill="none" stroke="var(--ink)" stroke-width="1.6" />
        <rect
          :x="LEFT"
          :y="railY"
          :width="width - LEFT - RIGHT"
          :height="RAIL"
          rx="3"
          fill="var(--tint)"
          stroke="var(--line)"
        />
        <g v-if="selected">
          <rect
            :x="x(selected.cylinder) + pitch / 2 - 11"
            :y="railY - 3"
            width="22"
            :height="RAIL + 6"
            rx="4"
            fill="var(--ink)"
          />
          <line
            :x1="x(selected.cylinder) + pitch / 2"
            :x2="x(selected.cylinder) + pitch / 2"
            :y1="selected.head ? railY - 3 : railY + RAIL + 3"
            :y2="selected.head ? railY - 15 : railY + RAIL + 15"
            stroke="var(--panel)"
            stroke-width="4"
          />
          <line
            :x1="x(selected.cylinder) + pitch / 2"
            :x2="x(selected.cylinder) + pitch / 2"
            :y1="selected.head ? railY - 3 : railY + RAIL + 3"
            :y2="selected.head ? railY - 15 : railY + RAIL + 15"
            stroke="var(--ink)"
            stroke-width="2"
          />
        </g>
        <text x="0" :y="height - 26" fill="var(--muted)">cylinder</text>
        <text
          v-for="t in ticks"
          :key="t"
          :x="x(t) + pitch / 2"
          :y="height - 26"
          text-anchor="middle"
          fill="var(--muted)"
        >
          {{ t }}
        </text>
        <text v-if="radius(0) !== null" :x="LEFT" :y="height - 8" fill="var(--muted)">
          outer edge, {{ radius(0)!.toFixed(1) }} mm from the axis
        </text>
        <text
          v-if="radius(last) !== null && width > 520"
          :x="width - RIGHT"
          :y="height - 8"
          text-anchor="end"
          fill="var(--muted)"
        >
          hub side, {{ radius(last)!.toFixed(1) }} mm
        </text>
      </svg>
    </div>
  </figure>
</template>
