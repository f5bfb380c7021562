<script setup lang="ts">
import { innerThirds, totalsOf, type TrackReading } from '@wobrin/core/instruments/interface'
import type { Observation } from '@wobrin/core/base/observations'
import type { ReadFile } from '../../composables/useReadTest'

const { tracks, observations, done } = defineProps<{
  tracks: readonly TrackReading[]
  observations: readonly Observation[]
  /** Whether all is read: only then is there something to save. */
  done: boolean
}>()
const emit = defineEmits<{ save: [ReadFile] }>()

const totals = computed(() => totalsOf(tracks))
const inner = computed(() =>
  innerThirds(tracks).map(({ head, share }) => ({
    label: `${head ? 'Upper' : 'Lower'} head, inner third`,
    value: `${Math.round(100 * share)} %`,
  })),
)
const figures = computed(() =>
  observations.filter(o => o.key.startsWith('surface.margin') || o.key === 'bus.speed' || o.key === 'surface.rate'),
)
const unread = computed(() => totals.value.bad + totals.value.missing)
</script>

<template>
  <section class="panel p-5" aria-label="Totals">
    <h2 class="section-title mb-2">What it adds up to</h2>
    <dl class="text-sm">
      <div class="flex justify-between gap-4 border-t border-line py-2">
        <dt>Sectors good</dt>
        <dd>{{ spaced(totals.good) }} of {{ spaced(totals.good + totals.bad + totals.missing) }}</dd>
      </div>
      <div v-for="i in inner" :key="i.label" class="flex justify-between gap-4 border-t border-line py-2">
        <dt>{{ i.label }}</dt>
        <dd>{{ i.value }}</dd>
      </div>
      <div class="flex justify-between gap-4 border-t border-line py-2">
        <dt>Wrong-cylinder headers</dt>
        <dd>{{ totals.foreign }}</dd>
      </div>
      <div v-for="o in figures" :key="o.key" class="flex justify-between gap-4 border-t border-line py-2">
        <dt>{{ o.label }}</dt>
        <dd>{{ o.value }} {{ o.unit }}</dd>
      </div>
    </dl>
    <div v-if="done" class="mt-4 pt-3 border-t border-line">
      <h3 class="section-title mb-2">Save what was read</h3>
      <div class="grid grid-cols-2 gap-2">
        <button class="btn" @click="emit('save', 'image')">Save disk image</button
        ><button class="btn" @click="emit('save', 'map')">Save sector list</button
        ><button class="btn" @click="emit('save', 'margins')">Save margins</button
        ><button class="btn" @click="emit('save', 'json')">Save report</button>
      </div>
      <p v-if="unread" class="hint mt-2">
        {{ unread }} {{ unread === 1 ? 'sector was' : 'sectors were' }} not read without error: what was never read is
        filled in the image and named in its sector list.
      </p>
    </div>
  </section>
</template>
