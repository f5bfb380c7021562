<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'

/** A worked example of a speed: a recording of the simulated pickup, read as any file is. */
const { setup } = defineProps<{ setup: InstrumentSetup }>()
const SECONDS = 20
const file = useCaptureFile(
  () => setup.context,
  () => setup.pulleys,
)
/** The simulated spindle of the drive type that is chosen, a little fast. */
async function show(): Promise<void> {
  const { SCENARIOS, SimulatedPickup } = await import('@wobrin/core/simulator')
  const pickup = new SimulatedPickup(SCENARIOS.find(s => s.id === 'fast')!.options(setup.mechanism, 3))
  pickup.advanceTo(SECONDS)
  await file.open(new File([pickup.toVcd()], 'worked-example.vcd'))
}
useTimeoutFn(show, 300)
watch(
  () => setup.mechanism,
  () => void show(),
)
</script>

<template>
  <section v-if="file.judged.value" aria-label="Worked example" class="space-y-3 border-t border-line pt-4">
    <p><strong>Worked example.</strong> {{ SECONDS }} s of the simulated pickup, on a spindle that is a little fast.</p>
    <SpeedReadout
      :measurement="file.judged.value.measurement"
      :verdict="file.judged.value.verdict"
      :mechanism="setup.mechanism"
    />
  </section>
</template>
