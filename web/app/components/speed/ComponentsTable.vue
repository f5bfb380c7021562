<script setup lang="ts">
import type { SpeedMeasurement } from '@wobrin/core/instruments/spindle'

const { measurement, limit } = defineProps<{
  measurement: Pick<SpeedMeasurement, 'components' | 'highestHz' | 'variation'>
  limit: number
}>()

const WORDS: readonly (readonly [RegExp, string])[] = [
  [/^belt/, 'the belt’s own length: a set or a seam'],
  [/^motor/, 'the motor pulley'],
  [/^spindle, once/, 'once a revolution: hub, flywheel or disk'],
  [/^spindle, twice/, 'twice a revolution'],
]

/** What a person would look at, and whether it matters. */
function meaning(likely: string | null, peakPercent: number): string {
  const harm =
    peakPercent > limit ? 'beyond the limit' : peakPercent > limit / 2 ? 'worth watching' : 'harmless at this depth'
  const words = WORDS.find(([pattern]) => likely && pattern.test(likely))?.[1]
  const how = likely?.includes('alias') ? ', worked out from its alias' : ''
  return `${words ?? 'nothing known turns at this rate'}${how}; ${harm}`
}

const name = (likely: string | null) => (likely ? likely.split(',')[0]!.replace(/^./, c => c.toUpperCase()) : 'Unknown')
</script>

<template>
  <div class="overflow-x-auto">
    <table v-if="measurement.components.length" class="w-full text-sm">
      <caption class="sr-only">
        Periodic parts of the speed
      </caption>
      <thead class="text-muted text-left">
        <tr class="border-b border-line whitespace-nowrap">
          <th class="font-normal py-1.5 pr-3">Periodic part</th>
          <th class="font-normal pr-3 text-right">Rate, Hz</th>
          <th class="font-normal pr-4 text-right">Depth, %</th>
          <th class="font-normal">What turns at that rate</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in measurement.components" :key="c.hz" class="border-b border-line last:border-0 align-top">
          <td class="py-1.5 pr-3">{{ name(c.likely) }}</td>
          <td class="pr-3 py-1.5 text-right">{{ c.hz.toFixed(2) }}</td>
          <td class="pr-4 py-1.5 text-right">{{ c.peakPercent.toFixed(2) }}</td>
          <td class="py-1.5">{{ meaning(c.likely, c.peakPercent) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="hint">No periodic variation above the noise.</p>
  </div>
</template>
