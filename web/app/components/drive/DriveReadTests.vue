<script setup lang="ts">
import { standingEntries, surfaceTotals, type LogEntry, type ReadTestEntryData } from '@wobrin/core/log'

/** The latest surface that was read beside the first one, and the way to the next one. */
const { log, driveId, station } = defineProps<{ log: readonly LogEntry[]; driveId: string; station: string }>()
const tests = computed(() =>
  standingEntries(log).flatMap(e => (e.data?.type === 'read-test' ? [{ entry: e, data: e.data }] : [])),
)
const latest = computed(() => tests.value.at(-1) ?? null)
const before = computed(() => (tests.value.length > 1 ? tests.value[0]! : null))
const good = (t: { readonly data: ReadTestEntryData }) => {
  const totals = surfaceTotals(t.data.bars)
  return `${totals.good} of ${totals.sectors} sectors`
}
</script>

<template>
  <section aria-label="Read test">
    <div class="flex flex-wrap items-center justify-between gap-3 mb-2">
      <h3 class="text-lg font-bold">Read test</h3>
      <NuxtLink class="btn" :to="`/instruments/read-test?drive=${driveId}&station=${station}`">{{
        latest ? 'Read again' : 'Read a disk'
      }}</NuxtLink>
    </div>
    <template v-if="latest">
      <p class="flex gap-2.5">
        <CallMark v-if="latest.entry.call" :kind="latest.entry.call.kind" :size="16" class="mt-1" /><span
          >{{ latest.entry.call?.reasons.at(0) }} <span class="hint mr-1">{{ longTime(latest.entry.at) }}</span>
          <SourceTag :evidence="latest.entry.evidence"
        /></span>
      </p>
      <div class="grid gap-4 mt-2" :class="before && 'sm:grid-cols-2'">
        <figure v-if="before">
          <figcaption class="text-sm">
            <strong>Before</strong> <span class="hint">{{ longTime(before.entry.at) }}, {{ good(before) }}</span>
          </figcaption>
          <RailSmallRail :bars="before.data.bars" class="h-20" />
        </figure>
        <figure>
          <figcaption v-if="before" class="text-sm">
            <strong>Now</strong> <span class="hint">{{ good(latest) }}</span>
          </figcaption>
          <RailSmallRail :bars="latest.data.bars" class="h-20" />
        </figure>
      </div>
      <p class="hint text-xs flex justify-between">
        <span>outer edge</span
        ><span>{{
          latest.data.bars.some(b => b.head === 1) ? 'above the rail the upper head, below it the lower' : 'lower head'
        }}</span
        ><span>hub</span>
      </p>
    </template>
    <p v-else class="hint">
      No surface is on the log yet. A recording of the interface while a host reads tells how much timing margin is
      left, track by track.
    </p>
  </section>
</template>
