<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { OUTCOMES, STATION_IDS, type LogEntry, type Outcome, type StationId } from '@wobrin/core/log'
import { STATIONS, type GateState } from '@wobrin/core/bench/stations'
import { speedContextOf } from '@wobrin/core/instruments/spindle'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'
import type { NewDrive } from '../../../../shared/drive-facts'

const route = useRoute('drives-id')
const workshop = useWorkshop()
const store = useDrive()
const notices = useNotices()
const attempt = useAttempt()

await store.load(route.params.id as string).catch(error => {
  throw createError({ status: 404, statusText: problemText(error), fatal: true })
})
const drive = computed(() => store.drive!)
useHead({ title: () => `${drive.value.tag} · Wobrin` })
// Another tablet may be adding to the same drive; waits run down.
useIntervalFn(() => store.refresh().catch(() => {}), 6000)
useEventListener(window, 'focus', () => store.refresh().catch(() => {}))

const steps = useDriveSteps()
const { viewed, here, closed, next, step } = steps
const found = useFindings(() => viewed.value)
const book = useAsFound(() => viewed.value)
const photos = usePhotos(() => viewed.value)
const setup = computed<InstrumentSetup>(() => ({
  mechanism: drive.value.mechanism,
  pulleys: drive.value.pulleys ?? undefined,
  context: { ...speedContextOf(drive.value, workshop.settings.speedSchool), readingsBefore: store.history },
}))
const logged = useLoggedSpeed(
  () => store.drive,
  () => store.log,
)
const undone = computed(() =>
  store.way.stations
    .filter(s => STATION_IDS.indexOf(s.station.id) >= STATION_IDS.indexOf(viewed.value))
    .flatMap(s => s.steps)
    .filter(s => !s.done)
    .map(s => s.step),
)

/** Stations where values are read off things without a recording. */
const READ_AT: ReadonlySet<StationId> = new Set(['electronics', 'first-power', 'speed', 'prove'])

const noting = ref(false)
const waiting = ref<{ what: string; minutes: number } | true | null>(null)
const editing = ref(false)
const finding = ref<{ question: string | null } | null>(null)
const said = useCaseAnswers(id => found.pick(id))
const passing = ref<GateState | null>(null)
const instrument = useTemplateRef('instrument')
const camera = useTemplateRef('camera')
/** Entry of the finding that the next photo shows. */
const shown = ref<string>()

