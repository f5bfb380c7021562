<script setup lang="ts">
import type { BenchWait } from '../../../shared/bench'

defineProps<{ waits: readonly BenchWait[] }>()
</script>

<template>
  <section class="panel p-6" aria-label="Waiting">
    <h2 class="section-title mb-2">Waiting</h2>
    <ul>
      <li v-for="w in waits" :key="w.entryId">
        <NuxtLink :to="`/drives/${w.driveId}`" class="block py-1.5 hover:underline underline-offset-2">
          <span class="flex gap-3 text-sm"
            ><strong class="shrink-0">{{ w.tag }}</strong
            ><span class="grow min-w-0 truncate">{{ w.what }}</span
            ><span class="shrink-0">{{ w.over ? 'ready' : endOf(w.endsAt) }}</span></span
          >
          <span class="block h-[5px] rounded-full bg-line mt-1.5" aria-hidden="true"
            ><span class="block h-full rounded-full bg-ink" :style="{ width: `${100 * w.share}%` }"
          /></span>
        </NuxtLink>
      </li>
    </ul>
  </section>
</template>
