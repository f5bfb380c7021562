<script setup lang="ts">
import type { WorkState } from '@wobrin/core/diagnosis'

/** Mark of a state on the map: a tick, a diamond, a ring, a hatched square; never colour alone. */
defineProps<{ state: WorkState }>()
</script>

<template>
  <path v-if="state === 'works'" d="M-4 0 L-1 3.5 L4.5 -4" fill="none" stroke="var(--color-leave)" stroke-width="2" />
  <path v-else-if="state === 'fails'" d="M0 -5 L5 0 L0 5 L-5 0 Z" fill="var(--color-mend)" />
  <circle v-else-if="state === 'not tried'" r="4" fill="none" stroke="var(--color-muted)" stroke-width="1.5" />
  <g v-else stroke="var(--color-muted)" stroke-width="1.2">
    <rect x="-4.5" y="-4.5" width="9" height="9" fill="none" />
    <path d="M-4.5 1 L1 -4.5 M-2 4.5 L4.5 -2" />
  </g>
</template>
