<script setup lang="ts">
import type { MechanismId } from '@wobrin/core/drives'

/** A worked example of an adjuster sweep: sectors that a host counted at eight positions. */
const sweep = useSweep(ref<MechanismId>('3.5in'))
const COUNTED = [
  [0, 11, 4],
  [3, 11, 11],
  [6, 6, 11],
  [8, 0, 7],
  [-3, 9, 0],
  [-5, 1, 0],
  [5, 10, 11],
  [1, 11, 9],
] as const
for (const [position, lower, upper] of COUNTED)
  sweep.add({ position, lower: { good: lower, expected: 11 }, upper: { good: upper, expected: 11 } }, 'host')
</script>

<template>
  <section aria-label="Worked example" class="space-y-3" data-testid="sweep-example">
    <p>
      <strong>Worked example.</strong> The stepper body at eight marks; at each, the sectors of 11 that the host read
      with either head.
    </p>
    <ExampleCall v-if="sweep.call.value" :call="sweep.call.value" />
    <AlignSweepBand
      :rows="sweep.rows.value"
      :result="sweep.result.value"
      two
      one="Lower"
      :unit="sweep.setup.scale"
      :travel="sweep.travel.value"
      :stood="sweep.stood.value"
      :set-to="null"
      :after="null"
    />
  </section>
</template>
