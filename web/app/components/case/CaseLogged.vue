<script setup lang="ts">
import type { LogEntry } from '@wobrin/core/log'

/** What was put on the log last from the case, with the way back. */
defineProps<{ entry: LogEntry; consequences?: readonly string[]; places?: readonly string[] }>()
const emit = defineEmits<{ takeBack: []; where: [place: string]; photo: [] }>()
</script>

<template>
  <div class="text-sm flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line pt-1" data-testid="logged">
    <p class="min-w-0 flex flex-wrap gap-x-2">
      <span class="hint">On the log:</span><span>{{ entry.title }}</span>
      <strong v-if="consequences?.length">{{ consequences.join(' ') }}</strong>
    </p>
    <span v-if="places?.length" class="flex flex-wrap gap-2 items-center" role="group" aria-label="Where?"
      ><strong>Where?</strong>
      <button v-for="p in places" :key="p" class="link min-h-8" type="button" @click="emit('where', p)">
        {{ p }}
      </button></span
    >
    <span class="ml-auto flex gap-4">
      <button class="link min-h-8" type="button" @click="emit('photo')">Add photo…</button>
      <button class="link min-h-8" type="button" aria-keyshortcuts="z" @click="emit('takeBack')">
        Take back <kbd>Z</kbd>
      </button>
    </span>
  </div>
</template>
