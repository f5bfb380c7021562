<script setup lang="ts">
import { Pencil } from 'lucide-vue-next'
import { CALLS } from '@wobrin/core/base/observations'
import { OUTCOMES, type DriveFacts } from '@wobrin/core/log'
import { findMechanism } from '@wobrin/core/drives'
import type { Progress } from '@wobrin/core/bench/stations'

const { drive, progress } = defineProps<{ drive: DriveFacts; progress: Progress }>()
const emit = defineEmits<{ edit: [] }>()

const title = computed(() => [drive.maker, drive.model].filter(Boolean).join(' '))
const second = computed(() =>
  [drive.ownerWords && `“${drive.ownerWords}”`, drive.host && `for ${drive.host}`, drive.simulated && 'simulated drive']
    .filter(Boolean)
    .join(' · '),
)
const drivenBy = computed(() => {
  const { drives } = findMechanism(drive.mechanism)
  if (drive.features?.spindle) return `${drive.features.spindle} drive`
  if (drive.pulleys || (drives.length === 1 && drives[0] === 'belt')) return 'belt drive'
  return drives.length === 1 ? `${drives[0]} drive` : ''
})
</script>

<template>
  <header class="flex items-start justify-between gap-x-6 gap-y-2 flex-wrap mb-2">
    <div class="flex gap-4 min-w-0 items-start">
      <DriveTag :tag="drive.tag" class="mt-1.5 shrink-0" />
      <div class="min-w-0">
        <h1 class="text-xl">
          <strong>{{ findMechanism(drive.mechanism).label }}</strong><span class="text-muted"
            ><template v-if="title"> · {{ title }}</template
            ><template v-if="drivenBy"> · {{ drivenBy }}</template></span
          >
        </h1>
        <p class="hint">
          {{ second || 'Nothing is known of it yet.' }}
          <button class="inline-flex items-center gap-1 min-h-6 px-1 link" @click="emit('edit')">
            <Pencil class="size-3" />Edit drive data
          </button>
        </p>
      </div>
    </div>
    <p v-if="progress.outcome" class="text-lg font-bold flex items-center gap-2">
      <CallMark v-if="progress.outcome === 'quarantined'" kind="stop" decorative />{{ OUTCOMES[progress.outcome] }}
    </p>
    <p v-else-if="progress.call" class="text-lg font-bold flex items-center gap-2" data-testid="drive-call">
      <CallMark :kind="progress.call" decorative />{{ CALLS[progress.call].label }}
    </p>
  </header>
</template>
