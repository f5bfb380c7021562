<script setup lang="ts">
import { OUTCOMES, STATION_IDS, type LogEntry, type Outcome, type StationId } from '@wobrin/core/observations'
import { findStation } from '@wobrin/core/procedures'
import { speedContextOf } from '@wobrin/core/proving'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'
import type { NewDrive } from '../../../../shared/drive-facts'

const route = useRoute('drives-id')
const router = useRouter()
const workshop = useWorkshop()
const store = useDrive()
const notices = useNotices()

await store.load(route.params.id).catch((error) => {
  throw createError({ status: 404, statusText: problemText(error), fatal: true })
})
const drive = computed(() => store.drive!)
useHead({ title: () => `${drive.value.tag} · Wobrin` })

/** The station looked at: changed at once, the address following, so that quick keys act on what is meant. */
const asked = () => STATION_IDS.find(s => s === route.query.station) ?? store.progress.current
const viewed = ref<StationId>(asked())
watch(() => route.query.station, () => { viewed.value = asked() })
const station = computed(() => findStation(viewed.value))
const closed = computed(() => store.progress.outcome !== null)
const setup = computed<InstrumentSetup>(() => ({
  mechanism: drive.value.mechanism,
  pulleys: drive.value.pulleys ?? undefined,
  context: { ...speedContextOf(drive.value, workshop.settings.speedSchool), readingsBefore: store.history },
}))
const logged = useLoggedSpeed(() => store.drive, () => store.log)

function view(id: StationId) {
  viewed.value = id
  return router.replace({ query: { station: id } })
}
const noting = ref(false)
const waiting = ref(false)
const editing = ref(false)
const instrument = useTemplateRef('instrument')

/** Says a thing to the log; a failure is shown and nothing on the page changes. */
async function attempt(run: () => Promise<unknown>): Promise<boolean> {
  const problem = await run().then(() => null, problemText)
  if (problem) notices.problem(problem)
  return problem === null
}

async function step(id: string): Promise<void> {
  if (closed.value) return
  const done = [...store.log].reverse().find(e => e.data?.type === 'step' && e.data.step === id && !store.log.some(o => o.takesBack === e.id))
  const title = station.value.steps.find(s => s.id === id)!.title
  await attempt(() => done ? store.takeBack(done.id) : store.add({ kind: 'step', station: viewed.value, title, step: id }))
}

async function finish(): Promise<void> {
  const at = viewed.value
  const done = await attempt(() => store.add({ kind: 'station', station: at, title: `${station.value.label} finished` }))
  const next = STATION_IDS[STATION_IDS.indexOf(at) + 1]
  if (done && next) view(next)
}

function forward(): void {
  if (closed.value || viewed.value === 'release') return
  const next = station.value.steps.find(s => !store.progress.stepsDone.has(s.id))
  if (next) step(next.id)
  else if (!store.progress.done.has(viewed.value)) finish()
  else view(STATION_IDS[STATION_IDS.indexOf(viewed.value) + 1]!)
}

function back(): void {
  const last = [...station.value.steps].reverse().find(s => store.progress.stepsDone.has(s.id))
  if (last && !closed.value && !store.progress.done.has(viewed.value)) step(last.id)
  else view(STATION_IDS[Math.max(0, STATION_IDS.indexOf(viewed.value) - 1)]!)
}

/** A dialog hides the rest of the page, so what goes wrong behind one is said inside it. */
async function note(text: string): Promise<void> {
  const [title, ...rest] = text.split('\n')
  await store.add({ kind: 'note', station: viewed.value, title: title!.slice(0, 300), detail: [title!.slice(300), ...rest].join('\n').trim() })
  noting.value = false
}

async function startWait(what: string, minutes: number): Promise<void> {
  await store.add({ kind: 'wait', station: viewed.value, title: what, minutes, detail: duration(minutes) })
  waiting.value = false
}

const endWait = (wait: LogEntry) => attempt(() => store.add({ kind: 'wait-ended', station: wait.station, title: `${wait.title}: over`, wait: wait.id }))

const camera = useTemplateRef('camera')
async function keepPhoto(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const picked = field.files?.[0]
  field.value = ''
  if (!picked) return
  await attempt(async () => {
    const { file, width, height } = await shrinkPhoto(picked)
    const { sha } = await sendFile<{ sha: string }>('/api/captures?name=photo.jpg', file, () => {}, new AbortController().signal)
    await store.add({ kind: 'photo', station: viewed.value, title: 'Photo', photo: { sha, width, height } })
  })
}

async function keepFacts(facts: NewDrive): Promise<void> {
  await store.change(facts)
  editing.value = false
}

async function takeBack(id?: string): Promise<void> {
  await attempt(async () => {
    const gone = await store.takeBack(id)
    if (gone) notices.done(`Taken back: ${gone.title}. It stays on the log, struck through.`)
  })
}

async function release(outcome: Outcome, remark: string): Promise<void> {
  await attempt(() => store.add({ kind: 'released', station: 'release', title: OUTCOMES[outcome], detail: remark, outcome }))
}

const kept = (entry: LogEntry) => store.take(entry)

useShortcuts({
  ' ': () => { if (viewed.value !== 'release') forward() },
  'PageDown': forward, 'PageUp': back,
  'n': () => { noting.value = true },
  'w': () => { waiting.value = true },
  'p': () => { camera.value?.click() },
  'z': () => { takeBack() },
  'm': async () => {
    // At Speed the instrument has this key itself.
    if (viewed.value === 'speed') return
    view('speed')
    await nextTick()
    instrument.value?.measure()
  },
  ...Object.fromEntries(['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-'].map((key, i) => [key, () => view(STATION_IDS[i]!)])),
})
</script>

<template>
  <div>
    <DriveHeader :drive="drive" :progress="store.progress" @edit="editing = true" />
    <DriveStationLine :progress="store.progress" :viewed="viewed" class="mb-4" @view="view" />
    <DriveWaits :log="store.log" @end="endWait" />
    <div class="grid md:grid-cols-[1fr_15rem] xl:grid-cols-[262px_1fr_266px] gap-4 items-start">
      <DriveStepList class="panel p-4 pb-5 md:col-start-2 md:row-start-1 xl:col-start-1" :station="station" :done="store.progress.stepsDone" :finished="store.progress.done.has(viewed)" :closed="closed" @step="step" @finish="finish" />
      <div class="panel p-5 sm:px-6 min-w-0 md:col-start-1 md:row-start-1 md:row-span-2 xl:col-start-2">
        <SpeedInstrument v-if="viewed === 'speed'" ref="instrument" :setup="setup" :drive-id="drive.id" :logged="logged" :log="store.log" @kept="kept" />
        <DriveReleaseSheet v-else-if="viewed === 'release'" :drive="drive" :log="store.log" :outcome="store.progress.outcome" @release="release" />
        <DriveStationSheet v-else :station="station" :log="store.log" @note="noting = true" />
      </div>
      <DriveLog class="panel p-4 md:col-start-2 xl:col-start-3 xl:row-start-1" :log="store.log" @note="noting = true" @wait="waiting = true" @photo="camera?.click()" @take-back="takeBack" />
    </div>
    <input ref="camera" type="file" accept="image/*" class="sr-only" tabindex="-1" aria-label="Photo" data-testid="photo" @change="keepPhoto">
    <DriveWaitDialog :shown="waiting" :save="startWait" @close="waiting = false" />
    <DriveNoteDialog :shown="noting" :station="viewed" :save="note" @close="noting = false" />
    <DriveFactsDialog v-if="editing" :shown="editing" :drive="drive" :save="keepFacts" @close="editing = false" />
  </div>
</template>
