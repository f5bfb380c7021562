<script setup lang="ts">
import { judgeCalculator, QUANTITIES } from '@wobrin/core/calculators/calculator'
import type { AskedFor } from '@wobrin/core/calculators/registry'
import { caseOfLog, isView } from '@wobrin/core/diagnosis'
import type { LogEntry } from '@wobrin/core/log'

/** Numbers in, call out. At a drive it goes on its log; alone it asks which drive. */
const {
  instrument,
  driveId = null,
  start = {},
  example = null,
} = defineProps<{
  instrument: string
  driveId?: string | null
  start?: Record<string, string>
  /** What it shows as long as nothing was typed; it is never saved. */
  example?: AskedFor['example'] | null
}>()
const emit = defineEmits<{
  kept: [LogEntry]
  keep: [(id: string) => Promise<void>]
  values: [Record<string, string>]
}>()

const store = useDrive()
const known = computed(() => (driveId !== null && store.drive ? caseOfLog(store.drive, store.log) : null))
const { sum, typed, answer, rows, keep, clear, dropRow } = useSum(instrument, start, () => known.value)
const attempt = useAttempt()
/** The worked example, judged, as long as every field is empty. */
const shownExample = computed(() =>
  example && Object.values(typed).every(v => v === '')
    ? { ...example, result: judgeCalculator(sum, example.values).result }
    : null,
)
const exampleOf = (key: string) => (shownExample.value ? shownExample.value.values[key] : undefined)
const across = ref(false)
const more = ref(false)
const rare = sum.fields.some(f => f.rare)
// What was filled in stays in sight.
const fields = computed(() => sum.fields.filter(f => more.value || !f.rare || typed[f.key] !== ''))
/** A list that is not needed, beside rare fields, comes with them; once something stands in it, it stays. */
const listShown = computed(() => Boolean(sum.list && (sum.list.required || !rare || more.value || rows.value > 1)))
/** A unit that was typed stands for itself. */
const ownUnit = (text: string) => /[a-zµΩ"″%]/i.test(text)
const problemOf = (key: string) => (answer.value.problem?.field === key ? answer.value.problem.text : undefined)
/** A problem that stands beside its own field need not be said again. */
const shownBeside = (field: string) => field in typed
const number = (x: number | string) =>
  typeof x === 'string' ? x : Math.abs(x) >= 1000 ? x.toFixed(0) : Number(x.toPrecision(4)).toString().replace('-', '−')

async function put(): Promise<void> {
  if (driveId)
    await attempt(async () => {
      emit('kept', await keep(driveId))
    })
  else
    emit('keep', async id => {
      await keep(id)
    })
}
watch(typed, () => emit('values', { ...typed }))
useShortcuts({
  a: () => {
    if (answer.value.result) across.value = true
  },
})

/** The readout across the bench closes once its answer is kept. */
function putFromAcross(): void {
  across.value = false
  void put()
}
</script>

<template>
  <section :aria-label="sum.title" class="@container">
    <header class="flex items-start justify-between gap-4 mb-4">
      <div class="min-w-0">
        <h2 class="text-lg font-bold">{{ sum.title }}</h2>
        <p class="hint">{{ sum.purpose }}</p>
      </div>
      <button class="btn shrink-0" :disabled="!answer.result" aria-keyshortcuts="a" @click="across = true">
        Across the bench <kbd>A</kbd>
      </button>
    </header>
    <div
      class="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-5"
      :class="!listShown && '@xl:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]'"
    >
      <form class="grid grid-cols-2 gap-x-4 gap-y-3 content-start" novalidate @submit.prevent="answer.result && put()">
        <FormField
          v-for="f in fields"
          :key="f.key"
          v-slot="{ id }"
          :label="f.label"
          :hint="f.hint"
          :problem="problemOf(f.key)"
          :class="f.choices && !listShown && '@xl:col-span-2 @4xl:col-span-1'"
        >
          <select v-if="f.choices" :id="id" v-model="typed[f.key]" class="field">
            <option value="">
              {{
                exampleOf(f.key)
                  ? `for example: ${f.choices.find(c => c.value === exampleOf(f.key))?.label}`
                  : 'not said'
              }}
            </option>
            <option v-for="c in f.choices" :key="c.value" :value="c.value">{{ c.label }}</option>
          </select>
          <span v-else class="relative block"
            ><input
              :id="id"
              v-model="typed[f.key]"
              class="field"
              :class="f.quantity && ['text-right', !ownUnit(typed[f.key]!) && 'pr-12!']"
              autocomplete="off"
              :placeholder="exampleOf(f.key)"
              :required="f.required"
            /><span
              v-if="f.quantity && !ownUnit(typed[f.key]!)"
              class="absolute right-3 top-0 h-11 flex items-center text-muted text-sm pointer-events-none"
              aria-hidden="true"
              >{{ QUANTITIES[f.quantity].unit }}</span
            ></span
          >
        </FormField>
        <SumRows
          v-if="sum.list && listShown"
          class="col-span-2"
          :list="sum.list"
          :typed="typed"
          :rows="rows"
          :problem="answer.problem"
          :example="shownExample?.values"
          @drop="dropRow"
          @say="
            (key, text) => {
              typed[key] = text
            }
          "
        />
        <p class="col-span-2 flex gap-4 text-sm">
          <button v-if="rare" type="button" class="link min-h-11" @click="more = !more">
            {{ more ? 'Fewer fields' : 'More fields' }}</button><button
            type="button"
            class="link min-h-11 text-muted"
            @click="clear"
          >
            Clear fields
          </button>
        </p>
      </form>
      <div class="min-w-0" aria-live="polite">
        <CallBand v-if="answer.result" :call="answer.result.call" class="mb-4" />
        <p v-else-if="answer.problem && !shownBeside(answer.problem.field)" class="text-sm text-stop" role="alert">
          {{ answer.problem.text }}
        </p>
        <div v-else-if="shownExample?.result" data-testid="example">
          <p class="mb-2"><strong>Worked example.</strong> {{ shownExample.says }}</p>
          <CallBand :call="shownExample.result.call" class="mb-3" />
          <dl class="text-sm">
            <div
              v-for="l in shownExample.result.lines"
              :key="l.label"
              class="flex justify-between gap-4 border-b border-line py-1"
            >
              <dt>{{ l.label }}</dt>
              <dd class="font-bold text-right">{{ number(l.value) }} {{ l.unit }}</dd>
            </div>
          </dl>
          <p class="hint mt-2">Type your own values: the example goes as you begin.</p>
        </div>
        <p v-else-if="answer.needed.length" class="hint">Still needed: {{ answer.needed.join(', ').toLowerCase() }}.</p>
        <p v-for="d in answer.doubts" :key="d" class="text-sm border-l-5 border-nudge pl-3 mb-3" role="status">
          {{ d }}
        </p>
        <slot :typed="typed" :answer="answer" />
        <SumCauses
          v-if="isView(sum.id)"
          :instrument="sum.id"
          :typed="typed"
          :call="answer.result?.call.kind ?? null"
          :at-drive="driveId !== null"
        />
        <table v-if="answer.result?.lines.length" class="w-full text-sm" aria-label="Worked out">
          <tbody>
            <tr v-for="l in answer.result.lines" :key="l.label" class="border-b border-line align-top">
              <td class="py-1.5 pr-3">
                {{ l.label }}<span v-if="l.note" class="hint text-xs block">{{ l.note }}</span>
              </td>
              <td class="py-1.5 text-right whitespace-nowrap font-bold">
                {{ number(l.value) }} <span class="font-normal text-muted">{{ l.unit }}</span>
              </td>
            </tr>
          </tbody>
        </table>
        <SumTable
          v-if="answer.result?.table"
          :table="answer.result.table"
          :name="`${sum.id}-${answer.result.table.title.toLowerCase().replace(' ', '-')}`"
        />
        <div v-if="answer.result" class="mt-4 flex flex-wrap gap-3">
          <button class="btn btn-primary" @click="put">
            {{ driveId ? 'Save to log' : 'Save to a drive…' }}</button><slot
            name="actions"
            :typed="typed"
            :answer="answer"
          />
        </div>
      </div>
    </div>
    <SumAcross :shown="across" :result="answer.result" @close="across = false" @keep="putFromAcross" />
  </section>
</template>
