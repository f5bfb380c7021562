<script setup lang="ts">
import { Download } from 'lucide-vue-next'
import { likelyClass } from '@wobrin/core/instruments/interface'
import { layoutsOf, MECHANISMS } from '@wobrin/core/drives'
import { DRIVE_STORIES } from '@wobrin/core/simulator'

useHead({ title: 'Interface lines · Wobrin' })

const worker = useDriveWorker()
const sim = useSimulatedDrive(worker)
const bus = useBusRecording(worker)
const test = useReadTest(worker)
const { state, mechanism, story, seeking, seekCall, wire, wiggled } = sim
const { opened, report, playback, problem, progress, choices } = bus
const steps = computed(() => layoutsOf(mechanism.value).length > 0)
const opener = useTemplateRef('opener')
// Of a recording the playback is drawn first, then the rail.
useTurns()

const busy = computed(() => test.progress.value !== null || seeking.value !== null)
const surface = computed(() => (test.growing.value?.length ? test.growing.value : (test.run.value?.tracks ?? null)))

onMounted(() => sim.power())
watch([mechanism, story], () => {
  if (opened.value) return
  test.run.value = null
  void (steps.value ? sim.power() : sim.off())
})

async function openFile(file: File): Promise<void> {
  await sim.off()
  if (!(await bus.open(file)) && !opened.value) {
    if (steps.value) await sim.power()
  } else if (report.value)
    mechanism.value = likelyClass(report.value.tracks, report.value.speed?.rpm ?? null) ?? mechanism.value
}

function putAway(): void {
  bus.close()
  if (steps.value) void sim.power()
}

async function readAll(): Promise<void> {
  await test.read()
  await sim.follow()
}

