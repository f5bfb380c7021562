<script setup lang="ts">
import { findMechanism, type MechanismId } from '@wobrin/core/drives'

/** A drive type from the front, to scale: all drawings with one scale can be compared. */
const { mechanism, scale = 0.34 } = defineProps<{ mechanism: MechanismId; scale?: number }>()
const front = computed(() => findMechanism(mechanism).front)
const slotY = computed(() => front.value.heightMm * (front.value.heightMm > 60 ? 0.45 : 0.4))
const slotX = computed(() => (front.value.widthMm - front.value.slotMm) / 2)
</script>

<template>
  <svg
    :width="front.widthMm * scale"
    :height="front.heightMm * scale"
    :viewBox="`0 0 ${front.widthMm} ${front.heightMm}`"
    aria-hidden="true"
    fill="none"
    stroke="var(--color-ink)"
    :stroke-width="1.2 / scale"
  >
    <rect x="1" y="1" :width="front.widthMm - 2" :height="front.heightMm - 2" rx="2" fill="var(--color-panel)" />
    <path :d="`M${slotX} ${slotY}h${front.slotMm}`" :stroke-width="2.4 / scale" />
    <path
      v-if="front.closes[0] === 'lever'"
      :d="`M${front.widthMm / 2 - 9} ${slotY - 7}h18v${Math.min(16, front.heightMm * 0.3)}h-18z`"
      fill="var(--color-tint)"
    />
    <path
      v-else-if="front.closes[0] === 'hatch'"
      :d="`M${slotX} ${slotY - 8}h${front.slotMm}v18h-${front.slotMm}z`"
      fill="var(--color-tint)"
    />
    <rect
      v-else-if="front.closes[0] === 'button'"
      :x="front.widthMm - 22"
      :y="front.heightMm * 0.62"
      width="12"
      :height="front.heightMm * 0.18"
      fill="var(--color-tint)"
    />
    <circle v-else :cx="front.widthMm - 16" :cy="front.heightMm * 0.7" r="1.6" />
    <circle
      v-if="mechanism !== 'quick-disk'"
      :cx="front.widthMm * 0.12"
      :cy="front.heightMm * 0.72"
      :r="Math.min(3, front.heightMm * 0.06)"
      fill="var(--color-ink)"
    />
  </svg>
</template>
