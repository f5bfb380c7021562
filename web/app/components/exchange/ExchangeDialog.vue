<script setup lang="ts">
import { asFoundRecord } from '@wobrin/core/findings'
import { AS_FOUND_KINDS } from '@wobrin/core/log'
import { complaintsToPass, differsFor } from '@wobrin/core/bench/exchange'
import { findComplaint } from '@wobrin/core/diagnosis'
import type { Bench } from '../../../shared/bench'

/** The whole drive is replaced: by which one, and what goes on to it. */
const { shown } = defineProps<{ shown: boolean }>()
const emit = defineEmits<{ close: []; done: [] }>()
const store = useDrive()
const notices = useNotices()
const { post } = useLogPost()
const drive = computed(() => store.drive!)
const { data: bench } = await useFetch<Bench>('/api/bench', { key: 'bench-for-parts', lazy: true })
const by = ref('')
const remark = ref('')
const problem = ref('')
const passOn = ref<string[]>([])
const record = computed(() => asFoundRecord(store.log))
const complaints = computed(() =>
  complaintsToPass({ drive: drive.value, log: store.log }).map(id => findComplaint(id)!.label),
)
const choice = computed(() => {
  const usable = bench.value?.lines.filter(
    l =>
      l.drive.id !== drive.value.id &&
      l.outcome !== 'parts' &&
      l.outcome !== 'quarantined' &&
      !l.drive.practice &&
      l.drive.simulated === drive.value.simulated,
  )
  return usable ?? []
})
const isAlike = (l: Bench['lines'][number]) => l.drive.mechanism === drive.value.mechanism
const groups = computed(() =>
  [
    { label: 'Same drive type', lines: choice.value.filter(isAlike) },
    { label: 'Other drive types', lines: choice.value.filter(l => !isAlike(l)) },
  ].filter(g => g.lines.length),
)
const chosen = computed(() => choice.value.find(l => l.drive.id === by.value)?.drive ?? null)
const differs = computed(() => (chosen.value ? differsFor(drive.value, chosen.value) : []))
/** Solder points and parts that came loose inside stay with the drive. */
const STAYS: readonly string[] = ['solder', 'loose']

watch(
  () => shown,
  () => {
    by.value = ''
    remark.value = ''
    problem.value = ''
    passOn.value = record.value.filter(r => !STAYS.includes(r.item.kind)).map(r => r.entry.id)
  },
)

async function send(): Promise<void> {
  if (!by.value) {
    problem.value = 'Choose the drive that goes in.'
    return
  }
  await post(drive.value.id, 'replaced', { by: by.value, passOn: passOn.value, remark: remark.value }).then(
    async () => {
      notices.done(`${chosen.value!.tag} has the place of ${drive.value.tag} now.`)
      await store.refresh()
      emit('done')
    },
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <ModalDialog :shown="shown" wide :title="`Replace ${drive.tag} as a whole`" @close="emit('close')">
    <form class="space-y-4" novalidate @submit.prevent="send">
      <p class="hint max-w-prose">
        For a drive that sits in a machine and is not worth mending there. The case goes on with the drive that goes in.
      </p>
      <FormField v-slot="{ id }" label="Drive that goes in"
        ><select :id="id" v-model="by" class="field">
          <option value="">choose</option>
          <optgroup v-for="g in groups" :key="g.label" :label="g.label">
            <option v-for="l in g.lines" :key="l.drive.id" :value="l.drive.id">
              {{ [l.drive.tag, l.drive.maker, l.drive.model].filter(Boolean).join(' ')
              }}{{ l.outcome === 'released' ? ', released' : '' }}
            </option>
          </optgroup>
        </select></FormField
      >
      <p v-if="!by" class="hint -mt-2">
        Not on file yet?
        <NuxtLink class="link" :to="`/drives/new?kind=${drive.mechanism}`">Receive it first</NuxtLink>.
      </p>
      <p v-for="d in differs" :key="d" class="border-l-5 border-nudge bg-nudge-tint px-4 py-2.5 text-sm">{{ d }}</p>
      <section v-if="complaints.length" aria-labelledby="goes-on">
        <h3 id="goes-on" class="font-bold text-sm">Complaints that go on</h3>
        <p class="text-sm">{{ complaints.join('; ') }}.</p>
        <p class="hint">To be tried with the other drive. Until then they say nothing about it.</p>
      </section>
      <fieldset v-if="record.length">
        <legend class="font-bold text-sm">Noted as found, and part of the machine</legend>
        <p class="hint">What is ticked is on the put-back list of the other drive afterwards.</p>
        <div class="mt-1 grid sm:grid-cols-2 gap-x-4 max-h-48 overflow-y-auto">
          <label v-for="r in record" :key="r.entry.id" class="flex items-center gap-3 min-h-11 text-sm">
            <input v-model="passOn" type="checkbox" class="size-5 accent-ink shrink-0" :value="r.entry.id" />
            <span>{{ AS_FOUND_KINDS[r.item.kind] }}: {{ r.item.name }}</span>
          </label>
        </div>
      </fieldset>
      <FormField v-slot="{ id }" label="Remark"
        ><input :id="id" v-model="remark" class="field" maxlength="300"
      /></FormField>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex gap-3">
        <button class="btn btn-primary">Save to log</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
