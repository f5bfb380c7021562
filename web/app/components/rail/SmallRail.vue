<script setup lang="ts">
import type { ReadTestEntryData } from '@wobrin/core/log'
import { UNEASY } from '@wobrin/core/signals/codes'

/** The rail in small: margins above and below, as the log keeps them. */
const { bars } = defineProps<{ bars: ReadTestEntryData['bars'] }>()
const last = computed(() => Math.max(1, ...bars.map(b => b.cylinder)))
const pitch = computed(() => 240 / (last.value + 1))
const drawn = computed(() =>
  bars.map(({ cylinder, head, margin, good, bad, missing, wrongCylinder }) => {
    const all = good + bad + missing + wrongCylinder
    const h = Math.max(1.2, (margin ?? 0) * 20 * (all ? good / all : 0))
    return {
      x: cylinder * pitch.value,
      y: head ? 22 - h : 28,
      h,
      whole: all > 0 && good === all && margin !== null && margin >= UNEASY,
    }
  }),
)
</script>

<template>
  <svg
    viewBox="0 0 240 50"
    class="w-full"
    role="img"
    :aria-label="`Rail of ${bars.length} tracks`"
    preserveAspectRatio="none"
  >
    <rect
      v-for="(b, i) in drawn"
      :key="i"
      :x="b.x"
      :y="b.y"
      :width="pitch * 0.85"
      :height="b.h"
      :fill="b.whole ? 'var(--leave)' : 'var(--nudge)'"
    />
    <rect x="0" y="23.5" width="240" height="3" rx="1.5" fill="var(--line)" />
  </svg>
</template>
