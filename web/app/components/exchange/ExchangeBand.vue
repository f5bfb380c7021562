<script setup lang="ts">
import { inMachine } from '@wobrin/core/log'

/** That another drive has the place of this one in its machine, or that this one has another’s. */
const { closed } = defineProps<{ closed: boolean }>()
const store = useDrive()
const place = computed(() => inMachine(store.log))
</script>

<template>
  <p
    v-if="place.replacedBy || place.replaces"
    class="panel px-4 py-2 mb-3 text-sm flex flex-wrap items-center gap-x-4 gap-y-1"
    data-testid="exchange"
  >
    <template v-if="place.replacedBy">
      <span
        >Out of its machine since {{ dayOf(place.replacedBy.at) }}:
        <NuxtLink class="link font-bold" :to="`/drives/${place.replacedBy.drive.id}`">{{
          place.replacedBy.drive.tag
        }}</NuxtLink>
        has its place, with the complaints and the put-back list.</span
      >
      <NuxtLink v-if="!closed" class="link" :to="{ query: { station: 'release' } }"
        >Strip it, return it or keep it</NuxtLink
      >
    </template>
    <span v-else-if="place.replaces"
      >In the place of
      <NuxtLink class="link font-bold" :to="`/drives/${place.replaces.drive.id}`">{{
        place.replaces.drive.tag
      }}</NuxtLink>
      since {{ dayOf(place.replaces.at) }}. What was noted as found there is on the put-back list here.</span
    >
  </p>
</template>
