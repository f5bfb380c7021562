<script setup lang="ts">
import { Download, Maximize2, Volume2, VolumeX } from 'lucide-vue-next'
import { trimmerHistory } from '@wobrin/core/instruments/spindle'
import type { LogEntry } from '@wobrin/core/log'
import type { InstrumentSetup, Shown } from '~/composables/useSpeedInstrument'

const {
  setup,
  driveId = null,
  logged = null,
  log = [],
} = defineProps<{
  setup: InstrumentSetup
  driveId?: string | null
  /** Latest reading on the log, read again from its recording. */
  logged?: Omit<Shown, 'from'> | null
  log?: readonly LogEntry[]
}>()
const emit = defineEmits<{ kept: [LogEntry]; keep: [keepTo: (driveId: string) => Promise<void>] }>()

const notices = useNotices()
const across = ref(false)
const chooser = useTemplateRef('chooser')
const {
  shown,
  nowRpm,
  file,
  live,
  sound,
  listening,
  listens,
  tone,
  sending,
  cancelSending,
  movedTurns,
  openFile,
  startPickup,
  startSound,
  clear,
  keep,
  saveRecording,
} = useSpeedInstrument(
  () => setup,
  () => logged,
)
const { judged, opened, problem, unrated, progress, choices } = file
const { running, reading, scenario, movedTurns: liveMoved } = live

const readings = computed(() => trimmerHistory(log))
const earlier = computed(() => {
  const own = earlierReadings(log)
  return shown.value?.from === 'log' ? own.slice(1) : own
})
const { problem: soundProblem } = sound
const fresh = computed(() => running.value || listens.value || judged.value !== null)
const measured = computed(() => (shown.value?.measurement ?? shown.value?.reading) != null)
const canKeep = computed(() => fresh.value && measured.value && !sending.value)

async function keepTo(id: string): Promise<void> {
  try {
    const entry = await keep(id)
    if (!entry) return
    notices.done('On the log, with its recording.')
    emit('kept', entry)
  } catch (error) {
    if (!(error instanceof Stopped)) notices.problem(problemText(error))
  }
}

function keepReading(): void {
  if (!canKeep.value) return
  if (driveId) void keepTo(driveId)
  else {
    across.value = false
    emit('keep', keepTo)
  }
}

const measure = () => chooser.value?.choose()
const toggleAcross = () => {
  across.value = shown.value !== null && !across.value
}
useShortcuts({ a: toggleAcross, e: tone.toggle, m: measure })
defineExpose({ measure })
</script>

<template>
  <section aria-label="Speed instrument" class="space-y-4">
    <header class="flex items-start justify-between gap-4 flex-wrap">
      <h2 class="section-title">
        Spindle speed<span v-if="shown?.from === 'log'" class="font-normal"> · latest on the log</span
        ><span v-if="opened && judged" class="font-normal">
          · {{ opened.fileName }}, {{ opened.durationS.toFixed(1) }} s</span
        >
      </h2>
      <div v-if="shown" class="flex gap-2">
        <button class="btn" aria-keyshortcuts="a" @click="toggleAcross">
          <Maximize2 class="size-4" />Across the bench
        </button>
        <button class="btn" :aria-pressed="tone.on.value" aria-keyshortcuts="e" @click="tone.toggle">
          <component :is="tone.on.value ? Volume2 : VolumeX" class="size-4" />By ear
        </button>
      </div>
    </header>

    <SpeedSourceChooser
      v-show="!fresh && progress === null"
      ref="chooser"
      :compact="shown !== null"
      :drive-id="driveId"
      @file="openFile"
      @pickup="startPickup"
      @sound="startSound"
    />
    <SpeedLiveControls
      v-if="running"
      v-model:scenario="scenario"
      :seconds="reading?.timeS ?? 0"
      :moved="liveMoved"
      @turn="live.turnTrimmer"
      @restart="startPickup"
    />
    <ProblemBand v-if="soundProblem" :problem="soundProblem" />
    <SoundControls
      v-if="listens"
      v-model:listen-for="listening.for"
      :sound="sound"
      :choices="['marks', 'rub', 'tone']"
      @start="startSound"
      @close="clear"
    >
      <FormField v-if="listening.for === 'tone'" v-slot="{ id }" label="Times in a revolution" class="max-w-64">
        <input :id="id" v-model.number="listening.perRevolution" class="field" type="number" min="1" max="1000" />
      </FormField>
    </SoundControls>
    <SpeedReadout
      v-if="shown"
      :measurement="shown.measurement"
      :verdict="shown.verdict"
      :reading="shown.reading"
      :mechanism="setup.mechanism"
      :now-rpm="nowRpm"
      :earlier="earlier"
    >
      <KeepBand v-if="sending" :sending="sending" @end="cancelSending" />
      <div v-else-if="fresh" class="flex flex-wrap items-end justify-between gap-3">
        <SpeedTrimmerMove v-if="readings.length && !running" v-model="movedTurns" />
        <div class="flex flex-wrap gap-3">
          <button class="btn btn-primary" :disabled="!canKeep" @click="keepReading">
            {{ driveId ? 'Save to log' : 'Save to a drive…' }}
          </button>
          <button v-if="running" class="btn" @click="saveRecording"><Download class="size-4" />Save as VCD</button>
          <button v-if="!listens" class="btn btn-quiet" @click="clear">
            {{ running ? 'End simulation' : 'Close recording' }}
          </button>
        </div>
      </div>
    </SpeedReadout>
    <p v-else-if="running || listens" class="hint py-6">Waiting for the first pulses.</p>
    <SpeedExample v-else-if="driveId === null && progress === null && !problem" :setup="setup" />

    <ProgressLine
      v-if="progress !== null"
      :share="progress"
      what="Reading the recording"
      end="Stop reading"
      @end="file.stop"
    />
    <ProblemBand v-if="problem" :problem="problem">
      <form v-if="unrated" class="flex items-end gap-3 mt-3" @submit.prevent="openFile(unrated)">
        <label
          ><span class="field-label">Samples a second</span
          ><input v-model.number="choices.sampleRateHz" class="field" type="number" min="1" required
        /></label>
        <button class="btn">Read it so</button>
      </form>
    </ProblemBand>

    <div v-if="fresh && !running && opened" class="space-y-3 border-t border-line pt-4">
      <SpeedCaptureOptions v-model="choices" :opened="opened" />
      <ul v-if="opened.notices.length" class="hint list-disc pl-5">
        <li v-for="n in opened.notices" :key="n">{{ n }}</li>
      </ul>
    </div>
    <SpeedAcrossBench
      :shown="across"
      :measurement="shown?.measurement ?? null"
      :reading="shown?.reading"
      :verdict="shown?.verdict ?? null"
      :now-rpm="nowRpm"
      @close="across = false"
      @keep="keepReading"
    />
  </section>
</template>
