<script setup lang="ts">
import { TriangleAlert } from 'lucide-vue-next'

/** What went wrong, in one sentence, and that nothing was lost by it. */
const { problem, kept = 'Nothing was stored.' } = defineProps<{ problem: string; kept?: string }>()
</script>

<template>
  <div class="border-l-5 border-stop bg-stop-tint px-4 py-3" role="alert" data-testid="problem">
    <p class="flex gap-2.5">
      <TriangleAlert class="size-5 shrink-0 text-stop mt-0.5" aria-hidden="true" /><span
        >{{ problem }} <span class="text-muted">{{ kept }}</span></span
      >
    </p>
    <slot />
  </div>
</template>
