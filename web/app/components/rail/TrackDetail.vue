<script setup lang="ts">
import { intervalPicture, type TrackReading } from '@wobrin/core/instruments/interface'
import { formatName, halfCellOf } from '@wobrin/core/signals/codes'

const { track } = defineProps<{ track: TrackReading }>()

/** Pulses that are drawn: enough to see their spacing. */
const SHOWN = 60
const half = computed(() => (track.format ? halfCellOf(track.format) : null))
const total = computed(() => track.histogram.reduce((a, b) => a + b, 0))
const most = computed(() => Math.max(1, ...track.histogram))
const bins = computed(() =>
  track.histogram.map((n, i) => {
    const share = (i + 0.5) / track.histogram.length - 0.5
    return { x: 10 + (share + 0.5) * 340, h: Math.sqrt(n / most.value) * 96, far: Math.abs(share) > 0.3 }
  }),
)
const windowUs = computed(() => (half.value === null ? null : half.value * 1e6))
const pulses = computed(() => [...track.sample.slice(0, SHOWN)])
const span = computed(() => pulses.value.at(-1) ?? 0)
const picture = computed(() => (track.format ? null : intervalPicture(track.sample)))
const tallest = computed(() => Math.max(1, ...(picture.value?.counts ?? [])))
</script>

<template>
  <div>
    <h2 class="section-title">Cylinder {{ track.cylinder }}, {{ track.head ? 'upper' : 'lower' }} head</h2>
    <p class="hint mb-3">
      {{
        track.format
          ? `${formatName(track.format)} · ${spaced(total)} transitions by their phase in the timing window`
          : 'no code known; spacings of its pulses'
      }}
    </p>
    <svg
      v-if="track.format"
      viewBox="0 0 360 128"
      class="w-full text-xs"
      role="img"
      aria-label="Transitions by phase in the timing window"
    >
      <rect
        v-for="(b, i) in bins"
        :key="i"
        :x="b.x - 2.3"
        :y="100 - b.h"
        width="4.6"
        :height="b.h"
        :fill="b.far ? 'var(--nudge)' : 'var(--ink)'"
      />
      <line x1="10" x2="350" y1="100" y2="100" stroke="var(--ink)" />
      <text x="10" y="118" fill="var(--muted)">−{{ (windowUs! / 2).toFixed(2) }} µs</text>
      <text x="180" y="118" text-anchor="middle" fill="var(--muted)">on time</text>
      <text x="350" y="118" text-anchor="end" fill="var(--muted)">+{{ (windowUs! / 2).toFixed(2) }} µs</text>
    </svg>
    <svg
      v-else-if="picture"
      viewBox="0 0 360 128"
      class="w-full text-xs"
      role="img"
      aria-label="Spacings of the pulses"
    >
      <rect
        v-for="(n, i) in picture.counts"
        :key="i"
        :x="10 + i * 3.4"
        :y="100 - Math.sqrt(n / tallest) * 96"
        width="3"
        :height="Math.sqrt(n / tallest) * 96"
        fill="var(--ink)"
      />
      <line x1="10" x2="350" y1="100" y2="100" stroke="var(--ink)" />
      <text
        v-for="p in picture.peaksUs.slice(0, 5)"
        :key="p"
        :x="10 + (p / picture.binUs) * 3.4"
        y="118"
        text-anchor="middle"
        fill="var(--muted)"
      >
        {{ p.toFixed(1) }} µs
      </text>
    </svg>
    <p v-else class="hint py-8">No pulses came.</p>
    <template v-if="span > 0">
      <p class="hint mt-3 mb-1">Pulse train, {{ (span * 1e6).toFixed(0) }} µs of it</p>
      <svg viewBox="0 0 360 26" class="w-full" role="img" aria-label="Pulse train" preserveAspectRatio="none">
        <path
          :d="`M0 22${pulses.map(p => `H${((p / span) * 356).toFixed(2)}V4h0.01V22`).join('')}H360`"
          fill="none"
          stroke="var(--ink)"
          stroke-width="1"
        />
      </svg>
    </template>
    <dl class="grid grid-cols-2 gap-x-4 text-sm mt-3">
      <dt class="text-muted">Margin left</dt>
      <dd class="text-right">{{ track.margin === null ? '–' : `${(track.margin * 100).toFixed(0)} %` }}</dd>
      <dt class="text-muted">Peak shift</dt>
      <dd class="text-right">{{ half === null ? '–' : `${(track.shift * half * 1e9).toFixed(0)} ns` }}</dd>
      <dt class="text-muted">Bit rate</dt>
      <dd class="text-right">{{ track.rateOff === null ? '–' : `${signed(track.rateOff * 100, 2)} %` }}</dd>
    </dl>
  </div>
</template>
