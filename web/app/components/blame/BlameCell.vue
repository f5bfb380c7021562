<script setup lang="ts">
import { placeFails, type PlaceRead } from '@wobrin/core/proof'

/**
 * One disk in one drive: upper head above the rail, lower head below it, outer zone left. Length is the share that
 * read; what failed is a gap.
 */
const { places } = defineProps<{ places: readonly PlaceRead[] }>()
const all = computed(() => places.reduce((n, p) => n + p.sectors, 0))
const good = computed(() => places.reduce((n, p) => n + p.good, 0))
const sources = computed(() => [...new Set(places.flatMap(p => p.sources))])
const bars = computed(() =>
  places.map(p => {
    const share = p.good / p.sectors
    const h = Math.max(0.8, 9 * share)
    return { x: 1 + p.zone * 16, y: p.head ? 11 - h : 14, h, whole: !placeFails(p), again: p.contradictory }
  }),
)
</script>

<template>
  <div class="w-28">
    <svg viewBox="0 0 50 25" class="w-full block" role="img" :aria-label="`${good} of ${all} sectors`">
      <rect
        v-for="(b, i) in bars"
        :key="i"
        :x="b.x"
        :y="b.y"
        width="14"
        :height="b.h"
        :fill="b.whole ? 'var(--leave)' : 'var(--nudge)'"
      />
      <rect x="0" y="11.8" width="50" height="1.4" fill="var(--line)" />
      <circle
        v-for="(b, i) in bars.filter(x => x.again)"
        :key="`c${i}`"
        :cx="b.x + 7"
        cy="12.5"
        r="2.4"
        fill="var(--panel)"
        stroke="var(--ink)"
      />
    </svg>
    <p class="text-xs text-center whitespace-nowrap" :class="good < all ? 'font-bold' : 'text-muted'">
      {{ good }} of {{ all }}<SourceMarks :sources="sources" />
    </p>
  </div>
</template>
