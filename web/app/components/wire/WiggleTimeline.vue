<script setup lang="ts">
import type { WiggleResult, WireMoved } from '@wobrin/core/instruments/interface'

/** Errors against time, with the stretches in which a wire was moved. */
const { wiggled } = defineProps<{
  wiggled: WiggleResult & {
    readonly errors: readonly number[]
    readonly spans: readonly WireMoved[]
    readonly fromS: number
    readonly toS: number
  }
}>()
const span = computed(() => Math.max(10, wiggled.toS - wiggled.fromS))
const x = (t: number) => ((t - wiggled.fromS) / span.value) * 1000
const counts = computed(() => {
  const out = new Array<number>(100).fill(0)
  for (const t of wiggled.errors) out[Math.min(99, Math.max(0, Math.floor(x(t) / 10)))]!++
  return out
})
const most = computed(() => Math.max(4, ...counts.value))
</script>

<template>
  <section aria-label="Wiggle test">
    <h2 class="section-title mb-1">Wiggle test: sectors that failed, against time</h2>
    <svg
      viewBox="0 0 1000 70"
      preserveAspectRatio="none"
      class="w-full h-16"
      role="img"
      :aria-label="`${wiggled.errors.length} errors in ${(wiggled.toS - wiggled.fromS).toFixed(0)} s`"
    >
      <rect
        v-for="(s, i) in wiggled.spans"
        :key="i"
        :x="x(s.fromS)"
        y="0"
        :width="Math.max(2, x(s.toS) - x(s.fromS))"
        height="60"
        fill="var(--band-wide)"
      />
      <rect
        v-for="(n, i) in counts"
        :key="`e${i}`"
        :x="i * 10 + 1"
        :y="60 - (n / most) * 56"
        width="8"
        :height="(n / most) * 56"
        fill="var(--ink)"
      />
      <line x1="0" x2="1000" y1="60" y2="60" stroke="var(--ink)" vector-effect="non-scaling-stroke" />
    </svg>
    <div class="flex justify-between hint text-xs">
      <span>{{ (wiggled.toS - wiggled.fromS).toFixed(0) }} s ago</span><span>shaded: a wire was moved</span
      ><span>now</span>
    </div>
    <ul v-if="wiggled.wires.length" class="text-sm mt-2 flex flex-wrap gap-x-6 gap-y-1">
      <li v-for="w in wiggled.wires" :key="w.wire">
        <strong>{{ w.wire }}</strong>: {{ w.errors }} in {{ w.seconds.toFixed(1) }} s
      </li>
      <li class="text-muted">at rest: {{ wiggled.rest.errors }} in {{ wiggled.rest.seconds.toFixed(1) }} s</li>
    </ul>
    <CallBand class="mt-2" :call="wiggled.call" />
  </section>
</template>
