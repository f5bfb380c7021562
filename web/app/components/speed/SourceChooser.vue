<script setup lang="ts">
import { Camera, FileUp, Mic, Radio } from 'lucide-vue-next'

const { compact = false, driveId = null } = defineProps<{ compact?: boolean; driveId?: string | null }>()
const emit = defineEmits<{ file: [File]; pickup: []; sound: [] }>()
const over = ref(false)

function drop(event: DragEvent): void {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) emit('file', file)
}

const { choose, picked } = useFilePicker(file => emit('file', file))
defineExpose({ choose })
</script>

<template>
  <div
    class="rounded-box border-2 border-dashed"
    :class="[
      over ? 'border-leave bg-leave-tint' : 'border-line',
      compact ? 'px-3 py-2.5 flex flex-wrap items-center gap-3' : 'p-6',
    ]"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <template v-if="!compact">
      <p class="mb-1 text-lg"><strong>Drop a recording of the index line here,</strong> or open one.</p>
      <p class="hint mb-5">
        VCD or CSV from any logic analyser, or WAV from a pickup on a sound card; gzip too. It is read on this machine.
      </p>
    </template>
    <div class="flex flex-wrap gap-3">
      <button class="btn btn-primary" aria-keyshortcuts="m" @click="choose">
        <FileUp class="size-4" />Open a recording
      </button>
      <button class="btn" aria-label="Sound input" @click="emit('sound')">
        <Mic class="size-4" />{{ compact ? 'Sound' : 'Sound input' }}
      </button>
      <NuxtLink
        class="btn"
        aria-label="Camera or film"
        :to="{ path: '/instruments/camera', query: driveId ? { drive: driveId } : {} }"
      >
        <Camera class="size-4" />{{ compact ? 'Camera' : 'Camera or film' }}
      </NuxtLink>
      <button class="btn" :aria-label="compact ? 'Simulated pickup' : undefined" @click="emit('pickup')">
        <Radio class="size-4" />{{ compact ? 'Simulated' : 'Use the simulated pickup' }}
      </button>
    </div>
    <p v-if="compact" class="hint">or drop a recording here</p>
    <input
      ref="input"
      type="file"
      class="sr-only"
      tabindex="-1"
      aria-label="Recording"
      data-testid="recording"
      @change="picked"
    />
  </div>
</template>
