<script setup lang="ts">
import { NO_ACCOUNT, VERDICTS, worthIt, type Account, type WorthLine } from '@wobrin/core/worth'
import { minutesToGo } from '@wobrin/core/procedures'

/** The running account of a drive: what it cost, what it would bring, and whether to go on. */
const { closed } = defineProps<{ closed: boolean }>()
const store = useDrive()
const { settings } = storeToRefs(useWorkshop())
const attempt = useAttempt()

const fields = [
  { key: 'paid', label: 'Paid so far', hint: 'gone either way' }, { key: 'parts', label: 'Parts still to buy', hint: '' },
  { key: 'working', label: 'Worth working', hint: '' }, { key: 'asParts', label: 'Worth as parts', hint: '' },
  { key: 'hours', label: 'Hours so far', hint: 'gone either way' }, { key: 'hourRate', label: 'An hour is to bring', hint: '0 for love' },
] as const
const text = reactive<Record<string, string>>({})
const matters = ref(false)
const problem = ref<string | null>(null)
const from = (a: Account) => {
  for (const { key } of fields) text[key] = a[key] === null ? '' : String(a[key])
  text.chance = a.chance === null ? '' : String(Math.round(a.chance * 100))
  matters.value = a.matters
}
watch(() => store.drive?.account, a => from(a ?? NO_ACCOUNT), { immediate: true })

/** The account as typed, or null with the problem said. */
function typed(): Account | null {
  const out: Record<string, number | null> = {}
  for (const { key, label } of [...fields, { key: 'chance', label: 'The chance' } as const]) {
    const t = text[key]!.trim().replace(',', '.')
    const value = t === '' ? null : Number(t)
    if (value !== null && (!Number.isFinite(value) || value < 0 || (key === 'chance' && value > 100))) {
      problem.value = key === 'chance' ? 'The chance is a number of per cent, 0 to 100.' : `${label} is a number, 0 or more.`
      return null
    }
    out[key] = key === 'chance' && value !== null ? value / 100 : value
  }
  problem.value = null
  return { ...out, matters: matters.value } as unknown as Account
}

async function keep(): Promise<void> {
  const account = typed()
  if (account && JSON.stringify(account) !== JSON.stringify(store.drive!.account ?? NO_ACCOUNT)) await attempt(() => store.change({ account }))
}

const worth = computed(() => worthIt({
  mechanism: store.drive!.mechanism, account: store.drive!.account ?? NO_ACCOUNT, found: store.way.findings.map(f => f.finding.id), minutesToGo: minutesToGo(store.way),
}))
const LOOK = { 'rescue': 'border-stop bg-stop-tint', 'go-on': 'border-leave bg-leave-tint', 'if-it-matters': 'border-nudge bg-nudge-tint', 'part-out': 'border-mend bg-mend-tint', 'unknown': 'border-muted bg-tint' } as const
const amount = (l: WorthLine) => l.unit === 'money' ? `${signed(l.value, 2).replace('+', '')} ${settings.value.currency}` : l.unit === 'hours' ? `${l.value.toFixed(1)} h` : l.unit === '%' ? `${l.value.toFixed(0)} %` : `× ${l.value.toFixed(2)}`
</script>

<template>
  <section aria-label="Is it worth it?">
    <h3 class="text-lg font-bold mb-3">Is it worth it?</h3>
    <div class="border-l-5 px-4 py-3 mb-4" :class="LOOK[worth.verdict]" role="status" data-testid="worth">
      <p><strong class="mr-2">{{ VERDICTS[worth.verdict] }}.</strong>{{ worth.reasons[0] }}</p>
      <p v-for="r in worth.reasons.slice(1)" :key="r" class="hint mt-1">{{ r }}</p>
    </div>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)] gap-x-8 gap-y-5">
      <form class="grid grid-cols-2 gap-x-4 gap-y-3 content-start" novalidate @submit.prevent="keep" @change="keep">
        <FormField v-for="f in fields" :key="f.key" v-slot="{ id }" :label="f.label" :hint="f.hint">
          <span class="relative block"><input :id="id" v-model="text[f.key]" class="field pr-9! text-right" inputmode="decimal" autocomplete="off" :disabled="closed"><span class="absolute right-3 top-0 h-11 flex items-center text-muted text-sm" aria-hidden="true">{{ f.key === 'hours' ? 'h' : settings.currency }}</span></span>
        </FormField>
        <FormField v-slot="{ id }" label="Chance of success" hint="empty: the usual one"><span class="relative block"><input :id="id" v-model="text.chance" class="field pr-9! text-right" inputmode="decimal" autocomplete="off" :disabled="closed" :placeholder="(worth.chance * 100).toFixed(0)"><span class="absolute right-3 top-0 h-11 flex items-center text-muted text-sm" aria-hidden="true">%</span></span></FormField>
        <label class="flex items-center gap-3 min-h-11 self-start mt-5"><input v-model="matters" type="checkbox" class="size-5 accent-[var(--ink)]" :disabled="closed"><span class="text-sm">It matters to somebody</span></label>
        <p v-if="problem" class="col-span-2 text-sm text-stop" role="alert">{{ problem }}</p>
      </form>
      <table class="text-sm w-full self-start" aria-label="The sum">
        <tbody>
          <tr v-for="l in worth.lines" :key="l.label" class="border-b border-line align-top" :class="l.label === 'Going on brings' && 'font-bold'">
            <td class="py-1.5 pr-3">{{ l.label }}<span v-if="l.note" class="hint text-xs block font-normal">{{ l.note }}</span></td><td class="py-1.5 text-right whitespace-nowrap">{{ amount(l) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
