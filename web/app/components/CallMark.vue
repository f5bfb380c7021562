<script setup lang="ts">
import { CALLS, type CallKind } from '@wobrin/core/base/observations'

const { size = 18, decorative = false } = defineProps<{ kind: CallKind; size?: number; decorative?: boolean }>()
const hatch = useId()
</script>

<template>
  <svg
    :width="size"
    :height="size"
    viewBox="0 0 18 18"
    class="shrink-0"
    :role="decorative ? undefined : 'img'"
    :aria-label="decorative ? undefined : CALLS[kind].label"
    :aria-hidden="decorative || undefined"
  >
    <circle v-if="kind === 'leave'" cx="9" cy="9" r="7" fill="var(--leave)" />
    <g v-else-if="kind === 'nudge'">
      <circle cx="9" cy="9" r="6.2" fill="none" stroke="var(--nudge)" stroke-width="1.8" />
      <path d="M9 2.8a6.2 6.2 0 0 1 0 12.4z" fill="var(--nudge)" />
    </g>
    <path v-else-if="kind === 'mend'" d="M9 1.2 16.8 9 9 16.8 1.2 9z" fill="var(--mend)" />
    <g v-else-if="kind === 'stop'">
      <defs>
        <pattern :id="hatch" width="4.6" height="4.6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4.6" height="4.6" fill="#F08A3C" />
          <rect width="2.3" height="4.6" fill="#1D1408" />
        </pattern>
      </defs>
      <rect x="1.5" y="1.5" width="15" height="15" :fill="`url(#${hatch})`" stroke="#1D1408" />
    </g>
    <circle v-else cx="9" cy="9" r="6.2" fill="none" stroke="var(--muted)" stroke-width="1.8" />
  </svg>
</template>
