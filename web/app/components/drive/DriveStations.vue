<script setup lang="ts">
import { STATION_IDS, type LogEntry, type StationId } from '@wobrin/core/log'
import { STATIONS, type GateState } from '@wobrin/core/bench/stations'

/** The way through the stations: steps at the left, what the step needs in the middle, the log at the right. */
const { steps, found, photos } = defineProps<{
  steps: DriveSteps
  found: DriveFindings
  photos: DrivePhotos
}>()
const emit = defineEmits<{
  find: [question?: string]
  note: []
  wait: [preset: { what: string; minutes: number } | true]
  photo: [of?: string]
  takeBack: [id?: string]
  pass: [gate: GateState]
  looks: []
  endWait: [entry: LogEntry]
}>()

// Steps first, as they are read first; what stands beside them is drawn after, so that no key waits for all of it.
useTurns()
const store = useDrive()
const attempt = useAttempt()
const { viewed, here, closed, next, step } = steps
const bench = useTemplateRef('bench')

const hold = computed(() => step.value?.hold ?? null)
const endHold = () => {
  if (hold.value?.kind === 'wait') emit('endWait', hold.value.wait.entry)
}
const acknowledge = () =>
  attempt(() =>
    hold.value?.kind === 'caution'
      ? store.add({ kind: 'acknowledged', station: viewed.value, caution: hold.value.caution.id })
      : Promise.resolve(),
  )
const pass = () => {
  if (hold.value?.kind === 'gate') emit('pass', hold.value.gate)
}
const reopenedAt = (id: StationId) => STATIONS.find(s => s.id === id)!.label

useShortcuts({
  ' ': () => {
    if (viewed.value !== 'release') steps.forward()
  },
  PageDown: steps.forward,
  PageUp: steps.back,
  m: async () => {
    // At Speed the instrument has this key itself.
    if (viewed.value === 'speed') return
    await steps.view('speed')
    await nextTick()
    bench.value?.measure()
  },
  ...Object.fromEntries(
    ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-'].map((key, i) => [key, () => steps.view(STATION_IDS[i]!)]),
  ),
})
</script>

<template>
  <div>
    <DriveStationLine
      :progress="store.progress"
      :viewed="viewed"
      :gates="store.way.gates"
      class="mb-4"
      @view="steps.view"
    />
    <div v-if="store.progress.reopenedBy" class="border-l-5 border-nudge bg-nudge-tint px-4 py-3 mb-4" role="status">
      <strong>Opened again.</strong> After it was verified, this was found: {{ store.progress.reopenedBy.title }}. Two
      faults are common; {{ reopenedAt(store.progress.reopenedBy.station) }} and Prove are done again.
    </div>
    <div
      class="grid md:grid-cols-[1fr_15rem] md:grid-rows-[auto_1fr] xl:grid-cols-[262px_1fr_266px] xl:grid-rows-none gap-4 items-start"
    >
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
        <div
          v-if="
            viewed !== 'release' &&
            (found.last.value || (step && (viewed !== 'speed' || step.hold || step.open.length)))
          "
        >
          <FindingBand
            v-if="found.last.value"
            :last="found.last.value"
            @where="found.where"
            @photo="emit('photo', found.last.value!.entry.id)"
            @take-back="emit('takeBack', found.last.value!.entry.id)"
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
            @photo="emit('photo')"
            @note="emit('note')"
            @look="q => emit('find', q)"
            @pass="pass"
            @looks="emit('looks')"
            @acknowledge="acknowledge"
            @over="endHold"
          />
        </div>
        <InTurn>
          <DriveStationBench
            ref="bench"
            :viewed="viewed"
            :closed="closed"
            :photos="photos"
            @photo="emit('photo')"
            @wait="w => emit('wait', w)"
          />
        </InTurn>
      </div>
      <div class="order-3 md:order-none md:col-start-2 xl:col-start-3 xl:row-start-1 self-stretch">
        <InTurn>
          <DriveLog
            class="panel p-4"
            :log="store.log"
            @finding="emit('find')"
            @note="emit('note')"
            @wait="emit('wait', true)"
            @photo="emit('photo')"
            @take-back="id => emit('takeBack', id)"
          />
        </InTurn>
      </div>
    </div>
  </div>
</template>
