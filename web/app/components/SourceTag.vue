<script setup lang="ts">
import { AudioWaveform, Bot, Calculator, Gauge, Hand, MessageSquare, Monitor, PencilLine } from 'lucide-vue-next'
import { evidenceWords, SOURCES, type Evidence, type SourceId } from '@wobrin/core/base/observations'

/** Where a value comes from, beside it: a small mark and a word. Nothing where it measures nothing. */
const { evidence, short = false } = defineProps<{ evidence: Evidence | null; short?: boolean }>()
const ICONS = {
  recording: AudioWaveform,
  instrument: Calculator,
  meter: Gauge,
  probe: PencilLine,
  host: Monitor,
  hand: Hand,
  said: MessageSquare,
  simulated: Bot,
} as const satisfies Record<SourceId, unknown>
</script>

<template>
  <span v-if="evidence" class="hint" :title="evidenceWords(evidence)" data-testid="source"
    ><component :is="ICONS[evidence.source]" class="inline size-3 mr-1 align-[-1px]" aria-hidden="true" />{{
      short ? SOURCES[evidence.source].label.toLowerCase() : evidenceWords(evidence)
    }}</span
  >
</template>
