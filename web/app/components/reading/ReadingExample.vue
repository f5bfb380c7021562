<script setup lang="ts">
import { recordReading } from '@wobrin/core/diagnosis/readings'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'

/** A worked example of a typed reading: the speed that a host's program shows, a little high. */
const { mechanism } = defineProps<{ mechanism: MechanismId }>()
const shown = computed(() => {
  const nominal = findMechanism(mechanism).speed.nominal[0]!.value
  return recordReading(
    { key: 'speed.mean', value: Math.round(nominal * 1.025), source: 'host' },
    { mechanism, nominalRpm: null, hasTrimmer: null, motor: null },
  )
})
</script>

<template>
  <section v-if="shown.call" aria-label="Worked example" class="border-t border-line pt-4 mt-5">
    <p><strong>Worked example.</strong> {{ shown.title }}, by the host’s own program.</p>
    <ExampleCall :call="shown.call" />
  </section>
</template>
