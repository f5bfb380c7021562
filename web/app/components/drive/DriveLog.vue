<script setup lang="ts">
import { Undo2 } from 'lucide-vue-next'
import { formatObservation, type LogEntry } from '@wobrin/core/observations'
import { findStation } from '@wobrin/core/procedures'

const { log } = defineProps<{ log: readonly LogEntry[] }>()
const emit = defineEmits<{ note: [], takeBack: [string] }>()

const gone = computed(() => new Set(log.map(e => e.takesBack).filter(Boolean)))
const newest = computed(() => [...log].sort((a, b) => b.seq - a.seq))

const title = (e: LogEntry) => e.kind === 'measurement' && e.observations[0] ? formatObservation(e.observations[0]) : e.title
const mayGo = (e: LogEntry) => !gone.value.has(e.id) && e.kind !== 'taken-back' && e.kind !== 'received' && e.kind !== 'facts'
</script>

<template>
  <section aria-label="Log">
    <header class="flex items-center justify-between mb-1">
      <h2 class="section-title">Log</h2>
      <button class="min-h-11 -my-2 px-1 text-sm text-muted hover:text-ink flex items-center gap-2" @click="emit('note')">Write a note <kbd>N</kbd></button>
    </header>
    <ol class="text-sm">
      <li v-for="e in newest" :key="e.id" class="group border-b border-line last:border-0 py-2.5 grid grid-cols-[3.2rem_18px_1fr] gap-x-2" data-testid="entry">
        <time class="text-muted text-xs pt-px" :datetime="e.at" :title="longTime(e.at)">{{ shortTime(e.at) }}</time>
        <span><CallMark v-if="e.call" :kind="e.call.kind" :size="16" class="mt-0.5" /></span>
        <div class="min-w-0" :class="gone.has(e.id) && 'line-through text-muted'">
          <p class="break-words">{{ title(e) }}</p>
          <p v-if="e.detail" class="hint break-words">{{ e.detail }}</p>
          <p class="hint text-xs flex flex-wrap items-center gap-x-2">
            <span>{{ findStation(e.station).label }}</span>
            <template v-if="e.data?.type === 'speed'">
              <span v-if="e.data.simulated">· simulated</span>
              <a class="link break-all" :href="`/api/captures/${e.data.captureSha}`">{{ e.data.captureName }}</a>
            </template>
            <button v-if="mayGo(e)" class="ml-auto size-7 -my-1 grid place-items-center hover:text-ink opacity-60 hover:opacity-100 focus-visible:opacity-100" :aria-label="`Take back: ${title(e)}`" title="Take back" @click="emit('takeBack', e.id)"><Undo2 class="size-4" /></button>
          </p>
        </div>
      </li>
    </ol>
  </section>
</template>
