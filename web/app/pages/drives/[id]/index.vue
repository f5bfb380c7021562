<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { Hand } from 'lucide-vue-next'
import { STATION_IDS, type LogEntry } from '@wobrin/core/log'
import { callOnBench } from '@wobrin/core/bench/case'
import { stationAsking, type GateState } from '@wobrin/core/bench/stations'
import type { NewDrive } from '../../../../shared/drive-facts'

const route = useRoute('drives-id')
// The case is drawn after what stands above it: one long piece of work would keep a key waiting.
useTurns()
const store = useDrive()
const notices = useNotices()
const attempt = useAttempt()

const id = route.params.id as string
const first = fetchCase(id)
const arrived = first.catch(() => null)
await store.load(id).catch(error => {
  throw createError({ status: error.statusCode ?? 404, statusText: problemText(error), fatal: true })
})
// Waited for where it is what is seen first; what went wrong is said with the page.
if (viewOf(route.query, store.drive!.route) !== 'stations') await arrived
const drive = computed(() => store.drive!)
useHead({ title: () => `${drive.value.tag} · Wobrin` })
// What another tablet adds is told at once; waits run down, and a message may have been lost.
useIntervalFn(() => store.refresh().catch(() => {}), 20_000)
useEventListener(window, 'focus', () => store.refresh().catch(() => {}))

/** The case is where one begins; a station in the address, or a drive that is overhauled, goes to the stations. */
const view = computed(() => viewOf(route.query, drive.value.route))
const steps = useDriveSteps()
const { viewed, closed, next, step } = steps
const looking = ref(false)
const drawn = useAfterPaint('DriveStations', 'BenchTestView', 'PartsView', 'ModelView', 'DriveFactsDialog')
const asksHere = (question: string) => steps.here.value.steps.some(s => s.step.asks?.includes(question))
// An answer stands at the station at hand where that asks for it, else at the one that does.
const found = useFindings(question =>
  view.value === 'stations' && !looking.value && asksHere(question)
    ? viewed.value
    : (stationAsking(question) ?? viewed.value),
)
const photos = usePhotos(() => viewed.value)
const undone = computed(() =>
  store.way.stations
    .filter(s => STATION_IDS.indexOf(s.station.id) >= STATION_IDS.indexOf(viewed.value))
    .flatMap(s => s.steps)
    .filter(s => !s.done && s.needed)
    .map(s => s.step),
)

const noting = ref(false)
const waiting = ref<{ what: string; minutes: number } | true | null>(null)
const editing = ref(false)
const erasing = ref(false)
const finding = ref<{ question: string | null } | null>(null)
const caseOf = useDriveCase(pick => found.pick(pick), first)
/** While something is complained of, the case's call is the drive's. */
const call = computed(() =>
  view.value !== 'stations' && !closed.value
    ? (callOnBench(store.progress.call, caseOf.found.value) ?? null)
    : store.progress.call,
)
const passing = ref<GateState | null>(null)
const camera = useTemplateRef('camera')
/** Entry of the finding that the next photo shows. */
const shown = ref<string>()

/** The question that is asked next: of the step at hand, else of the next step that has one that is open. */
const nextQuestion = () => {
  const at = STATION_IDS.indexOf(viewed.value)
  const following = store.way.stations.filter(s => STATION_IDS.indexOf(s.station.id) >= at).flatMap(s => s.steps)
  const open = step.value?.open[0] ?? following.find(s => s.needed && !s.done && !s.hold && s.open.length)?.open[0]
  return open?.id ?? step.value?.step.asks?.[0] ?? null
}
const find = (question: string | null = nextQuestion()) => {
  if (!closed.value) finding.value = { question: view.value === 'stations' ? question : null }
}
const look = (question: string) => {
  looking.value = false
  finding.value = { question }
}

/** A dialog hides the rest of the page, so what goes wrong behind one is said inside it. */
async function note(text: string): Promise<void> {
  const [title, ...rest] = text.split('\n')
  await store.add({
    kind: 'note',
    station: viewed.value,
    title: title!.slice(0, 300),
    detail: [title!.slice(300), ...rest].join('\n').trim(),
  })
  noting.value = false
}
async function startWait(what: string, minutes: number, holds: string | null): Promise<void> {
  await store.add({ kind: 'wait', station: viewed.value, title: what, minutes, holds, detail: duration(minutes) })
  waiting.value = null
}
async function passGate(reason: string): Promise<void> {
  await store.add({ kind: 'override', station: viewed.value, gate: passing.value!.gate.id, detail: reason })
  passing.value = null
}
const endWait = (wait: LogEntry) =>
  attempt(() => store.add({ kind: 'wait-ended', station: wait.station, title: `${wait.title}: over`, wait: wait.id }))
const passFirst = () => {
  looking.value = false
  passing.value = store.way.gates.find(g => !g.open) ?? null
}

