<script setup lang="ts">
import type { GateState } from '@wobrin/core/bench/stations'

const { gate, save } = defineProps<{ gate: GateState | null; save: (reason: string) => Promise<void> }>()
const emit = defineEmits<{ close: [] }>()
const reason = ref('')
const problem = ref<string | null>(null)
watch(
  () => gate,
  () => {
    reason.value = ''
    problem.value = null
  },
)
async function send(): Promise<void> {
  problem.value = await save(reason.value.trim()).then(() => null, problemText)
}
</script>

<template>
  <ModalDialog :shown="gate !== null" :title="`Pass “${gate?.gate.label}” all the same`" @close="emit('close')">
    <form v-if="gate" class="space-y-4" @submit.prevent="send">
      <p>{{ gate.gate.because }}</p>
      <ul class="list-disc pl-5 text-sm space-y-1">
        <li v-for="m in gate.missing" :key="m.id">{{ m.sentence }}</li>
      </ul>
      <FormField
        v-slot="{ id }"
        label="Why it is right to go on"
        hint="The certificate carries this sentence."
        :problem="problem ?? undefined"
      >
        <textarea :id="id" v-model="reason" class="field py-2 min-h-24" maxlength="1000" required />
      </FormField>
      <div class="flex gap-3">
        <button class="btn btn-primary">Override gate</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
