<script setup lang="ts">
import { errorBound } from '@wobrin/core/base/numbers'
import type { LogEntry } from '@wobrin/core/log'
import { CONFIDENCE, type ProofTest } from '@wobrin/core/proof'

/** Sectors tried and failed in one test; what they allow is said while they are typed. */
const { test, driveId, readers } = defineProps<{
  test: ProofTest | null
  driveId: string
  readers: readonly { readonly id: string; readonly tag: string }[]
}>()
const emit = defineEmits<{ close: []; kept: [LogEntry] }>()
const typed = reactive({ sectors: '', errors: '0', reader: '', remark: '' })
const problem = ref('')
watch(
  () => test,
  () => {
    Object.assign(typed, { sectors: '', errors: '0', reader: '', remark: '' })
    problem.value = ''
  },
)
const bound = computed(() => {
  const [n, e] = [Number(typed.sectors), Number(typed.errors)]
  return typed.sectors.trim() && Number.isInteger(n) && Number.isInteger(e) && n > 0 && e >= 0 && e <= n
    ? errorBound(e, n, CONFIDENCE)
    : null
})
const { post } = useLogPost()
async function send(): Promise<void> {
  problem.value = ''
  await post(driveId, 'proofs', {
    test: test!.id,
    sectors: Number(typed.sectors || Number.NaN),
    errors: Number(typed.errors || Number.NaN),
    reader: typed.reader || null,
    remark: typed.remark,
  }).then(
    entry => emit('kept', entry),
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <ModalDialog :shown="test !== null" :title="test?.title ?? ''" @close="emit('close')">
    <form class="space-y-3" novalidate @submit.prevent="send">
      <p class="hint">{{ test?.how }}</p>
      <div class="grid grid-cols-2 gap-3">
        <FormField v-slot="{ id }" label="Sectors tried"
          ><input :id="id" v-model="typed.sectors" class="field text-right" inputmode="numeric" autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="Of these, failed"
          ><input :id="id" v-model="typed.errors" class="field text-right" inputmode="numeric" autocomplete="off"
        /></FormField>
      </div>
      <FormField v-if="test?.id === 'interchange'" v-slot="{ id }" label="Read in which drive"
        ><select :id="id" v-model="typed.reader" class="field">
          <option value="">choose</option>
          <option v-for="d in readers" :key="d.id" :value="d.id">{{ d.tag }}</option>
        </select></FormField
      >
      <FormField v-slot="{ id }" label="Remark"
        ><input :id="id" v-model="typed.remark" class="field" maxlength="300"
      /></FormField>
      <p v-if="bound !== null" class="text-sm" data-testid="bound">
        At most <strong>{{ bound >= 0.1 ? Math.round(bound * 100) : (bound * 100).toPrecision(2) }} %</strong> of its
        sectors fail: 95 % sure.
      </p>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex gap-3">
        <button class="btn btn-primary">Save to log</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
