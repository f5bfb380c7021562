<script setup lang="ts">
import { CALLS } from '@wobrin/core/base/observations'
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
    <p class="mt-1">
      <CallMark :kind="shown.call.kind" decorative class="inline align-[-3px] mr-2" /><strong>{{
        CALLS[shown.call.kind].label
      }}</strong>
      {{ shown.call.reasons.join(' ') }} {{ shown.call.next }}
    </p>
  </section>
</template>
