<script setup lang="ts">
import { Pencil } from 'lucide-vue-next'
import { CALLS, type CallKind } from '@wobrin/core/base/observations'
import { OUTCOMES, type DriveFacts, type Outcome } from '@wobrin/core/log'
import { findMechanism } from '@wobrin/core/drives'

/** `words`: with the owner's words, where nothing else shows them. */
const {
  drive,
  outcome,
  call,
  words = false,
} = defineProps<{ drive: DriveFacts; outcome: Outcome | null; call: CallKind | null; words?: boolean }>()
const emit = defineEmits<{ edit: [] }>()

const title = computed(() => [drive.maker, drive.model].filter(Boolean).join(' '))
const second = computed(() =>
  [
    words && drive.ownerWords && `“${drive.ownerWords}”`,
    drive.year,
    drive.host && `for ${drive.host}`,
    drive.simulated && 'simulated drive',
  ]
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
          {{ second }}
          <button class="inline-flex items-center gap-1 min-h-6 px-1 link" @click="emit('edit')">
            <Pencil class="size-3" />Edit drive data
          </button>
        </p>
      </div>
    </div>
    <div class="flex flex-wrap items-center gap-x-5 gap-y-2">
      <p v-if="outcome" class="text-lg font-bold flex items-center gap-2">
        <CallMark v-if="outcome === 'quarantined'" kind="stop" decorative />{{ OUTCOMES[outcome] }}
      </p>
      <p v-else-if="call" class="text-lg font-bold flex items-center gap-2" data-testid="drive-call">
        <CallMark :kind="call" decorative />{{ CALLS[call].label }}
      </p>
      <slot />
    </div>
  </header>
</template>
