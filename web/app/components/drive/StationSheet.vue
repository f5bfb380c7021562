<script setup lang="ts">
import type { LogEntry } from '@wobrin/core/observations'
import type { Station } from '@wobrin/core/procedures'

/** A station without an instrument of its own: its purpose, and what the log holds of it. */
const { station, log } = defineProps<{ station: Station, log: readonly LogEntry[] }>()
const emit = defineEmits<{ note: [] }>()

const notes = computed(() => log.filter(e => e.station === station.id && (e.kind === 'note' || e.kind === 'received') && !log.some(o => o.takesBack === e.id)))
</script>

<template>
  <section :aria-label="station.label">
    <h2 class="text-2xl font-bold">{{ station.label }}</h2>
    <p class="text-muted mt-1 mb-6">{{ station.purpose }}</p>
    <div v-if="notes.length" class="space-y-4">
      <article v-for="e in notes" :key="e.id" class="border-l-3 border-line pl-4">
        <p>{{ e.kind === 'received' ? e.detail || e.title : e.title }}</p>
        <p v-if="e.kind !== 'received' && e.detail" class="hint whitespace-pre-line">{{ e.detail }}</p>
        <p class="hint text-xs mt-0.5">{{ e.kind === 'received' ? 'the owner, ' : '' }}{{ longTime(e.at) }}</p>
      </article>
    </div>
    <p v-else class="hint">Nothing is written down here yet. Tick the steps on the left as you do them; note what you find.</p>
    <button class="btn mt-6" aria-keyshortcuts="n" @click="emit('note')">Write a note <kbd>N</kbd></button>
  </section>
</template>
