<script setup lang="ts">
import { OUTCOMES, type LogEntry, type Outcome, type StationId } from '@wobrin/core/log'
import { speedContextOf } from '@wobrin/core/instruments/spindle'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'

/**
 * What a station needs on its bench: instruments, calculators, sheets and notes; what stands further below is drawn
 * after what is seen first.
 */
const { viewed, photos } = defineProps<{ viewed: StationId; closed: boolean; photos: DrivePhotos }>()
const emit = defineEmits<{ photo: []; wait: [preset: { what: string; minutes: number }] }>()

const store = useDrive()
const workshop = useWorkshop()
const notices = useNotices()
const attempt = useAttempt()
const drive = computed(() => store.drive!)
const book = useAsFound(() => viewed)
const instrument = useTemplateRef('instrument')
const setup = computed<InstrumentSetup>(() => ({
  mechanism: drive.value.mechanism,
  pulleys: drive.value.pulleys ?? undefined,
  context: { ...speedContextOf(drive.value, workshop.settings.speedSchool), readingsBefore: store.history },
}))
const logged = useLoggedSpeed(
  () => store.drive,
  () => store.log,
)
/** Stations where values are read off things without a recording. */
const READ_AT: ReadonlySet<StationId> = new Set(['electronics', 'first-power', 'speed', 'prove'])
const SUMS_AT: ReadonlySet<StationId> = new Set(['drive-train', 'electronics', 'align'])

/** The sizes at the belt's middle, so that the Speed instrument can name what turns at which rate. */
async function keepPulleys(typed: Record<string, string>): Promise<void> {
  await attempt(async () => {
    await store.change({ pulleys: pulleysFrom(typed) })
    notices.done('The Speed instrument now knows the belt and its pulleys.')
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
defineExpose({ measure: () => instrument.value?.measure() })
</script>

<template>
  <DriveReleaseSheet
    v-if="viewed === 'release'"
    :drive="drive"
    :log="store.log"
    :outcome="store.progress.outcome"
    @release="release"
  />
  <template v-else>
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
      @photo="emit('photo')"
      @drop="photos.keep"
      @stop="photos.stop"
    />
    <CleaningAdviser
      v-if="viewed === 'clean'"
      :key="drive.id"
      class="border-t border-line pt-5"
      :found="store.way.findings"
      @wait="(what, minutes) => emit('wait', { what, minutes })"
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
    <InTurn v-if="viewed === 'align'">
      <DriveReadTests class="border-t border-line pt-5" :log="store.log" :drive-id="drive.id" :station="viewed" />
    </InTurn>
    <InTurn v-if="SUMS_AT.has(viewed)" :key="`${drive.id} ${viewed}`">
      <SumBench
        class="border-t border-line pt-5"
        :station="viewed"
        :drive-id="drive.id"
        :mechanism="drive.mechanism"
        :log="store.log"
        :closed="closed"
        @kept="kept"
        @pulleys="keepPulleys"
      />
    </InTurn>
    <InTurn v-if="!closed && READ_AT.has(viewed)" :key="`reading ${drive.id} ${viewed}`">
      <ReadingForm class="border-t border-line pt-5" :station="viewed" :drive="drive" :context="drive" @kept="kept" />
    </InTurn>
    <InTurn v-if="viewed !== 'speed'">
      <DriveStationNotes
        class="border-t border-line pt-5"
        :station="viewed"
        :log="store.log"
        :findings="store.way.findings"
        :gates="store.way.gates"
      />
    </InTurn>
  </template>
</template>
