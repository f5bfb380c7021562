<script setup lang="ts">
import { FileUp } from 'lucide-vue-next'

const { label = 'Open a recording' } = defineProps<{ label?: string }>()
const emit = defineEmits<{ file: [File] }>()

const { choose, picked } = useFilePicker(file => emit('file', file))
defineExpose({ choose })
</script>

<template>
  <span>
    <button class="btn" aria-keyshortcuts="m" @click="choose"><FileUp class="size-4" />{{ label }}</button>
    <input
      ref="input"
      type="file"
      class="sr-only"
      tabindex="-1"
      aria-label="Recording of the interface lines"
      data-testid="bus-file"
      @change="picked"
    />
  </span>
</template>
