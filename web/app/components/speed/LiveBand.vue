<script setup lang="ts">
import { Activity, Maximize2, Volume2, VolumeX, X } from 'lucide-vue-next'
import { CALLS } from '@wobrin/core/base/observations'
import { speedContextOf, speedUncertainty, toneBand } from '@wobrin/core/instruments/spindle'
import type { DriveNews } from '../../../shared/live'

const { closed } = defineProps<{ closed: boolean }>()

const store = useDrive()
const workshop = useWorkshop()
const notices = useNotices()
const drive = computed(() => store.drive!)
const context = computed(() => ({
  ...speedContextOf(drive.value, workshop.settings.speedSchool),
  readingsBefore: store.history,
}))
const { last, reading, take, clear } = useLiveSignal(
  () => context.value,
  () => drive.value.pulleys ?? undefined,
)
useDriveNews(drive.value.id, (news: DriveNews) => {
  if (news.kind === 'log') void store.refresh().catch(() => {})
  else take(news)
})

const tone = useTone(
  () => workshop.settings.tone.volume,
  () => workshop.settings.tone.octaveShare,
)
const across = ref(false)
const measurement = computed(() => reading.value?.judged.measurement ?? null)
const verdict = computed(() => reading.value?.judged.verdict ?? null)
const rpm = computed(() => reading.value?.nowRpm ?? measurement.value?.rpm.mean ?? null)
const half = computed(() => (measurement.value ? speedUncertainty(measurement.value) : null))
watch([rpm, verdict, tone.on], () => {
  const v = verdict.value
  if (!v) return
  tone.follow(last.value?.ended ? null : rpm.value, v.nominalRpm, toneBand(v))
})

const asking = ref(false)
/** Asks the program that sends it; the entry comes back by the log. */
async function keep(): Promise<void> {
  if (closed || asking.value || last.value?.ended || !measurement.value) return
  asking.value = true
  const before = store.log.length
  try {
    await $fetch(`/api/drives/${drive.value.id}/live/keep`, { method: 'POST' })
    await until(() => store.log.length > before)
    notices.done('On the log, with its recording.')
  } catch (error) {
    notices.problem(problemText(error))
  } finally {
    asking.value = false
  }
}
const WAITED_MS = 20_000
async function until(done: () => boolean): Promise<void> {
  const end = Date.now() + WAITED_MS
  while (!done()) {
    if (Date.now() > end) throw new Error('The program that measures did not save it. Look at its terminal.')
    await new Promise(resolve => setTimeout(resolve, 200))
  }
}

// A speed that is measured no more is not shown large.
watch(
  () => last.value?.ended,
  ended => {
    if (ended) across.value = false
  },
)
const openAcross = () => {
  across.value = last.value?.ended === false && !across.value
}
useShortcuts({ l: openAcross, k: () => void keep() })
</script>

<template>
  <section v-if="last" aria-label="Live signal" class="panel p-4 mb-4" data-testid="live">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-3">
      <p class="flex items-center gap-2 text-sm">
        <Activity class="size-5 text-leave" aria-hidden="true" />
        <strong>{{ last.ended ? 'Signal ended' : 'Live signal' }}</strong>
        <span class="hint">{{ last.channel }}<template v-if="last.simulated">, simulated</template></span>
      </p>
      <p class="flex items-baseline gap-2" data-testid="live-rpm">
        <span class="text-4xl leading-none font-bold">{{ rpm === null ? '–' : rpm.toFixed(1) }}</span>
        <span class="text-muted">r/min</span>
      </p>
      <p v-if="measurement" class="hint">
        mean {{ measurement.rpm.mean.toFixed(2)
        }}<template v-if="half !== null"> ± {{ half.toFixed(2) }}</template> r/min over
        {{ measurement.revolutions }} revolutions
      </p>
      <div class="flex flex-wrap gap-2 ml-auto">
        <button v-if="!last.ended" class="btn" aria-keyshortcuts="l" @click="openAcross">
          <Maximize2 class="size-4" />Across the bench
        </button>
        <button v-if="!last.ended" class="btn" :aria-pressed="tone.on.value" @click="tone.toggle">
          <component :is="tone.on.value ? Volume2 : VolumeX" class="size-4" />By ear
        </button>
        <button
          v-if="!last.ended"
          class="btn btn-primary"
          aria-keyshortcuts="k"
          :disabled="closed || asking || !measurement"
          @click="keep"
        >
          Save to log <kbd>K</kbd>
        </button>
        <button v-else class="btn" @click="clear"><X class="size-4" />Close signal</button>
      </div>
    </div>
    <p v-if="verdict" class="mt-3 flex items-center gap-3">
      <CallMark :kind="verdict.kind" :size="28" decorative />
      <span
        ><strong>{{ CALLS[verdict.kind].label }}.</strong> {{ verdict.reasons[0] }} {{ verdict.next }}</span
      >
    </p>
    <p v-else-if="!last.ended" class="hint mt-3">Waiting for the first pulses.</p>
    <p v-if="last.ended && last.problem" class="mt-2 text-sm">{{ last.problem }}</p>
    <SpeedAcrossBench
      :shown="across"
      :measurement="measurement"
      :verdict="verdict"
      :now-rpm="reading?.nowRpm ?? null"
      @close="across = false"
      @keep="keep"
    />
  </section>
</template>
