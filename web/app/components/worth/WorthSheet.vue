<script setup lang="ts">
import { VERDICTS, whatReads, worthIt, type WorthLine } from '@wobrin/core/bench/worth'
import { minutesForCure, minutesToGo, minutesToProve } from '@wobrin/core/bench/stations'
import type { WorthFacts } from '../../../shared/worth'
import { ACCOUNT_FIELDS } from '~/composables/useAccountForm'

/** The running account of a drive: what it cost, what it would bring, and whether to go on. */
defineProps<{ closed: boolean }>()
const store = useDrive()
const { settings } = storeToRefs(useWorkshop())
const { text, matters, account, problem, keep, later } = useAccountForm()

/** What the workshop knows beside this drive’s log; until it is here the lists alone count. */
const facts = shallowRef<WorthFacts | null>(null)
watch(
  () => store.log.length,
  async () => {
    facts.value = await $fetch<WorthFacts>(`/api/drives/${store.drive!.id}/worth`).catch(() => facts.value)
  },
  { immediate: true },
)
const worth = computed(() =>
  worthIt({
    mechanism: store.drive!.mechanism,
    account: account.value,
    found: store.way.findings.map(f => f.finding.id),
    minutesToGo: facts.value?.outlook
      ? facts.value.outlook.minutes + minutesToProve(store.way)
      : minutesForCure(store.way),
    overhaulMinutes: minutesToGo(store.way),
    reads: whatReads(store.drive!, store.log),
    ...facts.value,
  }),
)
const LOOK = {
  rescue: 'border-stop bg-stop-tint',
  'go-on': 'border-leave bg-leave-tint',
  'if-it-matters': 'border-nudge bg-nudge-tint',
  'part-out': 'border-mend bg-mend-tint',
  unknown: 'border-muted bg-tint',
} as const
const amount = (l: WorthLine) =>
  l.unit === 'money'
    ? `${signed(l.value, 2).replace('+', '')} ${settings.value.currency}`
    : l.unit === 'hours'
      ? `${l.value.toFixed(1)} h`
      : l.unit === '%'
        ? `${l.value.toFixed(0)} %`
        : `× ${l.value.toFixed(2)}`
</script>

<template>
  <section aria-label="Is it worth it?">
    <h3 class="text-lg font-bold mb-3">Is it worth it?</h3>
    <div class="border-l-5 px-4 py-3 mb-4" :class="LOOK[worth.verdict]" role="status" data-testid="worth">
      <p>
        <strong class="mr-2">{{ VERDICTS[worth.verdict] }}.</strong>{{ worth.reasons[0] }}
      </p>
      <p v-for="r in worth.reasons.slice(1)" :key="r" class="hint mt-1">{{ r }}</p>
    </div>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] gap-x-8 gap-y-5">
      <form
        class="grid grid-cols-2 gap-x-4 gap-y-3 content-start"
        novalidate
        @submit.prevent="keep"
        @input="later"
        @change="later"
      >
        <FormField v-for="f in ACCOUNT_FIELDS" :key="f.key" v-slot="{ id }" :label="f.label" :hint="f.hint">
          <span class="relative block"
            ><input
              :id="id"
              v-model="text[f.key]"
              class="field pr-9! text-right"
              inputmode="decimal"
              autocomplete="off"
              :disabled="closed"
            /><span class="absolute right-3 top-0 h-11 flex items-center text-muted text-sm" aria-hidden="true">{{
              f.key === 'hours' ? 'h' : settings.currency
            }}</span></span
          >
        </FormField>
        <FormField v-slot="{ id }" label="Chance of success" hint="empty: the usual one"
          ><span class="relative block"
            ><input
              :id="id"
              v-model="text.chance"
              class="field pr-9! text-right"
              inputmode="decimal"
              autocomplete="off"
              :disabled="closed"
              :placeholder="(worth.chance * 100).toFixed(0)"
            /><span class="absolute right-3 top-0 h-11 flex items-center text-muted text-sm" aria-hidden="true"
              >%</span
            ></span
          ></FormField
        >
        <label class="flex items-center gap-3 min-h-11 self-start mt-5"
          ><input v-model="matters" type="checkbox" class="size-5 accent-[var(--ink)]" :disabled="closed" /><span
            class="text-sm"
            >Repair even at a loss</span
          ></label
        >
        <p v-if="problem" class="col-span-2 text-sm text-stop" role="alert">{{ problem }}</p>
      </form>
      <table class="text-sm w-full self-start" aria-label="The arithmetic">
        <tbody>
          <tr
            v-for="l in worth.lines"
            :key="l.label"
            class="border-b border-line align-top"
            :class="l.label === 'Going on brings' && 'font-bold'"
          >
            <td class="py-1.5 pr-3">
              {{ l.label }}<span v-if="l.note" class="hint text-xs block font-normal">{{ l.note }}</span>
            </td>
            <td class="py-1.5 text-right whitespace-nowrap">{{ amount(l) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
