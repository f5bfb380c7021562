<script setup lang="ts">
import { Download, Pause, Play, SkipBack } from 'lucide-vue-next'
import { useIntervalFn } from '@vueuse/core'
import { isLow, LINE_NAMES, STATUS_LINES, type BusReport, type LineName } from '@wobrin/core/instruments/interface'
import type { MechanismId } from '@wobrin/core/drives'
import type { Playback } from '~/workers/drive.worker'
import type { LineRow } from './LineRows.vue'

/** A recording played back: the lines and the carriage as they were at a time. */
const { playback, report, mechanism, stretch } = defineProps<{
  playback: Playback
  report: BusReport
  mechanism: MechanismId
  stretch: (fromS: number, toS: number) => Promise<Blob>
}>()
const at = ref(0)
const SPAN = 3
const pace = ref(1)
const { pause, resume, isActive } = useIntervalFn(
  () => {
    at.value = Math.min(playback.durationS, at.value + 0.05 * pace.value)
    if (at.value >= playback.durationS) pause()
  },
  50,
  { immediate: false },
)

const selected = computed(() => !playback.lines.select || isLow(playback.lines.select, at.value))
const cylinder = computed(() => {
  const before = report.path.moves.filter(m => m.at <= at.value).at(-1)
  return before ? before.cylinder : (report.path.stays[0]?.cylinder ?? null)
})
const lowOf = (line: LineName) => playback.lines[line] !== undefined && isLow(playback.lines[line]!, at.value)

function why(line: LineName, low: boolean): string {
  const words: Record<LineName, readonly [string, string]> = {
    select: ['The host speaks to no drive.', 'The host speaks to this drive.'],
    motor: ['Motor off.', 'The host wants the motor on.'],
    direction: ['A step would move outward.', 'A step would move inward.'],
    step: ['No step just now.', 'A step is asked for.'],
    side: ['Lower head.', 'Upper head.'],
    'write-gate': ['The host reads.', 'The host writes.'],
    index: ['The index is elsewhere.', 'The index is at its sensor.'],
    'track-0': [
      `Not at track zero${cylinder.value === null ? '' : `: cylinder ${cylinder.value} by the step count`}.`,
      `At track zero${cylinder.value ? `, though the step count says cylinder ${cylinder.value}` : ''}.`,
    ],
    'write-protect': ['The disk may be written.', 'The disk is protected.'],
    ready: ['Not at speed, or no disk.', 'A disk turns near its speed.'],
    'disk-change': ['No change since the last step.', 'The disk was changed; a step clears it.'],
    'read-data': ['', ''],
  }
  if (line === 'track-0' && moving.value) return 'The carriage is on its way.'
  return words[line][low ? 1 : 0]
}
const rows = computed(() =>
  Object.fromEntries(
    LINE_NAMES.filter(l => playback.lines[l]).map((line): [LineName, LineRow] => {
      const low = lowOf(line)
      const means =
        selected.value ||
        !(
          (STATUS_LINES as readonly LineName[]).includes(line) ||
          line === 'step' ||
          line === 'direction' ||
          line === 'side'
        )
      return [line, { low, means, why: means ? why(line, low) : 'Not valid: the drive is not selected.' }]
    }),
  ),
)
const fromS = computed(() => Math.max(0, Math.min(at.value - SPAN * 0.75, playback.durationS - SPAN)))
const reading = computed(
  () =>
    report.tracks.find(
      t =>
        at.value >= t.fromS && at.value <= t.toS && t.head === (lowOf('side') ? 1 : 0) && t.cylinder === cylinder.value,
    ) ?? null,
)
const save = async () =>
  saveBlob('stretch.vcd', await stretch(fromS.value, Math.min(playback.durationS, fromS.value + SPAN)))
/** Where each seek has ended and the carriage is still. */
const SETTLED_S = 0.02
const steps = computed(() => report.path.seeks.map(s => s.toS + SETTLED_S))
const moving = computed(() => report.path.moves.some(m => m.at <= at.value && at.value - m.at < SETTLED_S * 0.75))
const jump = (way: 1 | -1) => {
  const to = way === 1 ? steps.value.find(t => t > at.value + 1e-3) : steps.value.findLast(t => t < at.value - 1e-3)
  at.value = to ?? (way === 1 ? playback.durationS : 0)
}
</script>

<template>
  <section aria-label="Playback" class="space-y-3">
    <WireCarriageRail
      :mechanism="mechanism"
      :cylinder="cylinder"
      :zero-low="lowOf('track-0')"
      :zero-means="selected"
      :selected-head="lowOf('side') ? 1 : 0"
      :spin="lowOf('motor') || !playback.lines.motor ? 1 : 0"
    />
    <div class="flex flex-wrap items-center gap-3">
      <button class="btn" @click="isActive ? pause() : resume()">
        <component :is="isActive ? Pause : Play" class="size-4" />{{ isActive ? 'Pause' : 'Play' }}
      </button>
      <button class="btn px-3" aria-label="Back to the beginning" @click="at = 0"><SkipBack class="size-4" /></button>
      <label class="flex items-center gap-2 text-sm"
        >pace<select v-model.number="pace" class="field w-auto">
          <option :value="0.1">1/10</option>
          <option :value="1">as it was</option>
          <option :value="5">5 times</option>
        </select></label
      >
      <input
        v-model.number="at"
        type="range"
        min="0"
        :max="playback.durationS"
        step="0.001"
        class="grow basis-60 accent-leave h-11"
        aria-label="Time in the recording"
      />
      <span class="text-sm w-28 text-right">{{ at.toFixed(3) }} s</span>
    </div>
    <div class="flex flex-wrap gap-3 items-center text-sm">
      <button class="btn" @click="jump(-1)">Seek before</button><button class="btn" @click="jump(1)">Seek after</button
      ><button class="btn" @click="save"><Download class="size-4" />Save 3 s as VCD</button
      ><span v-if="reading"
        >Cylinder {{ reading.cylinder }}, {{ reading.head ? 'upper' : 'lower' }}:
        {{ reading.sectors.filter(s => s.state === 'good').length }} of {{ reading.sectors.length }} sectors good,
        {{ reading.margin === null ? 'no margin' : `${Math.round(reading.margin * 100)} % margin` }}</span
      >
    </div>
    <WireLineRows :rows="rows" :edges="playback.lines" :from-s="fromS" :to-s="fromS + SPAN" />
  </section>
</template>
