<script setup lang="ts">
import { Check, Circle, X } from 'lucide-vue-next'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'
import { closingOf, type ClosingCheck } from '@wobrin/core/proof'

/** What is proved again with the covers on. */
const { log, drive } = defineProps<{ log: readonly LogEntry[]; drive: DriveFacts }>()
const closing = computed(() => closingOf(log, drive))
const look = {
  passed: { icon: Check, colour: 'text-leave' },
  failed: { icon: X, colour: 'text-nudge' },
  'not done': { icon: Circle, colour: 'text-muted' },
} as const
const WHERE: Readonly<Partial<Record<ClosingCheck['id'], string>>> = {
  speed: '?station=speed',
  protect: '?station=first-power',
  wiggle: '?station=electronics',
}
</script>

<template>
  <section aria-label="After the covers go on">
    <h3 class="text-lg font-bold mb-2">After the covers go on</h3>
    <CallBand :call="closing.call" />
    <ul v-if="closing.closed" class="text-sm mt-2">
      <li v-for="c in closing.checks" :key="c.check.id" class="flex gap-2 border-t border-line py-2">
        <component
          :is="look[c.state].icon"
          class="size-4 shrink-0 mt-0.5"
          :class="look[c.state].colour"
          :aria-label="c.state"
        />
        <span class="grow"
          ><strong>{{ c.check.label }}</strong
          ><span v-if="!c.check.needed" class="hint">
            · about {{ c.check.minutes >= 60 ? `${c.check.minutes / 60} h` : `${c.check.minutes} min` }}, if it is to
            run for long</span
          ><span class="block" :class="c.state === 'not done' && 'text-muted'">{{ c.says }}</span></span
        >
        <NuxtLink
          v-if="c.state === 'not done' && WHERE[c.check.id]"
          class="link self-center"
          :to="`/drives/${drive.id}${WHERE[c.check.id]}`"
          >Go there</NuxtLink
        >
      </li>
    </ul>
  </section>
</template>
