<script setup lang="ts">
import type { LastFinding } from '~/composables/useFindings'

/** The consequence of what was found just now, and where it is if that is not said yet. */
defineProps<{ last: LastFinding }>()
const emit = defineEmits<{ where: [place: string]; photo: []; takeBack: []; close: [] }>()
</script>

<template>
  <div class="mb-5" data-testid="consequence">
    <p class="text-sm mb-1.5 flex items-baseline gap-3">
      <strong>{{ last.entry.title }}</strong><button class="hint link ml-auto min-h-8" @click="emit('photo')">
        Add photo of it…</button
      ><button class="hint link min-h-8" aria-keyshortcuts="z" @click="emit('takeBack')">Take back <kbd>Z</kbd></button
      ><button class="hint link min-h-8" @click="emit('close')">Close</button>
    </p>
    <CallBand v-if="last.entry.call" :call="last.entry.call" />
    <p v-if="last.consequences.length" class="text-sm mt-1.5">{{ last.consequences.join(' ') }}</p>
    <div v-if="last.places.length" class="flex flex-wrap gap-2 mt-2" role="group" aria-label="Where?">
      <span class="text-sm font-bold self-center mr-1">Where?</span>
      <button v-for="(place, i) in last.places" :key="place" class="btn font-normal!" @click="emit('where', place)">
        {{ place }}<kbd>{{ i + 1 }}</kbd>
      </button>
    </div>
  </div>
</template>
