<script setup lang="ts">
import { Volume2, VolumeX } from 'lucide-vue-next'
import { CALLS } from '@wobrin/core/base/observations'
import { speedContextOf, speedUncertainty, toneBand } from '@wobrin/core/instruments/spindle'
import { lastSpeed, standingEntries } from '@wobrin/core/log'
import type { DriveNews } from '../../../shared/live'

/** The speed as large as the screen allows: of a signal that comes just now, else the latest on the log. */
const store = useDrive()
const workshop = useWorkshop()
const drive = computed(() => store.drive!)
const { last, reading, take } = useLiveSignal(
  () => ({ ...speedContextOf(drive.value, workshop.settings.speedSchool), readingsBefore: store.history }),
  () => drive.value.pulleys ?? undefined,
)
useDriveNews(drive.value.id, (news: DriveNews) => {
  if (news.kind === 'log') void store.refresh().catch(() => {})
  else take(news)
})
const live = computed(() => last.value !== null && !last.value.ended)
const measurement = computed(() => reading.value?.judged.measurement ?? null)
const logged = computed(() => lastSpeed(standingEntries(store.log)))
const rpm = computed(() => (live.value ? (reading.value?.nowRpm ?? measurement.value?.rpm.mean ?? null) : null))
const shown = computed(() => rpm.value ?? logged.value?.rpm ?? null)
const half = computed(() =>
  live.value ? measurement.value && speedUncertainty(measurement.value) : (logged.value?.uncertainty ?? null),
)
const places = computed(() => Math.max(1, decimals(half.value)))
const verdict = computed(() => (live.value ? (reading.value?.judged.verdict ?? null) : null))
const call = computed(() => verdict.value ?? logged.value?.entry.call ?? null)

const tone = useTone(
  () => workshop.settings.tone.volume,
  () => workshop.settings.tone.octaveShare,
)
watch([rpm, verdict, tone.on], () => {
  const v = verdict.value
  tone.follow(v ? rpm.value : null, v?.nominalRpm ?? 1, v ? toneBand(v) : 1)
})
</script>

<template>
  <section v-if="shown !== null" aria-label="Speed" class="panel px-4 py-3" data-testid="hand-speed">
    <div class="flex items-center gap-3">
      <CallMark v-if="call" :kind="call.kind" :size="30" decorative />
      <p class="grow leading-none">
        <span class="text-5xl font-bold">{{ shown.toFixed(places) }}</span>
        <span class="text-muted text-sm ml-2"
          ><template v-if="half !== null">± {{ half.toFixed(places) }}</template> r/min</span
        >
        <span class="block mt-1.5 text-sm"
          ><strong v-if="call">{{ CALLS[call.kind].label }}</strong
          ><span class="text-muted"> · {{ live ? 'now' : 'latest on the log' }}</span></span
        >
      </p>
      <button
        v-if="live"
        class="btn size-16 p-0! justify-center"
        :aria-pressed="tone.on.value"
        aria-label="By ear"
        @click="tone.toggle"
      >
        <component :is="tone.on.value ? Volume2 : VolumeX" class="size-7" />
      </button>
    </div>
    <p v-if="live && verdict" class="text-sm mt-2">{{ verdict.next }}</p>
  </section>
</template>
