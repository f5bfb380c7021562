<script setup lang="ts">
import { OUTCOMES } from '@wobrin/core/log'
import { findMechanism } from '@wobrin/core/drives'
import type { BenchLine } from '../../../shared/bench'

defineProps<{ lines: readonly BenchLine[] }>()
</script>

<template>
  <ul class="grid sm:grid-cols-2 gap-x-8">
    <li v-for="line in lines" :key="line.drive.id" class="border-b border-line last:border-0 min-w-0">
      <NuxtLink
        :to="{ path: `/drives/${line.drive.id}`, query: { station: 'release' } }"
        class="flex flex-wrap sm:flex-nowrap items-center gap-x-3 min-h-12 py-2 hover:underline underline-offset-2"
      >
        <DriveTag :tag="line.drive.tag" />
        <span class="text-sm grow min-w-0 truncate"
          >{{ findMechanism(line.drive.mechanism).label }} ·
          {{ [line.drive.maker, line.drive.model].filter(Boolean).join(' ') }}</span
        >
        <span class="hint flex items-center gap-2 shrink-0"
          ><CallMark v-if="line.outcome === 'quarantined'" kind="stop" decorative :size="16" />{{
            OUTCOMES[line.outcome!].toLowerCase()
          }}</span
        >
      </NuxtLink>
    </li>
  </ul>
</template>