async function keepPhotos(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const picked = [...(field.files ?? [])]
  field.value = ''
  const of = shown.value
  shown.value = undefined
  await photos.keep(picked, of === undefined ? undefined : await found.standing(of))
}
/** A photo; of what was found just now, where that is given. */
function photograph(of?: string): void {
  shown.value = of
  camera.value?.click()
}
async function keepFacts(facts: NewDrive, seen: Partial<NewDrive>): Promise<void> {
  await store.change(facts, seen)
  editing.value = false
}
/** One dialog after the other: each holds the keyboard. */
async function eraseFrom(): Promise<void> {
  editing.value = false
  await nextTick()
  erasing.value = true
}
async function takeBack(id?: string): Promise<void> {
  await attempt(async () => {
    const gone = await store.takeBack(id)
    if (gone) notices.done(`Taken back: ${gone.title}. It stays on the log, struck through.`)
  })
}

useShortcuts({
  c: () =>
    navigateTo({ query: view.value === 'case' ? { station: viewed.value } : { view: 'case' } }, { replace: true }),
  f: () => find(),
  n: () => {
    noting.value = true
  },
  w: () => {
    waiting.value = true
  },
  p: () => photograph(),
  z: () => {
    void takeBack()
  },
})
</script>

<template>
  <div>
    <DriveHeader
      :drive="drive"
      :outcome="store.progress.outcome"
      :call="call"
      :words="view === 'stations'"
      @edit="editing = true"
      ><DriveViewTabs :view="view" :station="viewed"
    /></DriveHeader>
    <NuxtLink class="btn sm:hidden w-full justify-center mb-3" :to="`/drives/${id}/hand`"
      ><Hand class="size-5" />In the hand: large buttons for one thumb</NuxtLink
    >
    <DriveWaits :waits="store.way.waits" @end="endWait" />
    <ExchangeBand :closed="closed" />
    <SpeedLiveBand :key="`live ${drive.id}`" :closed="closed" />
    <InTurn v-if="view === 'case'" :key="`case ${drive.id}`">
      <CaseView
        :view="caseOf"
        :closed="closed"
        :last="found.last.value"
        @looks="looking = true"
        @take-back="takeBack"
        @where="found.where"
        @photo="photograph"
      />
    </InTurn>
    <LazyBenchTestView
      v-else-if="view === 'test'"
      :key="`test ${drive.id}`"
      :view="caseOf"
      :closed="closed"
      @looks="looking = true"
    />
    <LazyPartsView v-else-if="view === 'parts'" :key="`parts ${drive.id}`" :view="caseOf" />
    <LazyModelView v-else-if="view === 'model'" :key="`model ${drive.id}`" :closed="closed" @read="caseOf.refresh" />
    <LazyDriveStations
      v-else
      :steps="steps"
      :found="found"
      :photos="photos"
      @find="find"
      @note="noting = true"
      @wait="w => (waiting = w)"
      @photo="photograph"
      @take-back="takeBack"
      @pass="gate => (passing = gate)"
      @looks="looking = true"
      @end-wait="endWait"
    />
    <input
      ref="camera"
      type="file"
      accept="image/*"
      multiple
      class="sr-only"
      tabindex="-1"
      aria-label="Photo"
      data-testid="photo"
      @change="keepPhotos"
    />
    <LazyCaseSafetySheet
      v-if="drawn || looking"
      :shown="looking"
      :pick="found.pick"
      @close="looking = false"
      @look="look"
      @pass="passFirst"
    />
    <LazyFindingSheet
      v-if="drawn || finding"
      :shown="finding !== null"
      :question="finding?.question ?? null"
      :findings="store.way.findings"
      :last="found.last.value"
      :problem="found.problem.value"
      @close="finding = null"
      @pick="found.pick"
      @measure="found.measure"
      @where="found.where"
      @complain="caseOf.complain"
      @answer="caseOf.answer"
    />
    <LazyDriveGateDialog v-if="drawn || passing" :gate="passing" :save="passGate" @close="passing = null" />
    <LazyDriveWaitDialog
      v-if="drawn || waiting"
      :shown="waiting !== null"
      :undone="undone"
      :current="view === 'stations' ? (next?.step.id ?? null) : null"
      :preset="waiting === true ? null : waiting"
      :save="startWait"
      @close="waiting = null"
    />
    <LazyDriveNoteDialog
      v-if="drawn || noting"
      :shown="noting"
      :station="viewed"
      :save="note"
      @close="noting = false"
    />
    <LazyDriveFactsDialog
      v-if="editing"
      :shown="editing"
      :drive="drive"
      :save="keepFacts"
      @close="editing = false"
      @erase="eraseFrom"
    />
    <LazyDriveEraseDialog v-if="erasing" :shown="erasing" @close="erasing = false" />
  </div>
</template>
