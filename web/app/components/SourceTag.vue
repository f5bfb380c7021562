<script setup lang="ts">
import { evidenceWords, SOURCES, type Evidence } from '@wobrin/core/base/observations'

/** Where a value comes from, beside it: a small mark and a word. Nothing where it measures nothing. */
const { evidence, short = false } = defineProps<{ evidence: Evidence | null; short?: boolean }>()
</script>

<template>
  <span v-if="evidence" class="hint" :title="evidenceWords(evidence)" data-testid="source"
    ><component :is="SOURCE_ICONS[evidence.source]" class="inline size-3 mr-1 align-[-1px]" aria-hidden="true" />{{
      short ? SOURCES[evidence.source].label.toLowerCase() : evidenceWords(evidence)
    }}</span
  >
</template>
