<script setup lang="ts">
import { findStation } from '@wobrin/core/procedures'
import type { StationId } from '@wobrin/core/observations'

const { shown, station } = defineProps<{ shown: boolean, station: StationId }>()
const emit = defineEmits<{ close: [], save: [string] }>()
const text = ref('')

function save(): void {
  if (!text.value.trim()) return
  emit('save', text.value.trim())
  text.value = ''
}
</script>

<template>
  <ModalDialog :shown="shown" :title="`Note at ${findStation(station).label}`" @close="emit('close')">
    <form @submit.prevent="save">
      <textarea v-model="text" class="field py-2 min-h-28" aria-label="Note" maxlength="4000" placeholder="What you saw, did or want to remember" @keydown.ctrl.enter="save" />
      <div class="flex gap-3 mt-3">
        <button class="btn btn-primary" :disabled="!text.trim()">Put on the log</button>
        <button type="button" class="btn" @click="emit('close')">Not now</button>
      </div>
    </form>
  </ModalDialog>
</template>
