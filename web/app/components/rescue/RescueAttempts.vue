<script setup lang="ts">
import { Trash2 } from 'lucide-vue-next'
import type { AttemptFacts } from '@wobrin/core/instruments/rescue'

/** The recordings in the order in which they were made, with what is known of each. */
defineProps<{
  attempts: readonly { readonly file: string; readonly read: number; readonly won: number }[]
  facts: readonly AttemptFacts[]
}>()
const emit = defineEmits<{ tell: [number, AttemptFacts]; remove: [number] }>()
const text = (event: Event) => (event.target as HTMLInputElement).value.trim() || undefined
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <ol class="divide-y divide-line">
    <li v-for="(a, i) in attempts" :key="a.file" class="py-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <div class="basis-48 grow min-w-0">
        <p class="font-bold break-all">{{ i + 1 }}. {{ a.file }}</p>
        <p class="hint">{{ a.read }} read, {{ a.won }} for the first time</p>
      </div>
      <label class="flex items-center gap-2 text-sm"
        >Drive<input
          class="field w-28!"
          :value="facts[i]?.drive ?? ''"
          autocomplete="off"
          @change="emit('tell', i, { drive: text($event) })"
      /></label>
      <label class="flex items-center gap-2 text-sm"
        >Head position<input
          class="field w-24!"
          :value="facts[i]?.position ?? ''"
          autocomplete="off"
          @change="emit('tell', i, { position: text($event) })"
      /></label>
      <label class="flex items-center gap-2 text-sm min-h-11"
        ><input
          type="checkbox"
          class="size-5"
          :checked="facts[i]?.cleaned"
          @change="emit('tell', i, { cleaned: checked($event) })"
        />cleaned before</label
      >
      <label class="flex items-center gap-2 text-sm min-h-11"
        ><input
          type="checkbox"
          class="size-5"
          :checked="facts[i]?.slower"
          @change="emit('tell', i, { slower: checked($event) })"
        />slower</label
      >
      <button class="btn btn-quiet px-3" :aria-label="`Remove ${a.file}`" @click="emit('remove', i)">
        <Trash2 class="size-4" />
      </button>
    </li>
  </ol>
</template>
