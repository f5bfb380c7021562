<script setup lang="ts">
import { STATION_IDS, type LogEntry } from '@wobrin/core/observations'
import { findStation, type Station } from '@wobrin/core/procedures'

/** A station without an instrument of its own: its purpose, and what the log holds of it. */
const { station, log } = defineProps<{ station: Station, log: readonly LogEntry[] }>()
const emit = defineEmits<{ note: [] }>()

const standing = computed(() => log.filter(e => (e.kind === 'note' || e.kind === 'received') && !log.some(o => o.takesBack === e.id)))
const here = computed(() => standing.value.filter(e => e.station === station.id))
/** What earlier stations left for this one to know. */
const before = computed(() => standing.value.filter(e => e.station !== station.id && STATION_IDS.indexOf(e.station) < STATION_IDS.indexOf(station.id)))

const title = (e: LogEntry) => e.kind === 'received' ? e.detail || e.title : e.title
const groups = computed(() => [
  { heading: '', entries: here.value }, { heading: 'From the stations before', entries: before.value },
].filter(g => g.entries.length))
</script>

<template>
  <section :aria-label="station.label">
    <h2 class="text-2xl font-bold">{{ station.label }}</h2>
    <p class="text-muted mt-1 mb-6">{{ station.purpose }}</p>
    <p v-if="!here.length" class="hint mb-6">Nothing is written down here yet. Tick the steps as you do them; note what you find.</p>
    <section v-for="group in groups" :key="group.heading" class="mb-6">
      <h3 v-if="group.heading" class="section-title mb-3">{{ group.heading }}</h3>
      <article v-for="e in group.entries" :key="e.id" class="border-l-3 border-line pl-4 mb-4">
        <p>{{ title(e) }}</p>
        <p v-if="e.kind !== 'received' && e.detail" class="hint whitespace-pre-line">{{ e.detail }}</p>
        <p class="hint text-xs mt-0.5">{{ e.kind === 'received' ? 'the owner' : findStation(e.station).label }}, {{ longTime(e.at) }}</p>
      </article>
    </section>
    <button class="btn" aria-keyshortcuts="n" @click="emit('note')">Write a note <kbd>N</kbd></button>
  </section>
</template>
