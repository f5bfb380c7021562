<script setup lang="ts">
import type { PinRow } from '@wobrin/core/bench/host-fit'

/**
 * The plug seen from its pins: a disc where host and drive agree, a diamond where they do not; the rest is ground or
 * free.
 */
const { pins, rows } = defineProps<{ pins: number; rows: readonly PinRow[] }>()
const STEP = 34
const columns = computed(() => Math.ceil(pins / 2))
const at = (pin: number) => ({ x: 22 + Math.floor((pin - 1) / 2) * STEP, y: pin % 2 ? 24 : 54 })
const row = (pin: number) => rows.find(r => r.pin === pin)
const all = computed(() => Array.from({ length: pins }, (_, i) => ({ pin: i + 1, ...at(i + 1), row: row(i + 1) })))
</script>

<template>
  <figure>
    <div class="overflow-x-auto">
      <svg
        :viewBox="`0 0 ${columns * STEP + 12} 98`"
        :width="columns * STEP + 12"
        class="max-w-full min-w-[560px]"
        role="img"
        :aria-label="`Plug of ${pins} pins: ${rows.filter(r => r.agrees).length} lines agree, ${rows.filter(r => !r.agrees).length} do not`"
      >
        <path
          :d="`M2 6H${columns * STEP + 8}V72H${(columns * STEP) / 2 + 22}V66H${(columns * STEP) / 2 - 12}V72H2Z`"
          fill="var(--tint)"
          stroke="var(--line)"
        />
        <g v-for="p in all" :key="p.pin" :transform="`translate(${p.x} ${p.y})`">
          <circle v-if="!p.row" r="4" fill="none" stroke="var(--muted)" />
          <circle v-else-if="p.row.agrees" r="7.5" fill="var(--leave)" />
          <rect v-else x="-7" y="-7" width="14" height="14" transform="rotate(45)" fill="var(--mend)" />
          <text
            v-if="p.row"
            y="34"
            text-anchor="middle"
            font-size="12"
            :font-weight="p.row.agrees ? 400 : 700"
            fill="var(--ink)"
          >
            {{ p.pin }}
          </text>
        </g>
        <text x="33" y="28" font-size="12" fill="var(--muted)">1</text>
      </svg>
    </div>
    <figcaption class="hint flex flex-wrap gap-x-5">
      <span class="inline-flex items-center gap-2"
        ><svg width="14" height="14" viewBox="-8 -8 16 16" aria-hidden="true"><circle r="7" fill="var(--leave)" /></svg
        >agree</span
      ><span class="inline-flex items-center gap-2"
        ><svg width="14" height="14" viewBox="-10 -10 20 20" aria-hidden="true">
          <rect x="-6.5" y="-6.5" width="13" height="13" transform="rotate(45)" fill="var(--mend)" /></svg
        >do not agree</span
      ><span class="inline-flex items-center gap-2"
        ><svg width="14" height="14" viewBox="-8 -8 16 16" aria-hidden="true">
          <circle r="4" fill="none" stroke="var(--muted)" /></svg
        >ground, or not used</span
      >
    </figcaption>
  </figure>
</template>
