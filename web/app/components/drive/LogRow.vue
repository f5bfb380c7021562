<script setup lang="ts">
import { Undo2 } from 'lucide-vue-next'
import { formatObservation } from '@wobrin/core/base/observations'
import { mayTakeBack, type LogEntry } from '@wobrin/core/log'
import { findStation } from '@wobrin/core/bench/stations'

const { entry, gone, erased } = defineProps<{ entry: LogEntry; gone: boolean; erased?: string }>()
const emit = defineEmits<{ takeBack: [] }>()

const title = computed(() =>
  entry.kind === 'wait'
    ? `Waiting: ${entry.title}`
    : entry.data?.type === 'speed' && entry.observations[0]
      ? formatObservation(entry.observations[0])
      : entry.title,
)
const mayGo = computed(() => !gone && mayTakeBack(entry))
/** The recording that it was computed from, under the name that it came with. */
const recording = computed(() => {
  const sha = entry.evidence?.recording
  const name = entry.data && 'captureName' in entry.data ? entry.data.captureName : null
  return sha ? { sha, name: name ?? 'recording' } : null
})
const readTest = computed(() => (entry.data?.type === 'read-test' ? entry.data : null))
const photo = computed(() => (entry.data?.type === 'photo' && entry.data.sha !== null ? entry.data : null))
</script>

<template>
  <div class="border-b border-line py-2 grid grid-cols-[2.5rem_16px_1fr] gap-x-1.5" data-testid="entry">
    <time class="text-muted text-xs pt-0.5" :datetime="entry.at">{{ clockOf(entry.at) }}</time>
    <span><CallMark v-if="entry.call" :kind="entry.call.kind" :size="15" class="mt-0.5" /></span>
    <div class="min-w-0" :class="gone && 'line-through text-muted'">
      <p class="break-words">{{ title }}</p>
      <a v-if="photo" :href="`/api/photos/${photo.sha}`" target="_blank"
        ><img
          :src="`/api/photos/${photo.sha}?size=small`"
          :style="{ aspectRatio: `${photo.width} / ${photo.height}` }"
          loading="lazy"
          :alt="`${entry.title}, at ${findStation(entry.station).label}`"
          class="rounded-box mt-1 w-full max-h-48 object-cover"
      /></a>
      <RailSmallRail v-if="readTest && !gone" :bars="readTest.bars" class="mt-1" />
      <p v-if="erased" class="hint">{{ erased }}</p>
      <p v-if="entry.detail" class="hint break-words whitespace-pre-line">{{ entry.detail }}</p>
      <p class="hint text-xs flex items-center gap-1">
        <span class="grow min-w-0 py-1"
          >{{ findStation(entry.station).label
          }}<template v-if="entry.evidence"> · <SourceTag :evidence="entry.evidence" short /></template
          ><template v-if="recording">
            ·
            <a class="link break-all" :href="`/api/captures/${recording.sha}`">{{ recording.name }}</a></template
          ></span
        >
        <button
          v-if="mayGo"
          class="size-7 shrink-0 -my-1 -mr-1 grid place-items-center hover:text-ink"
          :aria-label="`Take back: ${title}`"
          title="Take back"
          @click="emit('takeBack')"
        >
          <Undo2 class="size-3.5" />
        </button>
      </p>
    </div>
  </div>
</template>
