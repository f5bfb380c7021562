<script setup lang="ts">
import { Eye, FileText } from 'lucide-vue-next'
import type { ComplaintStory } from '@wobrin/core/bench/case'

/** A case whose complaints are all closed: what they were, and where to go from here. */
const { stories, practice } = defineProps<{ stories: readonly ComplaintStory[]; practice: Practice }>()
const store = useDrive()
const hidden = ref<string[] | null>(null)
const reveal = async () => {
  hidden.value = await practice.reveal()
}
</script>

<template>
  <div class="mt-2 space-y-2" data-testid="closed">
    <ul class="text-sm">
      <li v-for="s in stories" :key="s.id">
        <strong>{{ s.label }}.</strong> {{ s.says }}
      </li>
    </ul>
    <p v-if="hidden" class="text-sm border-l-5 border-leave pl-3">Hidden in it: {{ hidden.join('; ') }}.</p>
    <div class="flex flex-wrap gap-3">
      <NuxtLink class="btn" :to="{ query: { station: 'prove' } }">Go to Prove</NuxtLink>
      <NuxtLink class="btn" :to="`/drives/${store.drive?.id}/story`"
        ><FileText class="size-4" />Story of the case</NuxtLink
      >
      <button v-if="practice.able.value && !hidden" class="btn" type="button" @click="reveal">
        <Eye class="size-4" />Show the hidden faults
      </button>
    </div>
  </div>
</template>
