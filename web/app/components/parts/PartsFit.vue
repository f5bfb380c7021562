<script setup lang="ts">
import type { LogEntry } from '@wobrin/core/log'
import { findPart, proveAgain } from '@wobrin/core/parts'
import type { Bench } from '../../../shared/bench'

/** A part goes into a drive: what it is like, what to compare, what it leaves owed, what is to be shown afterwards. */
const { fitting } = defineProps<{ fitting: Fitting | null }>()
const emit = defineEmits<{ close: []; fitted: [entry: LogEntry] }>()
const fit = useFitPart()
const again = computed(() => proveAgain((fitting && findPart(fitting.as)?.again) || []))
const { data: bench } = await useFetch<Bench>('/api/bench', { key: 'bench-for-parts', lazy: true })
const target = ref('')
const remark = ref('')
const problem = ref('')
const open = computed(() => {
  const drives = bench.value?.lines.filter(l => !l.outcome).map(l => l.drive) ?? []
  const alike = (d: (typeof drives)[number]) => Number(d.mechanism === fitting?.offer.model?.mechanism)
  return drives.filter(d => d.id !== fitting?.offer.drive?.id).sort((a, b) => alike(b) - alike(a))
})
watch(
  () => fitting,
  () => {
    target.value = ''
    remark.value = ''
    problem.value = ''
  },
)
async function send(): Promise<void> {
  const into = fitting!.into?.id ?? target.value
  if (!into) {
    problem.value = 'Choose the drive that it goes into.'
    return
  }
  await fit(fitting!, into, remark.value).then(
    entry => emit('fitted', entry),
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <ModalDialog
    :shown="fitting !== null"
    :title="fitting ? `${fitting.offer.label} of ${fitting.offer.drive?.tag ?? 'the shelf'}` : ''"
    @close="emit('close')"
  >
    <form v-if="fitting" class="space-y-3" novalidate @submit.prevent="send">
      <p v-if="isLent(fitting)" class="border-l-5 border-nudge bg-nudge-tint px-4 py-2.5 text-sm">
        {{ fitting.offer.drive!.tag }} is not stripped for parts: it lends this one, and is owed it until it is back or
        replaced.
      </p>
      <p v-if="fitting.compare" class="border-l-5 border-muted bg-tint px-4 py-2.5 text-sm">{{ fitting.compare }}</p>
      <p class="hint">{{ fitting.offer.says || 'Nobody said what it is like.' }}</p>
      <p class="hint">Look at it before it goes in: new parts arrive broken too.</p>
      <FormField v-if="!fitting.into" v-slot="{ id }" label="Goes into"
        ><select :id="id" v-model="target" class="field">
          <option value="">choose</option>
          <option v-for="x in open" :key="x.id" :value="x.id">{{ x.tag }}</option>
        </select></FormField
      >
      <FormField v-slot="{ id }" label="Remark"
        ><input :id="id" v-model="remark" class="field" maxlength="300"
      /></FormField>
      <div v-if="again.length" class="text-sm">
        <h3 class="font-bold">To show afterwards</h3>
        <ul class="list-disc pl-5">
          <li v-for="a in again" :key="a">{{ a }}</li>
        </ul>
      </div>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex gap-3">
        <button class="btn btn-primary">Save to log</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
