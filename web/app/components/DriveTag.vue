<script setup lang="ts">
defineProps<{ tag: string }>()
</script>

<template>
  <span class="relative inline-flex items-center h-6.5 pl-7 pr-3 text-sm font-bold whitespace-nowrap">
    <svg class="absolute inset-0 size-full" preserveAspectRatio="none" viewBox="0 0 74 26" aria-hidden="true">
      <path
        d="M9 1H73V25H9L1 13z"
        fill="var(--tag)"
        stroke="currentColor"
        stroke-width="1.5"
        vector-effect="non-scaling-stroke"
      />
    </svg>
    <span class="absolute left-2.5 size-1.5 rounded-full border border-current" aria-hidden="true" />
    <span class="relative">{{ tag }}</span>
  </span>
</template>
