<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { STATION_IDS } from '@wobrin/core/log'
import { stationAsking } from '@wobrin/core/bench/stations'

/** What hands do next: the next check of the case with its answers, and the next step of the stations. */
const { closed } = defineProps<{ closed: boolean }>()
const store = useDrive()
const attempt = useAttempt()
const at = computed(() => store.progress.current)
const findings = useFindings(question => stationAsking(question) ?? at.value)
const first = fetchCase(store.drive!.id)
const view = useDriveCase(pick => findings.pick(pick), first)
/** The step stands below the check: it waits for it, but not for a connection that does not come. */
const PATIENCE_MS = 1500
const ready = ref(false)
const arrived = first.then(() => nextTick()).catch(() => {})
void Promise.race([arrived, new Promise(resolve => setTimeout(resolve, PATIENCE_MS))]).then(() => {
  ready.value = true
})
const { found } = view
const { asked, ask } = useCaseAsked(
  () => found.value,
  () => view.busy.value,
)
const others = computed(() => found.value?.diagnosis.next.filter(n => n.check !== asked.value?.check).slice(0, 2) ?? [])

/** Checks and steps that were answered here and have not come back from the server. */
const sent = reactive(new Set<string>())
async function answer(value: string, of?: number): Promise<void> {
  const a = asked.value
  if (!a) return
  sent.add(a.check)
  await view.reply(a, value, of)
  sent.delete(a.check)
}
const step = computed(() =>
  store.way.stations
    .filter(s => STATION_IDS.indexOf(s.station.id) >= STATION_IDS.indexOf(at.value))
    .flatMap(s => s.steps.map(state => ({ station: s.station, state })))
    .find(({ state }) => !state.done && state.needed && !state.hold && !sent.has(state.step.id)),
)
async function done(): Promise<void> {
  const now = step.value
  if (!now) return
  const { id } = now.state.step
  sent.add(id)
  await attempt(() => store.add({ kind: 'step', station: now.station.id, step: id }))
  sent.delete(id)
}
</script>

<template>
  <div class="space-y-4">
    <section v-if="asked" aria-label="Next check" class="panel p-4">
      <h2 class="text-xl font-bold leading-snug">{{ asked.title }}</h2>
      <p class="hint mt-1 mb-3">{{ asked.why }}</p>
      <p v-if="asked.looks" class="text-sm">
        <NuxtLink class="btn w-full min-h-16 justify-center" :to="`/drives/${store.drive!.id}`"
          >Open the safety looks</NuxtLink
        >
      </p>
      <p v-else-if="sent.has(asked.check)" class="flex items-center gap-2 min-h-16">
        <Check class="size-5" aria-hidden="true" />Answered. Waiting for what follows.
      </p>
      <CaseAnswers v-else-if="!closed" :key="asked.check" :answering="asked.answering" touch @answer="answer" />
      <div v-if="others.length && !asked.looks" class="mt-3 border-t border-line pt-1">
        <button
          v-for="n in others"
          :key="n.check"
          class="link min-h-12 block text-left text-sm w-full"
          type="button"
          @click="ask(n.check)"
        >
          Instead: {{ n.title }}
        </button>
      </div>
    </section>
    <section v-if="ready && step && !closed" aria-label="Next step" class="panel p-4">
      <p class="hint">{{ step.station.label }}</p>
      <h2 class="text-lg font-bold leading-snug mb-1">{{ step.state.step.title }}</h2>
      <p v-if="step.state.step.why" class="text-sm mb-3">{{ step.state.step.why }}</p>
      <p v-for="c in step.state.step.cautions ?? []" :key="c" class="text-sm border-l-5 border-stop pl-3 mb-2">
        {{ c }}
      </p>
      <button class="btn btn-primary w-full min-h-18 justify-center text-lg" type="button" @click="done">
        <Check class="size-6" />Step done
      </button>
    </section>
    <p v-if="ready && !asked && !step" class="hint py-6 text-center">Nothing waits for your hands here.</p>
  </div>
</template>
