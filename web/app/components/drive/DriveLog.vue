<script setup lang="ts">
import { Camera, Hourglass, NotebookPen, Undo2 } from 'lucide-vue-next'
import { formatObservation, type LogEntry } from '@wobrin/core/observations'
import { findStation } from '@wobrin/core/procedures'

const { log } = defineProps<{ log: readonly LogEntry[] }>()
const emit = defineEmits<{ note: [], wait: [], photo: [], takeBack: [string] }>()

const adding = [
  ['n', 'Write a note', NotebookPen, () => emit('note')], ['p', 'Add a photo', Camera, () => emit('photo')], ['w', 'Start a wait', Hourglass, () => emit('wait')],
] as const

const gone = computed(() => new Set(log.map(e => e.takesBack).filter(Boolean)))

/** Newest first, a heading for each day. */
const days = computed(() => {
  const groups: { day: string, entries: LogEntry[] }[] = []
  for (const e of [...log].sort((a, b) => b.seq - a.seq)) {
    const day = dayOf(e.at)
    if (groups.at(-1)?.day !== day) groups.push({ day, entries: [] })
    groups.at(-1)!.entries.push(e)
  }
  return groups
})

const title = (e: LogEntry) => e.kind === 'wait' ? `Waiting: ${e.title}` : e.kind === 'measurement' && e.observations[0] ? formatObservation(e.observations[0]) : e.title
const mayGo = (e: LogEntry) => !gone.value.has(e.id) && e.kind !== 'taken-back' && e.kind !== 'received' && e.kind !== 'facts'
</script>

<template>
  <section aria-label="Log">
    <header class="flex items-center justify-between mb-1">
      <h2 class="section-title">Log</h2>
      <div class="flex -mr-2">
        <button v-for="[key, label, icon, run] in adding" :key="key" class="size-11 -my-2 grid place-items-center text-muted hover:text-ink" :aria-label="label" :aria-keyshortcuts="key" :title="`${label} (${key.toUpperCase()})`" @click="run"><component :is="icon" class="size-[18px]" /></button>
      </div>
    </header>
    <section v-for="{ day, entries } in days" :key="day">
      <h3 class="text-xs text-muted mt-2 border-b border-line pb-1">{{ day }}</h3>
      <ol class="text-sm">
        <li v-for="e in entries" :key="e.id" class="border-b border-line last:border-0 py-2 grid grid-cols-[2.5rem_16px_1fr] gap-x-1.5" data-testid="entry">
          <time class="text-muted text-xs pt-0.5" :datetime="e.at">{{ clockOf(e.at) }}</time>
          <span><CallMark v-if="e.call" :kind="e.call.kind" :size="15" class="mt-0.5" /></span>
          <div class="min-w-0" :class="gone.has(e.id) && 'line-through text-muted'">
            <p class="break-words">{{ title(e) }}</p>
            <a v-if="e.data?.type === 'photo'" :href="`/api/photos/${e.data.sha}`" target="_blank"><img :src="`/api/photos/${e.data.sha}`" :width="e.data.width" :height="e.data.height" loading="lazy" :alt="`Photo at ${findStation(e.station).label}`" class="rounded-box mt-1 h-auto"></a>
            <p v-if="e.detail" class="hint break-words whitespace-pre-line">{{ e.detail }}</p>
            <p class="hint text-xs flex items-center gap-1">
              <span class="grow min-w-0 py-1">{{ findStation(e.station).label }}<template v-if="e.data?.type === 'speed'">{{ e.data.simulated ? ', simulated' : '' }} · <a class="link break-all" :href="`/api/captures/${e.data.captureSha}`">{{ e.data.captureName }}</a></template></span>
              <button v-if="mayGo(e)" class="size-7 shrink-0 -my-1 -mr-1 grid place-items-center hover:text-ink" :aria-label="`Take back: ${title(e)}`" title="Take back" @click="emit('takeBack', e.id)"><Undo2 class="size-3.5" /></button>
            </p>
          </div>
        </li>
      </ol>
    </section>
  </section>
</template>
