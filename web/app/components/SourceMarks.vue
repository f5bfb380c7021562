<script setup lang="ts">
import { SOURCES, type SourceId } from '@wobrin/core/base/observations'

/** Where values come from that stand too close for a sentence: a mark each, with its word where there is room. */
defineProps<{ sources: readonly SourceId[]; words?: boolean }>()
</script>

<template>
  <span class="hint text-xs whitespace-nowrap" data-testid="source"
    ><span v-for="s in sources" :key="s" class="inline-block ml-1" :title="SOURCES[s].words"
      ><component :is="SOURCE_ICONS[s]" class="inline size-3 align-[-1px]" aria-hidden="true" /><span
        :class="words ? 'ml-1' : 'sr-only'"
        >{{ SOURCES[s].label.toLowerCase() }}</span
      ></span
    ></span
  >
</template>
