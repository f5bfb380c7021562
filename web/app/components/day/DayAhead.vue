<script setup lang="ts">
import { CalendarPlus } from 'lucide-vue-next'
import type { Ahead } from '../../../shared/day'

/** What the next week brings by itself: waits that end, parts that arrive. */
defineProps<{ ahead: readonly Ahead[] }>()
/** A part comes on a day, a wait ends at a moment. */
const when = (at: string) => (at.length === 10 ? weekday(at) : endOf(at))
</script>

<template>
  <section class="panel p-5" aria-labelledby="ahead" data-testid="ahead">
    <div class="flex items-start justify-between gap-3">
      <h2 id="ahead" class="section-title mb-2">The week ahead</h2>
      <a class="link text-sm inline-flex gap-1.5 items-center min-h-8" href="/api/bench-calendar" download
        ><CalendarPlus class="size-4" aria-hidden="true" />Calendar file</a
      >
    </div>
    <ul v-if="ahead.length" class="text-sm">
      <li v-for="a in ahead" :key="a.key" class="flex gap-3">
        <span class="w-24 shrink-0 py-1.5 text-muted">{{ when(a.at) }}</span><NuxtLink
          class="grow min-w-0 py-1.5 hover:underline underline-offset-2"
          :to="a.to"
          ><strong v-if="a.tags.length">{{ a.tags.join(', ') }} </strong>{{ a.what }}</NuxtLink
        >
      </li>
    </ul>
    <p v-else class="hint">No wait ends and no part is due within seven days.</p>
  </section>
</template>
