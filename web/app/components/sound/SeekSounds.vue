<script setup lang="ts">
import type { JudgedSound } from '@wobrin/core/instruments/sound'

/** Clicks on a line of time, and the seeks that they make. */
const { judged } = defineProps<{ judged: JudgedSound }>()
/** The newest stand first. */
const seeks = computed(() => judged.seeks.toReversed().slice(0, 12))
const WIDE = 1000
const at = (t: number) => (WIDE * t) / Math.max(judged.heard.durationS, 0.1)
const most = computed(() => judged.heard.onsets.reduce((m, o) => Math.max(m, Math.log(o.strength)), 1))
const high = (strength: number) => 8 + (28 * Math.log(Math.max(1, strength))) / most.value
</script>

<template>
  <div class="space-y-4">
    <figure>
      <figcaption class="flex justify-between gap-4 mb-1 text-sm">
        <strong>Clicks</strong
        ><span class="hint text-xs"
          >{{ judged.heard.onsets.length }} in {{ judged.heard.durationS.toFixed(1) }} s; taller is louder</span
        >
      </figcaption>
      <svg
        :viewBox="`0 0 ${WIDE} 44`"
        preserveAspectRatio="none"
        class="w-full h-14 rounded-box bg-tint"
        role="img"
        :aria-label="`${judged.heard.onsets.length} clicks`"
      >
        <path d="M0 40H1000" stroke="var(--line)" vector-effect="non-scaling-stroke" />
        <path
          v-for="o in judged.heard.onsets"
          :key="o.atS"
          :d="`M${at(o.atS)} 40v${-high(o.strength)}`"
          stroke="var(--ink)"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <p class="flex justify-between hint text-xs" aria-hidden="true">
        <span>0 s</span><span>{{ judged.heard.durationS.toFixed(1) }} s</span>
      </p>
    </figure>
    <table v-if="seeks.length" class="w-full text-sm" data-testid="seeks">
      <caption class="sr-only">
        Seeks that were heard, the newest first
      </caption>
      <thead>
        <tr class="text-left text-muted">
          <th scope="col" class="font-normal py-1">Began at</th>
          <th scope="col" class="font-normal text-right">Steps heard</th>
          <th scope="col" class="font-normal text-right">Time of a step</th>
          <th scope="col" class="font-normal text-right">Silent places</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in seeks" :key="s.fromS" class="border-t border-line">
          <td class="py-1.5">{{ s.fromS.toFixed(2) }} s</td>
          <td class="text-right font-bold">{{ s.heard }}</td>
          <td class="text-right">{{ s.stepMs === null ? '–' : `${s.stepMs.toFixed(2)} ms` }}</td>
          <td class="text-right">{{ s.silent || '–' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
