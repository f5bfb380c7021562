<script setup lang="ts">
import type { LoggedDrive } from '@wobrin/core/bench/identical'
import { photoOf, standingEntries, type LogEntry } from '@wobrin/core/log'

/** Photos of both drives side by side, the latest first. */
const { other } = defineProps<{ other: LoggedDrive }>()
const store = useDrive()
const MOST = 4
const photosOf = (log: readonly LogEntry[]) =>
  standingEntries(log)
    .filter(e => photoOf(e) !== null)
    .slice(-MOST)
    .reverse()
const both = computed(() => [
  { tag: store.drive!.tag, photos: photosOf(store.log) },
  { tag: other.drive.tag, photos: photosOf(other.log) },
])
</script>

<template>
  <section v-if="both.some(b => b.photos.length)" aria-label="Photos of both drives">
    <h3 class="section-title mb-1">Photos</h3>
    <div class="grid grid-cols-2 gap-4">
      <div v-for="b in both" :key="b.tag">
        <p class="text-xs hint mb-1">{{ b.tag }}</p>
        <div class="grid grid-cols-2 gap-2">
          <a v-for="e in b.photos" :key="e.id" :href="`/api/photos/${photoOf(e)}`" target="_blank" rel="noopener"
            ><img
              :src="`/api/photos/${photoOf(e)}?size=small`"
              :alt="`${b.tag}: ${e.title}`"
              class="rounded-box border border-line w-full"
              loading="lazy"
          /></a>
        </div>
        <p v-if="!b.photos.length" class="hint text-sm">No photo.</p>
      </div>
    </div>
  </section>
</template>
