<script setup lang="ts">
import type { MechanismId } from '@wobrin/core/drives'
import type { LogEntry } from '@wobrin/core/log'

/** A write test typed in from what a host said: only failures are typed, an empty field was not tried. */
const { mechanism, driveId } = defineProps<{ mechanism: MechanismId; driveId: string }>()
const emit = defineEmits<{ kept: [LogEntry] }>()
const form = useWriteTestForm(() => mechanism)
const { size, failed, told, heads, rows, tried, result, judged } = form
const problem = ref('')
const LABELS = {
  format: 'Format, verified',
  first: 'First cylinder',
  last: 'Last cylinder',
  pattern: 'Pattern',
  overwrite: 'Other pattern over it',
} as const
const answers = [
  ['', 'not tried'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const
const unit = computed(() => (mechanism === 'quick-disk' ? 'blocks' : 'sectors'))

const { post } = useLogPost()
async function send(): Promise<void> {
  problem.value = form.problem.value
  if (problem.value) return
  await post(driveId, 'write-tests', { remark: told.remark, result: result.value }).then(
    entry => {
      form.reset()
      emit('kept', entry)
    },
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <section aria-label="Write test">
    <div class="flex flex-wrap justify-between items-baseline gap-x-4 mb-2">
      <h3 class="text-lg font-bold">Write test</h3>
      <NuxtLink class="link text-sm min-h-11 inline-flex items-center" to="/instruments/write-test"
        >Try it on the simulated drive</NuxtLink
      >
    </div>
    <p class="hint mb-3">With a sacrificial disk. Type only how many failed; an empty field was not tried.</p>
    <form class="space-y-3" novalidate @submit.prevent="send">
      <div class="grid sm:grid-cols-3 gap-3">
        <FormField v-slot="{ id }" label="Protected disk unchanged"
          ><select :id="id" v-model="told.blocked" class="field">
            <option v-for="[v, l] in answers" :key="v" :value="v">{{ l }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Open disk written"
          ><select :id="id" v-model="told.allowed" class="field">
            <option v-for="[v, l] in answers" :key="v" :value="v">{{ l }}</option>
          </select></FormField
        >
        <FormField v-if="form.checks.value.includes('home')" v-slot="{ id }" label="Homes after the format"
          ><select :id="id" v-model="told.homeAfter" class="field">
            <option v-for="[v, l] in answers" :key="v" :value="v">{{ l }}</option>
          </select></FormField
        >
      </div>
      <div class="grid sm:grid-cols-3 gap-3">
        <template v-if="form.layout.value"
          ><FormField v-slot="{ id }" label="Cylinders"
            ><input :id="id" v-model="size.cylinders" class="field text-right" inputmode="numeric" /></FormField
          ><FormField v-slot="{ id }" label="Sectors in a track"
            ><input :id="id" v-model="size.sectors" class="field text-right" inputmode="numeric" /></FormField
        ></template>
        <FormField v-else v-slot="{ id }" :label="mechanism === 'quick-disk' ? 'Blocks of a side' : 'Sectors written'"
          ><input :id="id" v-model="size.blocks" class="field text-right" inputmode="numeric"
        /></FormField>
        <FormField v-if="form.checks.value.includes('time')" v-slot="{ id }" label="Format took, s"
          ><input :id="id" v-model="told.formatS" class="field text-right" inputmode="decimal"
        /></FormField>
      </div>
      <table class="w-full text-sm">
        <thead>
          <tr>
            <th class="text-left font-normal text-muted pb-1">
              {{ unit === 'blocks' ? 'Blocks' : 'Sectors' }} that failed
            </th>
            <th v-for="h in heads" :key="h" class="font-normal text-muted pb-1 text-right pr-2">
              {{ heads.length === 1 ? '' : h ? 'upper head' : 'lower head' }}
            </th>
            <th class="font-normal text-muted text-right pb-1 w-20">of {{ heads.length === 1 ? '' : 'each' }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r" class="border-t border-line">
            <th class="text-left font-normal">{{ LABELS[r] }}</th>
            <td v-for="h in heads" :key="h" class="py-1 pl-2 w-28">
              <input
                v-model="failed[`${r} ${h}`]"
                class="field text-right"
                inputmode="numeric"
                autocomplete="off"
                :aria-label="`${LABELS[r]}, ${h ? 'upper' : 'lower'} head: failed`"
              />
            </td>
            <td class="text-right hint">{{ tried(r) ?? '–' }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="judged.checks.some(c => c.state !== 'open')"
        ><CallBand :call="judged.call" /><ProveWriteChecks :checks="judged.checks.filter(c => c.state !== 'open')"
      /></template>
      <FormField v-slot="{ id }" label="Remark"
        ><input :id="id" v-model="told.remark" class="field" maxlength="300" placeholder="which disk, which host"
      /></FormField>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <button class="btn btn-primary">Save to log</button>
    </form>
  </section>
</template>
