<script setup lang="ts">
import { standingEntries, type LogEntry } from '@wobrin/core/observations'

/** The latest surface that was read, and the way to the next one. */
const { log, driveId, station } = defineProps<{ log: readonly LogEntry[], driveId: string, station: string }>()
const latest = computed(() => standingEntries(log).findLast(e => e.data?.type === 'read-test') ?? null)
const data = computed(() => latest.value?.data?.type === 'read-test' ? latest.value.data : null)
</script>

<template>
  <section aria-label="Read test">
    <div class="flex flex-wrap items-center justify-between gap-3 mb-2"><h3 class="text-lg font-bold">Read test</h3><NuxtLink class="btn" :to="`/instruments/read-test?drive=${driveId}&station=${station}`">{{ latest ? 'Read again' : 'Read a disk' }}</NuxtLink></div>
    <template v-if="latest && data">
      <p class="flex gap-2.5"><CallMark v-if="latest.call" :kind="latest.call.kind" :size="16" class="mt-1" /><span>{{ latest.call?.reasons.at(0) }} <span class="hint">{{ longTime(latest.at) }}{{ data.simulated ? ', simulated' : '' }}</span></span></p>
      <RailSmallRail :bars="data.bars" class="mt-2 h-20" />
      <p class="hint text-xs flex justify-between"><span>outer edge</span><span>{{ data.bars.some(b => b[1] === 1) ? 'above the rail the upper head, below it the lower' : 'lower head' }}</span><span>hub</span></p>
    </template>
    <p v-else class="hint">No surface is on the log yet. A recording of the interface while a host reads tells how much timing margin is left, track by track.</p>
  </section>
</template>
