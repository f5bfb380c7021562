<script setup lang="ts">
import { Check, Circle, X } from 'lucide-vue-next'
import type { WriteCheck } from '@wobrin/core/proof'

/** Checks of a write test, each with what it says. */
defineProps<{ checks: readonly WriteCheck[] }>()
const look = {
  passed: { icon: Check, colour: 'text-leave' },
  failed: { icon: X, colour: 'text-nudge' },
  open: { icon: Circle, colour: 'text-muted' },
} as const
</script>

<template>
  <ul class="text-sm">
    <li v-for="c in checks" :key="c.id" class="flex gap-2 border-t border-line py-1.5">
      <component
        :is="look[c.state].icon"
        class="size-4 shrink-0 mt-0.5"
        :class="look[c.state].colour"
        :aria-label="c.state === 'open' ? 'not tried' : c.state"
      /><span
        ><strong>{{ c.label }}.</strong> <span :class="c.state === 'open' && 'text-muted'">{{ c.says }}</span></span
      >
    </li>
  </ul>
</template>
