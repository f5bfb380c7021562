<script setup lang="ts">
import { findStation } from '@wobrin/core/bench/stations'
import type { StationId } from '@wobrin/core/log'

const { shown, station, save } = defineProps<{
  shown: boolean
  station: StationId
  save: (text: string) => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()
const text = ref('')
const problem = ref<string | null>(null)

async function keep(): Promise<void> {
  if (!text.value.trim()) return
  problem.value = await save(text.value.trim()).then(() => null, problemText)
  if (!problem.value) text.value = ''
}
</script>

<template>
  <ModalDialog :shown="shown" :title="`Note at ${findStation(station).label}`" @close="emit('close')">
    <form @submit.prevent="keep">
      <textarea
        v-model="text"
        class="field py-2 min-h-28"
        aria-label="Note"
        maxlength="4000"
        placeholder="What you saw, did or want to remember"
        @keydown.ctrl.enter="keep"
      />
      <p v-if="problem" class="text-sm text-stop mt-2" role="alert">{{ problem }} What you wrote is still here.</p>
      <div class="flex gap-3 mt-3">
        <button class="btn btn-primary" :disabled="!text.trim()">Save to log</button>
        <button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
