<script setup lang="ts">
import { Camera, Download, FileVideo, Maximize2, Volume2, VolumeX } from 'lucide-vue-next'
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import type { FilmOf } from '@wobrin/core/instruments/film'
import { speedContextOf, toneBand, type SpeedContext } from '@wobrin/core/instruments/spindle'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'

useHead({ title: 'Camera · Wobrin' })

const workshop = useWorkshop()
const notices = useNotices()
const { driveId, drive } = await useAskedDrive()

const mechanism = ref<MechanismId>(drive.value?.mechanism ?? '5.25in-48')
const asked = reactive({
  of: 'mark' as FilmOf | 'glow',
  bars: null as number | null,
  creeps: '' as '' | 'with' | 'against',
  slowed: 1,
})
/** What the film is asked, by the page and by the server alike. */
const fields = computed(() => ({
  of: asked.of === 'ring' ? ('ring' as const) : ('mark' as const),
  bars: asked.bars || undefined,
  creeps: asked.creeps || null,
  slowed: asked.slowed || 1,
}))
const context = computed<SpeedContext>(() =>
  drive.value
    ? speedContextOf(drive.value, workshop.settings.speedSchool)
    : { mechanism: mechanism.value, school: workshop.settings.speedSchool },
)
const setup = computed<Pick<InstrumentSetup, 'mechanism' | 'context'>>(() => ({
  mechanism: mechanism.value,
  context: context.value,
}))

const picture = useTemplateRef('picture')
const camera = useCamera(
  () => ({ ...fields.value, mechanism: mechanism.value, nominalRpm: context.value.nominalRpm }),
  () => picture.value?.video ?? null,
)
const { state, place, problem, progress, frames, speed, cameras, chosen, film } = camera
const shown = computed(() => (speed.value ? sensedShown(speed.value, setup.value, 'Camera') : null))
const others = computed(() => speed.value?.others ?? [])

const { choose, picked } = useFilePicker(file => void camera.openFilm(file))
const over = ref(false)
function drop(event: DragEvent): void {
  over.value = false
  const file = event.dataTransfer?.files[0]
  if (file) void camera.openFilm(file)
}

const across = ref(false)
const tone = useTone(
  () => workshop.settings.tone.volume,
  () => workshop.settings.tone.octaveShare,
)
watch([shown, tone.on], () => {
  const v = shown.value?.verdict
  if (v) tone.follow(shown.value?.reading?.rpm ?? null, v.nominalRpm, toneBand(v))
})