useShortcuts({ m: () => opener.value?.choose() })
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end gap-x-6 gap-y-3">
      <div class="grow basis-72">
        <h1 class="text-2xl font-bold">Interface lines</h1>
        <p class="text-muted">
          A drive by its interface lines: drive the simulated one by hand, or play back a recording.
        </p>
      </div>
      <template v-if="!opened">
        <FormField v-slot="{ id }" label="Simulated drive"
          ><select :id="id" v-model="mechanism" class="field w-auto">
            <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
          </select></FormField
        >
        <FormField v-if="steps" v-slot="{ id }" label="Its state"
          ><select :id="id" v-model="story" class="field w-auto max-w-64">
            <option v-for="s in DRIVE_STORIES" :key="s.id" :value="s.id">{{ s.label }}</option>
          </select></FormField
        >
      </template>
      <template v-else>
        <FormField v-slot="{ id }" label="Drive type"
          ><select :id="id" v-model="mechanism" class="field w-auto">
            <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
          </select></FormField
        >
        <button class="btn btn-quiet" @click="putAway">Close recording</button>
      </template>
      <WireOpenBus ref="opener" @file="openFile" />
    </header>

    <ProgressLine v-if="progress" :share="progress.share" :what="progress.what" @end="bus.stop" />
    <ProblemBand v-if="problem" :problem="problem" />

    <template v-if="opened">
      <CallBand v-if="report" :call="report.call" />
      <WireBusDoubts
        v-if="report"
        :doubts="report.doubts"
        :mapping="report.mapping"
        @turn-over="bus.turnOver"
        @map="bus.map"
      />
      <div class="panel p-5">
        <WireBusChannels
          :opened="opened"
          :choices="choices"
          @map="bus.map"
          @turn-over="bus.turnOver"
          @code="code => bus.readAs({ code })"
          @trusted="trusted => bus.readAs({ trusted })"
        />
      </div>
      <div v-if="report && playback" class="grid lg:grid-cols-[1fr_300px] gap-4 items-start">
        <div class="panel p-5 min-w-0">
          <WirePlayback
            :key="opened.fileName"
            :playback="playback"
            :report="report"
            :mechanism="mechanism"
            :stretch="(from, to) => worker().stretch(from, to)"
          />
        </div>
        <div class="panel p-5"><WireTimings :report="report" /></div>
      </div>
      <InTurn>
        <div v-if="report?.hardSectored" class="panel p-5"><WireHardSectors :hard="report.hardSectored" /></div>
        <div v-if="report?.speeds" class="panel p-5"><WireSpeedByCylinder :speeds="report.speeds" /></div>
        <div v-if="report?.tracks.length" class="panel p-5">
          <RailReadRail
            :tracks="report.tracks"
            :mechanism="mechanism"
            :heads="report.tracks.some(t => t.head === 1) ? 2 : 1"
          />
          <p class="mt-2">
            <NuxtLink class="link" to="/instruments/read-test">Read test</NuxtLink> shows each track and its sectors.
          </p>
        </div>
      </InTurn>
    </template>

    <WireQuickDisk v-else-if="mechanism === 'quick-disk'" :worker="worker" />
    <WireCartridgeDrive v-else-if="mechanism === 'cartridge'" />
    <div v-else-if="state" class="grid lg:grid-cols-[290px_1fr] gap-4 items-start">
      <div class="panel p-5">
        <WireHands
          :state="state"
          :wire="wire"
          @set="sim.set"
          @step="sim.step"
          @disk="sim.disk"
          @tab="sim.tab"
          @nudge="sim.nudge"
          @wiggle="sim.wiggle"
        />
        <section class="border-t border-line mt-5 pt-4" aria-label="Tests">
          <h2 class="section-title mb-2">Tests</h2>
          <ProgressLine v-if="busy" :share="test.progress.value ?? seeking ?? 0" what="Test" @end="sim.stop" />
          <div v-else class="grid grid-cols-2 gap-2">
            <button class="btn btn-primary col-span-2" @click="readAll">Read the whole disk</button>
            <button class="btn" @click="sim.seekTest">Seek test</button
            ><button class="btn px-2" @click="sim.recording"><Download class="size-4" />Recording</button>
          </div>
        </section>
      </div>
      <div class="min-w-0 space-y-4">
        <section class="panel px-5 pt-4 pb-3" aria-label="Carriage">
          <WireCarriageRail
            :mechanism="mechanism"
            :cylinder="state.cylinder"
            :heads="state.heads"
            :zero-low="state.lines['track-0'].low"
            :zero-means="state.lines['track-0'].means"
            :selected-head="state.lines.side.low ? 1 : 0"
            :spin="state.spin"
            :disk-in="state.diskIn"
          />
          <p class="text-sm mt-2 min-h-6" role="status" data-testid="now">
            <template v-if="state.reading"
              >The {{ state.lines.side.low ? 'upper' : 'lower' }} head reads {{ state.reading.good }} of
              {{ state.reading.found }} sectors{{
                state.reading.names === null ? '' : `; headers name cylinder ${state.reading.names}`
              }}, {{ Math.max(0, Math.round(state.reading.margin * 100)) }} % timing margin.</template
            >
            <template v-else
              >Nothing is read:
              {{
                state.lines.select.low
                  ? state.lines.motor.low
                    ? 'no disk turns, or nothing is on it'
                    : 'the motor is off'
                  : 'select the drive, and switch its motor on'
              }}.</template
            >
          </p>
        </section>
        <section
          v-if="seekCall || surface || (wiggled && wiggled.spans.length)"
          class="panel p-5 space-y-3"
          aria-label="Results"
        >
          <CallBand v-if="seekCall" :call="seekCall" />
          <CallBand v-if="test.run.value && !busy" :call="test.run.value.call" />
          <RailReadRail
            v-if="surface"
            :tracks="surface"
            :mechanism="mechanism"
            :heads="surface.some(t => t.head === 1) ? 2 : 1"
          />
          <WireWiggleTimeline v-if="wiggled && wiggled.spans.length" :wiggled="wiggled" />
        </section>
        <section class="panel px-5 py-3" aria-label="Lines">
          <WireLineRows :rows="state.lines" :edges="state.recent.edges" :from-s="0" :to-s="3" />
          <p class="hint text-xs mt-1">Traces: the last three seconds. All lines are active low.</p>
        </section>
      </div>
    </div>
  </div>
</template>
