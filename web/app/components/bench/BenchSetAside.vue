<script setup lang="ts">
import { TriangleAlert } from 'lucide-vue-next'
import type { SetAsideDrive } from '../../../shared/bench'

/** Drives whose log cannot be read: named, with the way to have them as they are. */
defineProps<{ drives: readonly SetAsideDrive[] }>()
</script>

<template>
  <section class="panel px-6 py-4" aria-label="Set aside" role="alert">
    <h2 class="font-bold flex items-center gap-2">
      <TriangleAlert class="size-5 text-stop" />Set aside: {{ drives.length === 1 ? 'a log' : `${drives.length} logs` }}
      that cannot be read
    </h2>
    <p class="hint mb-2">
      Nothing of it was changed, and everything else works. Export it as it is to have it looked at.
    </p>
    <ul>
      <li v-for="d in drives" :key="d.id" class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
        <DriveTag :tag="d.tag" /><span class="grow min-w-0 break-words">{{ d.reason }}</span>
        <a class="btn" :href="`/api/drives/${d.id}/archive`" download>Export {{ d.tag }} as it is</a>
      </li>
    </ul>
  </section>
</template>
