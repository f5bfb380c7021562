<script setup lang="ts">
import { Wifi } from 'lucide-vue-next'

/** Says on every page that others can see the workshop, where they can. */
const { state, load } = useNetwork()
afterFirstPaint(load)
const said = computed(() => {
  const { devices, encrypted } = state.value
  const who =
    devices === 0
      ? 'No other device is paired with this workshop yet.'
      : `${devices === 1 ? 'One other device' : `${devices} other devices`} can see and change this workshop.`
  return encrypted ? who : `${who} What goes through the network is not encrypted.`
})
</script>

<template>
  <p
    v-if="state.open"
    class="bg-tint border-b border-line text-sm px-4 py-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 justify-center"
    data-testid="network-band"
  >
    <Wifi class="size-4 shrink-0" aria-hidden="true" /><span>{{ said }}</span
    ><NuxtLink class="link" to="/workshop#network">Devices</NuxtLink>
  </p>
</template>
