<script setup lang="ts">
import { FileUp, Mic } from 'lucide-vue-next'
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import type { JudgedSound } from '@wobrin/core/instruments/sound'

useHead({ title: 'Listen to seeks · Wobrin' })

const notices = useNotices()
const { driveId, drive } = await useAskedDrive()

const mechanism = ref<MechanismId>(drive.value?.mechanism ?? '3.5in')
const steps = ref<number | null>(null)
const listenFor = ref<'steps'>('steps')

const sound = useSoundInput(() => ({
  for: 'steps',
  mechanism: mechanism.value,
  steps: steps.value || undefined,
  context: { mechanism: mechanism.value, school: 'leave-alone' },
}))
const { running, problem, news } = sound
const file = shallowRef<File | null>(null)
const fromFile = shallowRef<JudgedSound | null>(null)
const judged = computed(() => fromFile.value ?? news.value?.steps ?? null)
const listens = computed(() => running.value || news.value !== null)

async function openFile(next: File): Promise<void> {
  await sound.clear()
  file.value = next
  await judgeFile()
}
async function judgeFile(): Promise<void> {
  if (!file.value) return
  const answer = await sound.judgeFile(file.value, {
    of: 'steps',
    mechanism: mechanism.value,
    steps: steps.value || undefined,
  })
  problem.value = 'problem' in answer ? answer.problem : null
  fromFile.value = 'ok' in answer && answer.ok.of === 'steps' ? answer.ok.steps : null
  if (!fromFile.value) file.value = null
}
watch([mechanism, steps], judgeFile)
async function start(): Promise<void> {
  file.value = null
  fromFile.value = null
  await sound.start()
}
async function close(): Promise<void> {
  await sound.clear()
  file.value = null
  fromFile.value = null
}
const { choose, picked } = useFilePicker(next => void openFile(next))
useShortcuts({ m: choose })

const { sending, cancel, keepSensed } = useKeepReading()
async function keepIn(id: string): Promise<void> {
  const recording = file.value ?? (await sound.recording(`seeks-${fileTime()}.wav`))
  if (!recording) return
  const fields = { of: 'steps' as const, steps: steps.value || undefined }
  await keepSensed({ driveId: id, file: recording, movedTurns: 0, simulated: false, fields })
  notices.done('On the log, with its recording.')
}
const canKeep = computed(() => !sending.value && (judged.value?.seeks.length ?? 0) > 0)
const { keepTo, keep } = useKeepTo(driveId, keepIn)
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <div>
        <h1 class="text-xl font-bold">Listen to seeks</h1>
        <p v-if="drive" class="hint">for <DriveTag :tag="drive.tag" /></p>
      </div>
      <FormField v-if="!drive" v-slot="{ id }" label="Drive type">
        <select :id="id" v-model="mechanism" class="field">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <FormField
        v-if="mechanism !== 'cartridge'"
        v-slot="{ id }"
        label="Steps of each seek"
        hint="As many as the host was told to make."
      >
        <input :id="id" v-model.number="steps" class="field" type="number" min="1" max="1000" />
      </FormField>
      <div class="text-sm space-y-2 border-t border-line pt-3">
        <p v-if="mechanism === 'cartridge'">
          <strong>Put no cartridge in.</strong> A cartridge drive that clicks steadily can tear disks. Its rhythm is
          heard without one.
        </p>
        <template v-else>
          <p>
            <strong>How.</strong> Let the host seek to and fro over the same number of cylinders, with a pause between.
            Steps faster than 2.5 ms run into each other.
          </p>
          <p>
            <strong>What it cannot tell.</strong> A step that is heard may have missed its cylinder. Only the headers of
            a track say where the heads are.
          </p>
        </template>
      </div>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0 space-y-4">
      <ProblemBand v-if="problem" :problem="problem" />
      <div v-if="!listens && !fromFile" class="rounded-box border-2 border-dashed border-line p-6">
        <p class="mb-1 text-lg"><strong>Put a microphone on the frame,</strong> or open a recording of its sound.</p>
        <p class="hint mb-5">
          Each step makes a click. Clicks are counted and timed, and places where one is missing are shown.
        </p>
        <div class="flex flex-wrap gap-3">
          <button class="btn btn-primary" @click="start"><Mic class="size-4" />Start sound input</button>
          <button class="btn" aria-keyshortcuts="m" @click="choose">
            <FileUp class="size-4" />Open a WAV recording
          </button>
        </div>
      </div>
      <SoundControls
        v-if="listens"
        v-model:listen-for="listenFor"
        :sound="sound"
        :choices="['steps']"
        @start="start"
        @close="close"
      />
      <template v-if="judged">
        <h2 v-if="file" class="section-title">{{ file.name }}</h2>
        <CallBand :call="judged.call" />
        <SoundSeekSounds :judged="judged" />
      </template>
      <p v-else-if="listens" class="hint py-4">Waiting for steps.</p>
      <KeepBand v-if="sending" :sending="sending" @end="cancel" />
      <div v-else-if="listens || fromFile" class="flex flex-wrap gap-3">
        <button class="btn btn-primary" :disabled="!canKeep" @click="keep">
          {{ drive ? 'Save to log' : 'Save to a drive…' }}
        </button>
        <button v-if="!listens" class="btn btn-quiet" @click="close">Close recording</button>
        <NuxtLink v-if="drive" class="btn btn-quiet" :to="`/drives/${drive.id}?station=align`"
          >Back to the drive</NuxtLink
        >
      </div>
    </div>
    <input
      ref="input"
      type="file"
      accept=".wav,audio/wav"
      class="sr-only"
      tabindex="-1"
      aria-label="Recording of sound"
      data-testid="sound-file"
      @change="picked"
    />
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      @close="keepTo = null"
      @kept="id => navigateTo(`/drives/${id}?station=align`)"
    />
  </div>
</template>
