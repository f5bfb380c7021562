<script setup lang="ts">
import { findStep, type Wait } from '@wobrin/core/bench/stations'
import type { LogEntry } from '@wobrin/core/log'

/** What this drive is waiting for, running down. */
defineProps<{ waits: readonly Wait[] }>()
const emit = defineEmits<{ end: [LogEntry] }>()
const held = (w: Wait) => (w.holds ? findStep(w.holds)?.step.title.replace(/^./, c => c.toLowerCase()) : null)
</script>

<template>
  <ul v-if="waits.length" class="mb-3 space-y-2" aria-label="Waiting">
    <li
      v-for="w in waits"
      :key="w.entry.id"
      class="panel px-4 py-0.5 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm"
    >
      <strong>{{ w.what }}</strong>
      <span class="hint"
        >{{ w.over ? 'the time is up' : `until ${endOf(w.endsAt)}` }}{{ held(w) ? `, holds: ${held(w)}` : '' }}</span
      >
      <progress
        class="grow h-1.5 min-w-24 accent-ink hidden lg:block"
        :value="w.share"
        max="1"
        :aria-label="`${w.what}, time passed`"
      />
      <button class="btn" :class="w.over && 'btn-primary'" @click="emit('end', w.entry)">
        {{ w.over ? 'It is done' : 'End it now' }}
      </button>
    </li>
  </ul>
</template>
