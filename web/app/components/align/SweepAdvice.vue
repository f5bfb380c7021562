<script setup lang="ts">
import { Info } from 'lucide-vue-next'

/** What the order of work has to say before this adjuster is moved. */
defineProps<{ stops: readonly string[]; says: readonly string[]; driveId: string }>()
</script>

<template>
  <div v-if="stops.length" class="border-l-5 border-stop bg-stop-tint px-4 py-3" role="alert" data-testid="order-stops">
    <p><strong>First:</strong> {{ stops.join(' ') }} A sweep before that would measure something else.</p>
    <NuxtLink class="link" :to="`/drives/${driveId}?station=align`">To the order of work</NuxtLink>
  </div>
  <ul v-else-if="says.length" class="text-sm space-y-1" data-testid="order-says">
    <li v-for="s in says" :key="s" class="flex gap-2">
      <Info class="size-4 shrink-0 mt-0.5 text-muted" aria-hidden="true" />{{ s }}
    </li>
  </ul>
</template>