const { sending, cancel, keepSensed } = useKeepReading()
async function keepIn(id: string): Promise<void> {
  const file = await camera.table(`film-${fileTime()}.csv`)
  if (!file) return
  await keepSensed({ driveId: id, file, movedTurns: 0, simulated: false, fields: fields.value })
  notices.done('On the log, with the brightness of each frame.')
}
const { keepTo, keep: toLog } = useKeepTo(driveId, keepIn)
const canKeep = computed(() => shown.value?.reading != null && !sending.value)
async function keep(): Promise<void> {
  if (!canKeep.value) return
  across.value = false
  await toLog()
}
async function saveTable(): Promise<void> {
  const file = await camera.table('frames.csv')
  if (file) saveBlob(file.name, file)
}
useShortcuts({
  a: () => {
    across.value = shown.value !== null && !across.value
  },
  e: tone.toggle,
  m: choose,
})
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <div>
        <h1 class="text-xl font-bold">Camera</h1>
        <p v-if="drive" class="hint">for <DriveTag :tag="drive.tag" /></p>
      </div>
      <FormField v-if="!drive" v-slot="{ id }" label="Drive type">
        <select :id="id" v-model="mechanism" class="field">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <FormField v-slot="{ id }" label="Look for">
        <select :id="id" v-model="asked.of" class="field">
          <option value="mark">One mark on what turns</option>
          <option value="ring">A ring of even bars</option>
          <option value="glow">Glow of an infrared LED</option>
        </select>
      </FormField>
      <template v-if="asked.of === 'ring'">
        <FormField v-slot="{ id }" label="Bars of the ring"
          ><input :id="id" v-model.number="asked.bars" class="field" type="number" min="2" max="2000"
        /></FormField>
        <FormField v-slot="{ id }" label="The bars seem to creep">
          <select :id="id" v-model="asked.creeps" class="field">
            <option value="">not known</option>
            <option value="with">with the disk</option>
            <option value="against">against the disk</option>
          </select>
        </FormField>
      </template>
      <FormField v-if="asked.of !== 'glow'" v-slot="{ id }" label="The film plays">
        <select :id="id" v-model.number="asked.slowed" class="field">
          <option :value="1">as fast as it was taken</option>
          <option v-for="n in [2, 4, 8, 16]" :key="n" :value="n">{{ n }} times slower (slow motion)</option>
        </select>
      </FormField>
      <FormField v-if="state === 'camera' && cameras.length > 1" v-slot="{ id }" label="Which camera">
        <select :id="id" v-model="chosen" class="field">
          <option value="">the usual one</option>
          <option v-for="c in cameras" :key="c.deviceId" :value="c.deviceId">{{ c.label || 'a camera' }}</option>
        </select>
      </FormField>
      <div class="text-sm space-y-2 border-t border-line pt-3">
        <p v-if="asked.of === 'glow'">
          Never look for infrared by eye. Show the camera a remote control first: a camera that filters infrared shows
          nothing.
        </p>
        <template v-else>
          <p>
            <strong>What is needed.</strong> A white mark on a dark flywheel or hub, the camera held still, ten seconds
            or more.
          </p>
          <p>
            <strong>What it gives.</strong> The mean speed. Exposure and rolling shutter do not change it. A flickering
            lamp is taken out by the rest of the picture.
          </p>
        </template>
        <p>Keep hair and sleeves away from what turns.</p>
      </div>
    </aside>

    <FilmGlow v-if="asked.of === 'glow'" :drive-id="driveId" :camera="camera" />
    <div v-else class="panel p-5 sm:px-6 min-w-0 space-y-4">
      <ProblemBand v-if="problem" :problem="problem" />
      <div
        v-if="state === 'off'"
        class="rounded-box border-2 border-dashed p-6"
        :class="over ? 'border-leave bg-leave-tint' : 'border-line'"
        @dragover.prevent="over = true"
        @dragleave="over = false"
        @drop.prevent="drop"
      >
        <p class="mb-1 text-lg"><strong>Hold a camera to what turns,</strong> or drop a film of it here.</p>
        <p class="hint mb-5">
          A webcam, or a film from a phone, slow motion too: MP4, MOV or WebM. It is looked at on this device; only the
          brightness of one place is kept.
        </p>
        <div class="flex flex-wrap gap-3">
          <button class="btn btn-primary" @click="camera.startCamera"><Camera class="size-4" />Start camera</button>
          <button class="btn" aria-keyshortcuts="m" @click="choose"><FileVideo class="size-4" />Open a film</button>
        </div>
      </div>
      <div v-show="state !== 'off'" class="space-y-4">
        <header class="flex flex-wrap items-center gap-3">
          <h2 class="section-title flex items-center gap-2" role="status">
            <Camera v-if="state === 'camera'" class="size-5 text-leave" />{{
              state === 'camera' ? 'Camera is on' : (film?.name ?? '')
            }}
          </h2>
          <div class="flex flex-wrap gap-2 ml-auto">
            <button v-if="shown" class="btn" aria-keyshortcuts="a" @click="across = true">
              <Maximize2 class="size-4" />Across the bench
            </button>
            <button v-if="shown" class="btn" :aria-pressed="tone.on.value" aria-keyshortcuts="e" @click="tone.toggle">
              <component :is="tone.on.value ? Volume2 : VolumeX" class="size-4" />By ear
            </button>
          </div>
        </header>
        <div class="grid xl:grid-cols-2 gap-5 items-start">
          <FilmPicture ref="picture" v-model:place="place" :film="state === 'film'" />
          <div class="space-y-4 min-w-0">
            <ProgressLine
              v-if="progress !== null"
              :share="progress"
              what="Reading the film"
              end="Stop reading"
              @end="camera.stop"
            />
            <FilmTrace v-if="frames" :frames="frames" />
            <p v-else-if="progress === null" class="hint">Waiting for frames.</p>
            <SpeedReadout
              v-if="shown"
              :measurement="null"
              :verdict="shown.verdict"
              :reading="shown.reading"
              :mechanism="mechanism"
            >
              <p v-if="speed?.rpm !== null" class="hint">{{ speed?.says.join(' ') }}</p>
              <ul v-if="others.length" class="text-sm list-disc pl-5" data-testid="others">
                <li v-for="o in others" :key="o.if">
                  <strong>{{ o.rpm.toFixed(1) }} ± {{ o.uncertainty.toFixed(1) }} r/min</strong>, if {{ o.if }}
                </li>
              </ul>
              <KeepBand v-if="sending" :sending="sending" @end="cancel" />
              <div v-else class="flex flex-wrap gap-3">
                <button class="btn btn-primary" :disabled="!canKeep" @click="keep">
                  {{ drive ? 'Save to log' : 'Save to a drive…' }}
                </button>
                <button class="btn btn-quiet" @click="camera.clear">
                  {{ state === 'camera' ? 'Stop camera' : 'Close film' }}
                </button>
                <button v-if="frames" class="btn btn-quiet" @click="saveTable">
                  <Download class="size-4" />Save frames as CSV
                </button>
                <NuxtLink v-if="drive" class="btn btn-quiet" :to="`/drives/${drive.id}?station=speed`"
                  >Back to the drive</NuxtLink
                >
              </div>
            </SpeedReadout>
            <button v-else class="btn btn-quiet" @click="camera.clear">
              {{ state === 'camera' ? 'Stop camera' : 'Close film' }}
            </button>
          </div>
        </div>
      </div>
    </div>
    <input
      ref="input"
      type="file"
      accept="video/*"
      class="sr-only"
      tabindex="-1"
      aria-label="Film"
      data-testid="film"
      @change="picked"
    />
    <SpeedAcrossBench
      :shown="across"
      :measurement="null"
      :reading="shown?.reading"
      :verdict="shown?.verdict ?? null"
      :now-rpm="null"
      @close="across = false"
      @keep="keep"
    />
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      @close="keepTo = null"
      @kept="id => navigateTo(`/drives/${id}?station=speed`)"
    />
  </div>
</template>
