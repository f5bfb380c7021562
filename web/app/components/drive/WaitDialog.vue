<script setup lang="ts">
import { USUAL_WAITS } from '@wobrin/core/procedures'

const { shown, save } = defineProps<{ shown: boolean, save: (what: string, minutes: number) => Promise<void> }>()
const emit = defineEmits<{ close: [] }>()

const what = ref('')
const amount = ref(30)
const unit = ref(1)
const problem = ref<string | null>(null)

async function start(words: string, minutes: number): Promise<void> {
  problem.value = await save(words, minutes).then(() => null, problemText)
  if (!problem.value) what.value = ''
}
</script>

<template>
  <ModalDialog :shown="shown" title="Start a wait" wide @close="emit('close')">
    <ul class="grid sm:grid-cols-2 gap-2 mb-5">
      <li v-for="w in USUAL_WAITS" :key="w.what"><button class="btn w-full justify-between!" @click="start(w.what, w.minutes)">{{ w.what }}<span class="hint font-normal">{{ duration(w.minutes) }}</span></button></li>
    </ul>
    <form class="grid grid-cols-[1fr_5rem_8rem] gap-3 items-end border-t border-line pt-4" @submit.prevent="start(what.trim(), amount * unit)">
      <label><span class="field-label">Something else</span><input v-model="what" class="field" maxlength="80" required></label>
      <label><span class="field-label">For</span><input v-model.number="amount" class="field" type="number" min="1" max="9999" required></label>
      <label><span class="sr-only">Unit</span><select v-model.number="unit" class="field"><option :value="1">minutes</option><option :value="60">hours</option><option :value="1440">days</option></select></label>
      <div class="col-span-3 flex gap-3"><button class="btn btn-primary">Start it</button><button type="button" class="btn" @click="emit('close')">Not now</button></div>
    </form>
    <p v-if="problem" class="text-sm text-stop mt-3" role="alert">{{ problem }}</p>
  </ModalDialog>
</template>
