<script setup lang="ts">
import { inMachine } from '@wobrin/core/log'
import { partsThere, type PartThere } from '@wobrin/core/parts'
import { offerIn, type Wants } from '../../../shared/parts'

/** The parts of the drive at hand: what each is like, what it wants, what it lent. */
const { view } = defineProps<{ view: DriveCaseView }>()
const store = useDrive()
const notices = useNotices()
const drive = computed(() => store.drive!)
const parts = computed(() => partsThere(drive.value, store.log, view.found.value?.diagnosis ?? null))
/** What nobody spoke of alone is a long list that says little. */
const spoken = computed(() => parts.value.filter(p => p.condition !== 'not known' && !p.inherited))
const all = ref(false)
const shown = computed(() => {
  if (all.value) return parts.value
  const said = new Set(spoken.value.flatMap(p => [p.id, p.within]))
  return parts.value.filter(p => said.has(p.id) || (p.within === null && spoken.value.length === 0))
})
const { data: wants, refresh } = await useFetch<Wants>('/api/wants', { key: 'wants', lazy: true })
const mine = computed(() => wants.value?.wants.filter(m => m.want.drive.id === drive.value.id) ?? [])
const debts = computed(
  () => wants.value?.debts.filter(d => d.lender.id === drive.value.id || d.to.id === drive.value.id) ?? [],
)
watch(
  () => store.log.length,
  () => void refresh(),
)
const recording = shallowRef<PartThere | null>(null)
const fitting = shallowRef<Fitting | null>(null)
function lend(p: PartThere): void {
  recording.value = null
  fitting.value = fittingOf(offerIn(drive.value, p, 'open'))
}
const replacing = ref(false)
const mayReplace = computed(() => !drive.value.practice && inMachine(store.log).replacedBy === null)
async function fitted(): Promise<void> {
  fitting.value = null
  await Promise.all([store.refresh(), refresh()])
  notices.done('The part is on the logs of both drives.')
}
</script>

<template>
  <div class="grid lg:grid-cols-[1fr_24rem] gap-4 items-start">
    <section class="panel p-5 sm:px-6" aria-labelledby="parts-of">
      <div class="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 id="parts-of" class="text-lg font-bold">Parts</h2>
        <button v-if="mayReplace" class="link text-sm min-h-10" type="button" @click="replacing = true">
          Replace the whole drive…
        </button>
      </div>
      <p class="hint max-w-prose">
        What the log, the case and what people said tell of each. A part may be good while the one beside it is bad.
      </p>
      <div class="relative overflow-x-auto mt-3">
        <table class="w-full text-sm min-w-[38rem]" data-testid="parts-table">
          <thead class="sr-only">
            <tr>
              <th scope="col">Part</th>
              <th scope="col">Condition</th>
              <th scope="col">How it is known</th>
              <th scope="col">Actions</th>
            </tr>
          </thead>
          <tbody>
            <PartsRow v-for="p in shown" :key="p.id" :part="p" @change="recording = p" />
          </tbody>
        </table>
      </div>
      <button
        v-if="shown.length < parts.length || all"
        class="link text-sm min-h-10 mt-2"
        type="button"
        :aria-expanded="all"
        @click="all = !all"
      >
        {{ all ? 'Show only parts that were spoken of' : `Show all ${parts.length} parts` }}
      </button>
    </section>
    <div class="space-y-4">
      <section class="panel p-5" aria-labelledby="wants-of">
        <h2 id="wants-of" class="text-lg font-bold">What it wants</h2>
        <PartsWant v-for="m in mine" :key="m.want.key" :matched="m" @fit="f => (fitting = f)"
          ><PartsProcedure v-if="m.want.part" :part="m.want.part"
        /></PartsWant>
        <p v-if="wants && !mine.length" class="hint">
          Nothing. No part was found lost, and no suspect is likelier than not.
        </p>
      </section>
      <section v-if="debts.length" class="panel p-5" aria-labelledby="debts-of">
        <h2 id="debts-of" class="text-lg font-bold">Lent and borrowed</h2>
        <ul>
          <PartsDebt v-for="d in debts" :key="d.lent" :debt="d" @settled="fitted" />
        </ul>
      </section>
    </div>
    <ExchangeDialog :shown="replacing" @close="replacing = false" @done="replacing = false" />
    <PartsDialog :part="recording" @close="recording = null" @lend="lend" />
    <PartsFit :fitting="fitting" @close="fitting = null" @fitted="fitted" />
  </div>
</template>
