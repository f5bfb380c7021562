<script setup lang="ts">
import { FileUp } from 'lucide-vue-next'

const { label = 'Open a recording', quiet = false } = defineProps<{ label?: string; quiet?: boolean }>()
const emit = defineEmits<{ file: [File] }>()
const { choose, picked } = useFilePicker(file => emit('file', file))
defineExpose({ choose })
</script>

<template>
  <span
    ><button class="btn" :class="!quiet && 'btn-primary'" @click="choose"><FileUp class="size-4" />{{ label }}</button
    ><input
      ref="input"
      type="file"
      accept=".wav,.csv,.txt"
      class="sr-only"
      tabindex="-1"
      :aria-label="label"
      data-testid="scope-file"
      @change="picked"
  /></span>
</template>
