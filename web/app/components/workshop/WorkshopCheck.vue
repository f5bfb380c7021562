<script setup lang="ts">
import { FileCheck } from 'lucide-vue-next'
import type { CheckedCertificate } from '@wobrin/core/release'

/** A certificate that came back: whether it is as it was issued. */
const checked = shallowRef<{ name: string; answer: CheckedCertificate } | null>(null)
const problem = ref('')
const { choose, picked } = useFilePicker(async file => {
  problem.value = ''
  checked.value = null
  await $fetch<CheckedCertificate>('/api/certificates/check', {
    method: 'POST',
    body: file,
    headers: { 'content-type': 'application/json' },
  }).then(
    answer => {
      checked.value = { name: file.name, answer }
    },
    error => {
      problem.value = problemText(error)
    },
  )
})
</script>

<template>
  <section class="panel p-6 text-sm" aria-labelledby="check">
    <h2 id="check" class="font-bold text-base mb-1">Check a certificate</h2>
    <p class="hint mb-3">
      Its JSON file carries a seal over all that it says, and one over the log that it was made from. Its form is
      published as <a class="link" href="/api/schemas/certificate" target="_blank">JSON Schema</a>.
    </p>
    <input
      ref="input"
      type="file"
      accept=".json,application/json"
      class="sr-only"
      tabindex="-1"
      aria-label="Certificate"
      data-testid="certificate"
      @change="picked"
    /><button class="btn" @click="choose"><FileCheck class="size-4" />Open its JSON file</button>
    <p v-if="problem" class="mt-3 text-stop" role="alert">{{ problem }}</p>
    <div v-if="checked" class="mt-3">
      <p class="hint mb-1">{{ checked.name }}</p>
      <CallBand :call="checked.answer.call" />
    </div>
  </section>
</template>
