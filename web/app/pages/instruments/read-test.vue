<script setup lang="ts">
import { ChevronDown, GitCompareArrows } from 'lucide-vue-next'
import { likelyClass, worstTrack, type TrackReading } from '@wobrin/core/instruments/interface'
import { layoutsOf, MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import { STATION_IDS, type StationId } from '@wobrin/core/log'
import type { Call, Observation } from '@wobrin/core/base/observations'
import { DRIVE_STORIES } from '@wobrin/core/simulator'
import type { ReadFile } from '../../composables/useReadTest'

useHead({ title: 'Read test · Wobrin' })

interface Shown {
  readonly tracks: readonly TrackReading[]
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly from: 'recording' | 'simulated'
  readonly title: string
  readonly stand?: { readonly mechanism: string; readonly story: string }
}

const route = useRoute()
const driveId = computed(() => (typeof route.query.drive === 'string' ? route.query.drive : null))
const station = computed<StationId>(() => STATION_IDS.find(s => s === route.query.station) ?? 'prove')
const worker = useDriveWorker()
const { sending, keep, cancel } = useKeepReadTest()
const notices = useNotices()
const bus = useBusRecording(worker)
const test = useReadTest(worker)
const { opened, report, problem, progress, choices } = bus
const mechanism = ref<MechanismId>('3.5in')
const story = ref('upper-leans')
const before = shallowRef<Shown | null>(null)
const shown = shallowRef<Shown | null>(null)
const selected = ref<{ readonly cylinder: number; readonly head: 0 | 1 } | null>(null)
const asTable = ref(false)
const opener = useTemplateRef('opener')
const steppers = MECHANISMS.filter(m => layoutsOf(m.id).length > 0)

const tracks = computed(() => test.growing.value ?? shown.value?.tracks ?? [])
const heads = computed(() =>
  tracks.value.some(t => t.head === 1) || before.value?.tracks.some(t => t.head === 1) ? 2 : 1,
)
const track = computed(
  () => tracks.value.find(t => t.cylinder === selected.value?.cylinder && t.head === selected.value.head) ?? null,
)

/** Looks first at what is worst. */
function show(next: Shown): void {
  shown.value = next
  const worst = worstTrack(next.tracks)
  if (!selected.value && worst) selected.value = { cylinder: worst.cylinder, head: worst.head }
}

watch(report, r => {
  if (!r) return
  mechanism.value = likelyClass(r.tracks, r.speed?.rpm ?? null) ?? mechanism.value
  show({
    tracks: r.tracks,
    call: r.call,
    observations: r.observations,
    from: 'recording',
    title: opened.value!.fileName,
  })
})

async function simulate(): Promise<void> {
  bus.close()
  const label = DRIVE_STORIES.find(s => s.id === story.value)!.label
  if (await test.readStory(mechanism.value, story.value))
    show({
      ...test.run.value!,
      from: 'simulated',
      stand: { mechanism: mechanism.value, story: story.value },
      title: `simulated: ${label.toLowerCase()}`,
    })
}

function openFile(file: File): void {
  selected.value = null
  void bus.open(file)
}

function keepAsBefore(): void {
  before.value = before.value ? null : shown.value
}

// A recording is drawn in parts: the rail first, then what it adds up to.
useTurns()
const disks = useDisks()
onMounted(() => disks.load().catch(() => {}))
const disk = ref('')
const disksHere = computed(
  () => disks.view.value?.standings.filter(s => s.mechanism === mechanism.value && !s.retired) ?? [],
)
watch(disksHere, here => {
  if (disk.value && !here.some(s => s.disk.id === disk.value)) disk.value = ''
})
const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
async function send(id: string): Promise<void> {
  const now = shown.value!
  try {
    await keep(
      id,
      now.from === 'recording' ? { file: bus.file.value!, choices: { ...choices } } : now.stand!,
      station.value,
      disk.value || null,
    )
    notices.done('On the log, with its rail.')
    await navigateTo(`/drives/${id}?station=${station.value}`)
  } catch (error) {
    if (!(error instanceof Stopped)) throw error
  }
}
function keepIt(): void {
  if (driveId.value) send(driveId.value).catch(error => notices.problem(problemText(error)))
  else keepTo.value = send
}

async function save(what: ReadFile): Promise<void> {
  const files = await worker().files(shown.value!.from)
  if (what === 'image') saveBlob('disk.img', files.image)
  else
    saveText(
      { map: 'disk.img.map.csv', margins: 'margins.csv', json: 'read-test.json' }[what],
      files[what],
      what === 'json' ? 'application/json' : 'text/csv',
    )
}

useShortcuts({ m: () => opener.value?.choose() })
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end gap-x-4 gap-y-3">
      <div class="grow basis-64">
        <h1 class="text-2xl font-bold">Read test</h1>
        <p class="text-muted">
          {{
            shown
              ? `${shown.title} · ${tracks.length} tracks`
              : 'How well a disk reads, cylinder by cylinder and head by head.'
          }}
        </p>
      </div>
      <template v-if="shown">
        <select v-if="disksHere.length" v-model="disk" class="field w-auto" aria-label="Reference disk that was read">
          <option value="">not a disk of the shelf</option>
          <option v-for="s in disksHere" :key="s.disk.id" :value="s.disk.id">{{ s.disk.name }}</option>
        </select>
        <button class="btn btn-primary" :disabled="sending !== null || !tracks.length" @click="keepIt">
          {{ driveId ? 'Save to log' : 'Save to a drive…' }}
        </button>
        <button class="btn" :aria-pressed="before !== null" @click="keepAsBefore">
          <GitCompareArrows class="size-4" />{{ before ? 'Forget “before”' : 'Keep as “before”' }}
        </button>
        <WireOpenBus ref="opener" @file="openFile" />
      </template>
    </header>

    <section
      v-if="!shown && test.progress.value === null && !progress"
      class="panel p-6 grid md:grid-cols-2 gap-8"
      aria-label="Begin"
    >
      <div>
        <h2 class="text-lg font-bold mb-1">From a recording</h2>
        <p class="hint mb-4">
          Clip a logic analyser to the interface, let the host read the disk, and open what it recorded: VCD or CSV,
          gzip too. Index, step, direction, track zero, side, select and read data tell most.
        </p>
        <WireOpenBus ref="opener" @file="openFile" />
      </div>
      <div>
        <h2 class="text-lg font-bold mb-1">From the simulated drive</h2>
        <p class="hint mb-4">
          A drive as physics, read by the same engine: to learn what a fault looks like before you meet it.
        </p>
        <div class="grid sm:grid-cols-2 gap-3 mb-4">
          <FormField v-slot="{ id }" label="Drive type"
            ><select :id="id" v-model="mechanism" class="field">
              <option v-for="m in steppers" :key="m.id" :value="m.id">{{ m.label }}</option>
            </select></FormField
          >
          <FormField v-slot="{ id }" label="Its state"
            ><select :id="id" v-model="story" class="field">
              <option v-for="s in DRIVE_STORIES" :key="s.id" :value="s.id">{{ s.label }}</option>
            </select></FormField
          >
        </div>
        <button class="btn btn-primary" @click="simulate">Read its disk</button>
      </div>
    </section>

    <RailReadExample
      v-if="!driveId && !shown && test.progress.value === null && !progress && !(problem ?? test.problem.value)"
    />

    <ProgressLine
      v-if="progress || test.progress.value !== null"
      :share="progress?.share ?? test.progress.value ?? 0"
      :what="progress?.what ?? 'Reading the disk'"
      @end="bus.stop"
    />
    <ProblemBand v-if="problem ?? test.problem.value" :problem="problem ?? test.problem.value ?? ''" />

    <KeepBand v-if="sending" :sending="sending" @end="cancel" />

    <template v-if="tracks.length">
      <CallBand v-if="shown && !test.growing.value" :call="shown.call" />
      <WireBusDoubts
        v-if="report"
        :doubts="report.doubts"
        :mapping="report.mapping"
        @turn-over="bus.turnOver"
        @map="bus.map"
      />
      <section class="panel px-5 py-4" aria-label="Surface">
        <RailReadRail
          v-model:selected="selected"
          :tracks="tracks"
          :before="before?.tracks ?? null"
          :mechanism="mechanism"
          :heads="heads"
        />
      </section>
      <InTurn>
        <div class="grid lg:grid-cols-3 gap-4 items-start">
          <section class="panel p-5" aria-label="Track">
            <RailTrackDetail v-if="track" :track="track" />
            <p v-else class="hint">Choose a track on the rail, by a click or with the arrow keys.</p>
          </section>
          <section class="panel p-5" aria-label="Sectors"><RailSectorTable v-if="track" :track="track" /></section>
          <RailReadTotals
            :tracks="tracks"
            :observations="shown?.observations ?? []"
            :done="shown !== null"
            @save="save"
          />
        </div>
      </InTurn>
      <InTurn>
        <section class="panel px-5 py-3">
          <button
            class="flex items-center gap-2 min-h-11 font-bold text-sm"
            :aria-expanded="asTable"
            @click="asTable = !asTable"
          >
            <ChevronDown class="size-4" :class="{ '-rotate-90': !asTable }" />All tracks as a table
          </button>
          <RailTrackTable v-if="asTable" :tracks="tracks" :before="before?.tracks ?? null" />
        </section>
        <div
          v-if="shown && !progress && test.progress.value === null"
          class="panel px-5 py-4 flex flex-wrap items-end gap-3"
        >
          <FormField v-slot="{ id }" label="Drive type"
            ><select :id="id" v-model="mechanism" class="field w-auto">
              <option v-for="m in steppers" :key="m.id" :value="m.id">{{ m.label }}</option>
            </select></FormField
          >
          <FormField v-slot="{ id }" label="Simulated state"
            ><select :id="id" v-model="story" class="field w-auto">
              <option v-for="s in DRIVE_STORIES" :key="s.id" :value="s.id">{{ s.label }}</option>
            </select></FormField
          >
          <button class="btn" @click="simulate">Read the simulated drive</button>
          <WireBusChannels
            v-if="opened"
            class="basis-full"
            :opened="opened"
            :choices="choices"
            @map="bus.map"
            @turn-over="bus.turnOver"
            @code="code => bus.readAs({ code })"
            @trusted="trusted => bus.readAs({ trusted })"
          />
        </div>
      </InTurn>
    </template>
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      hint="The server reads it again."
      @close="keepTo = null"
      @kept="keepTo = null"
    />
  </div>
</template>
