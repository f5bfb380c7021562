<script setup lang="ts">
import { asFoundRecord } from '@wobrin/core/findings'
import { inMachine } from '@wobrin/core/log'

/** That another drive has the place of this one in its machine, or that this one has another’s. */
const { closed } = defineProps<{ closed: boolean }>()
const store = useDrive()
const noted = computed(() => asFoundRecord(store.log).some(r => r.notedOn !== null))
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
        >Out of its machine since {{ dayWithin(place.replacedBy.at) }}:
        <NuxtLink class="link font-bold" :to="`/drives/${place.replacedBy.drive.id}`">{{
          place.replacedBy.drive.tag
        }}</NuxtLink>
        has its place now.</span
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
      since {{ dayWithin(place.replaces.at) }}.<template v-if="noted">
        What was noted as found there is on the put-back list here.</template
      ></span
    >
  </p>
</template>
