<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { ADJUSTER_NAMES } from '@wobrin/core/drives'
import { CAUSES, type Explanation } from '@wobrin/core/instruments/alignment'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'
import { alignOrder } from '@wobrin/core/bench/stations'

/** May it be touched, and what; with what speaks for it, and the order of work as far as it has come. */
const { drive, log } = defineProps<{ drive: DriveFacts; log: readonly LogEntry[] }>()
const disks = useDisks()
onMounted(() => disks.load().catch(() => {}))

const order = computed(() => alignOrder(drive, log, disks.trusts))
const likely = computed(() => order.value.verdict.explanations.filter(e => e.probability > 0.01).slice(0, 5))
const worded = (e: Explanation) =>
  e.head === null
    ? CAUSES[e.cause]
    : `${e.head ? 'upper' : 'lower'} head: ${{ heads: 'off track', dirt: 'dirt on it', weak: 'low read amplitude', writer: 'the disk was written off track', electronics: 'its plug or lead' }[e.cause as string] ?? CAUSES[e.cause]}`
const size = (e: Explanation) => (e.size ? `about ${e.size.value} ${e.size.unit}` : '')
/** The first that is not done is where the hands are. */
const now = computed(() => order.value.items.find(i => !i.done)?.id ?? null)
</script>

<template>
  <section aria-label="May I touch it?">
    <div class="flex flex-wrap items-center justify-between gap-3 mb-2">
      <h3 class="text-lg font-bold">May I touch it?</h3>
      <NuxtLink v-if="order.items.length && likely.length" class="btn" :to="`/instruments/sweep?drive=${drive.id}`">{{
        order.verdict.adjuster ? `Sweep the ${ADJUSTER_NAMES[order.verdict.adjuster]}` : 'Sweep an adjuster'
      }}</NuxtLink>
    </div>
    <CallBand :call="order.verdict.call" />
    <div v-if="likely.length" class="grid gap-x-8 gap-y-5 mt-4 @2xl:grid-cols-2">
      <div>
        <h4 class="section-title mb-1">Possible causes</h4>
        <ul class="text-sm">
          <li v-for="e in likely" :key="`${e.cause} ${e.head}`" class="py-1.5">
            <div class="flex justify-between gap-3">
              <span
                >{{ worded(e) }} <span class="hint">{{ size(e) }}</span></span
              ><span class="font-bold whitespace-nowrap"
                >{{ e.probability > 0.995 ? '> 99' : Math.round(e.probability * 100) }} %</span
              >
            </div>
            <div class="h-1.5 mt-1 rounded bg-tint">
              <div class="h-full rounded bg-ink" :style="{ width: `${Math.max(1, e.probability * 100)}%` }" />
            </div>
          </li>
        </ul>
        <p class="hint text-xs mt-1">
          Margins, failures and headers against the physics of each cause, and how the margins swing once a revolution.
        </p>
      </div>
      <div>
        <h4 class="section-title mb-1">Order of work</h4>
        <ol class="text-sm">
          <li
            v-for="(i, n) in order.items"
            :key="i.id"
            class="flex gap-2.5 py-1"
            :class="!i.done && i.id !== now && 'text-muted'"
          >
            <span
              class="size-5 shrink-0 rounded-full border grid place-items-center text-xs mt-0.5"
              :class="
                i.done ? 'bg-leave border-leave text-panel' : i.id === now ? 'border-ink font-bold' : 'border-line'
              "
              ><Check v-if="i.done" class="size-3.5" aria-label="done" /><template v-else>{{ n + 1 }}</template></span
            >
            <span
              ><span :class="i.id === now && 'font-bold'">{{ i.title }}</span
              ><span v-if="i.done || i.id === now" class="hint block">{{ i.says }}</span></span
            >
          </li>
        </ol>
      </div>
    </div>
  </section>
</template>