const find = (
  question: string | null = step.value?.open[0]?.id ?? step.value?.step.asks?.[0] ?? next.value?.open[0]?.id ?? null,
) => {
  if (!closed.value) finding.value = { question }
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
const hold = computed(() => step.value?.hold ?? null)
const endHold = () => {
  if (hold.value?.kind === 'wait') void endWait(hold.value.wait.entry)
}
const acknowledge = () =>
  attempt(() =>
    hold.value?.kind === 'caution'
      ? store.add({ kind: 'acknowledged', station: viewed.value, caution: hold.value.caution.id })
      : Promise.resolve(),
  )
const pass = () => {
  if (hold.value?.kind === 'gate') passing.value = hold.value.gate
}

async function keepPhotos(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const picked = [...(field.files ?? [])]
  field.value = ''
  const of = shown.value
  shown.value = undefined
  await photos.keep(picked, of)
}
/** A photo of what was found just now. */
function photograph(of: string): void {
  shown.value = of
  camera.value?.click()
}
async function keepFacts(facts: NewDrive): Promise<void> {
  await store.change(facts)
  editing.value = false
}
/** The sizes at the belt's middle, so that the Speed instrument can name what turns at which rate. */
async function keepPulleys(typed: Record<string, string>): Promise<void> {
  await attempt(async () => {
    await store.change({ pulleys: pulleysFrom(typed) })
    notices.done('The Speed instrument now knows the belt and its pulleys.')
  })
}
async function takeBack(id?: string): Promise<void> {
  await attempt(async () => {
    const gone = await store.takeBack(id)
    if (gone) notices.done(`Taken back: ${gone.title}. It stays on the log, struck through.`)
  })
}
const release = (outcome: Outcome, remark: string, parts: string[]) =>
  attempt(() =>
    store.add({
      kind: 'released',
      station: 'release',
      title: OUTCOMES[outcome],
      detail: remark,
      outcome,
      ...(parts.length ? { parts } : {}),
    }),
  )
const kept = (entry: LogEntry) => store.take(entry)

useShortcuts({
  ' ': () => {
    if (viewed.value !== 'release') steps.forward()
  },
  PageDown: steps.forward,
  PageUp: steps.back,
  f: () => find(),
  n: () => {
    noting.value = true
  },
  w: () => {
    waiting.value = true
  },
  p: () => {
    camera.value?.click()
  },
  z: () => {
    void takeBack()
  },
  m: async () => {
    // At Speed the instrument has this key itself.
    if (viewed.value === 'speed') return
    await steps.view('speed')
    await nextTick()
    instrument.value?.measure()
  },
  ...Object.fromEntries(
    ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-'].map((key, i) => [key, () => steps.view(STATION_IDS[i]!)]),
  ),
})
</script>

<template>
  <div>
    <DriveHeader :drive="drive" :progress="store.progress" @edit="editing = true" />
    <DriveStationLine
      :progress="store.progress"
      :viewed="viewed"
      :gates="store.way.gates"
      class="mb-4"
      @view="steps.view"
    />
    <div v-if="store.progress.reopenedBy" class="border-l-5 border-nudge bg-nudge-tint px-4 py-3 mb-4" role="status">
      <strong>Opened again.</strong> After it was verified, this was found: {{ store.progress.reopenedBy.title }}. Two
      faults are common; {{ STATIONS.find(s => s.id === store.progress.reopenedBy!.station)!.label }} and Prove are done
      again.
    </div>
    <DriveWaits :waits="store.way.waits" @end="endWait" />
    <CasePanel v-if="!store.progress.outcome" :key="`case ${drive.id}`" :pick="found.pick" :closed="closed" />
    <div class="grid md:grid-cols-[1fr_15rem] xl:grid-cols-[262px_1fr_266px] gap-4 items-start">
      <DriveStepList
        class="panel p-4 pb-5 order-2 md:order-none md:col-start-2 md:row-start-1 xl:col-start-1"
        :here="here"
        :step="step"
        :next="next"
        :closed="closed"
        :explain="viewed === 'speed'"
        @tick="steps.tick"
        @choose="steps.choose"
        @finish="steps.finish"
      />
      <div
        class="panel p-5 sm:px-6 min-w-0 order-1 md:order-none md:col-start-1 md:row-start-1 md:row-span-2 xl:col-start-2 space-y-7"
      >
        <DriveReleaseSheet
          v-if="viewed === 'release'"
          :drive="drive"
          :log="store.log"
          :outcome="store.progress.outcome"
          @release="release"
        />
        <template v-else>
          <div v-if="found.last.value || (step && (viewed !== 'speed' || step.hold || step.open.length))">
            <FindingBand
              v-if="found.last.value"
              :last="found.last.value"
              @where="found.where"
              @photo="photograph(found.last.value!.entry.id)"
              @take-back="takeBack(found.last.value!.entry.id)"
              @close="found.forget"
            />
            <DriveStepSheet
              v-if="step && (viewed !== 'speed' || step.hold || step.open.length)"
              :key="step.step.id"
              :state="step"
              :here="here"
              :findings="store.way.findings"
              :closed="closed"
              @tick="steps.tick"
              @pick="found.pick"
              @measure="found.measure"
              @photo="camera?.click()"
              @note="noting = true"
              @look="find"
              @pass="pass"
              @acknowledge="acknowledge"
              @over="endHold"
            />
          </div>
          <SpeedInstrument
            v-if="viewed === 'speed'"
            ref="instrument"
            :setup="setup"
            :drive-id="drive.id"
            :logged="logged"
            :log="store.log"
            @kept="kept"
          />
          <WorthSheet v-if="viewed === 'receive'" class="border-t border-line pt-5" :closed="closed" />
          <AsFoundSheet
            v-if="viewed === 'open'"
            class="border-t border-line pt-5"
            :book="book"
            :closed="closed"
            :sending="photos.sending.value"
            @photo="camera?.click()"
            @drop="photos.keep"
            @stop="photos.stop"
          />
          <CleaningAdviser
            v-if="viewed === 'clean'"
            :key="drive.id"
            class="border-t border-line pt-5"
            :found="store.way.findings"
            @wait="
              (what, minutes) => {
                waiting = { what, minutes }
              }
            "
          />
          <ProveBench
            v-if="viewed === 'prove'"
            :key="`prove ${drive.id}`"
            class="border-t border-line pt-3"
            :drive="drive"
            :log="store.log"
            :closed="closed"
            :book="book"
            @kept="kept"
          />
          <AlignVerdict
            v-if="viewed === 'align'"
            class="border-t border-line pt-5 @container"
            :drive="drive"
            :log="store.log"
          />
          <DriveReadTests
            v-if="viewed === 'align'"
            class="border-t border-line pt-5"
            :log="store.log"
            :drive-id="drive.id"
            :station="viewed"
          />
          <SumBench
            v-if="viewed === 'drive-train' || viewed === 'electronics' || viewed === 'align'"
            :key="`${drive.id} ${viewed}`"
            class="border-t border-line pt-5"
            :station="viewed"
            :drive-id="drive.id"
            :mechanism="drive.mechanism"
            :log="store.log"
            :closed="closed"
            @kept="kept"
            @pulleys="keepPulleys"
          />
          <ReadingForm
            v-if="!closed && READ_AT.has(viewed)"
            :key="`reading ${drive.id} ${viewed}`"
            class="border-t border-line pt-5"
            :station="viewed"
            :drive="drive"
            :context="drive"
            @kept="kept"
          />
          <DriveStationNotes
            v-if="viewed !== 'speed'"
            class="border-t border-line pt-5"
            :station="viewed"
            :log="store.log"
            :findings="store.way.findings"
            :gates="store.way.gates"
          />
        </template>
      </div>
      <DriveLog
        class="panel p-4 order-3 md:order-none md:col-start-2 xl:col-start-3 xl:row-start-1"
        :log="store.log"
        @finding="find()"
        @note="noting = true"
        @wait="waiting = true"
        @photo="camera?.click()"
        @take-back="takeBack"
      />
    </div>
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
    <FindingSheet
      :shown="finding !== null"
      :question="finding?.question ?? null"
      :findings="store.way.findings"
      :last="found.last.value"
      :problem="found.problem.value"
      @close="finding = null"
      @pick="found.pick"
      @measure="found.measure"
      @where="found.where"
      @complain="said.complain"
      @answer="said.answer"
    />
    <DriveGateDialog :gate="passing" :save="passGate" @close="passing = null" />
    <DriveWaitDialog
      :shown="waiting !== null"
      :undone="undone"
      :current="next?.step.id ?? null"
      :preset="waiting === true ? null : waiting"
      :save="startWait"
      @close="waiting = null"
    />
    <DriveNoteDialog :shown="noting" :station="viewed" :save="note" @close="noting = false" />
    <DriveFactsDialog v-if="editing" :shown="editing" :drive="drive" :save="keepFacts" @close="editing = false" />
  </div>
</template>
