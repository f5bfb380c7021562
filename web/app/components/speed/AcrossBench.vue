<script setup lang="ts">
import { Dialog, DialogPanel } from '@headlessui/vue'
import { MoveLeft, MoveRight } from 'lucide-vue-next'
import { CALLS } from '@wobrin/core/base/observations'
import type { SpeedMeasurement, SpeedVerdict } from '@wobrin/core/instruments/spindle'
import type { SpeedReading } from '~/composables/useSpeedInstrument'

const { verdict, measurement, reading, nowRpm } = defineProps<{
  shown: boolean
  measurement: SpeedMeasurement | null
  verdict: SpeedVerdict | null
  /** The speed as the log has it. */
  reading?: SpeedReading
  nowRpm: number | null
}>()
const emit = defineEmits<{ close: []; keep: [] }>()

const rpm = computed(() => nowRpm ?? measurement?.rpm.mean ?? reading?.rpm ?? null)
const off = computed(() => (rpm.value === null || !verdict ? null : rpm.value - verdict.nominalRpm))
/** The way to turn, once the trimmer is known. */
const turn = computed(() => /to the (left|right), then/.exec(verdict?.next ?? '')?.[1] as 'left' | 'right' | undefined)

/** Places on the scale across the screen, in % of its width. */
const scale = computed(() => {
  const v = verdict
  if (!v?.wide || !v.narrow || rpm.value === null) return null
  const half = Math.max(1.6 * (v.wide.high - v.wide.low), 1.15 * Math.abs(rpm.value - v.nominalRpm))
  const at = (x: number) => 50 + (50 * (x - v.nominalRpm)) / half
  return {
    wide: [at(v.wide.low), at(v.wide.high)] as const,
    narrow: [at(v.narrow.low), at(v.narrow.high)] as const,
    now: at(rpm.value),
  }
})

function key(event: KeyboardEvent): void {
  if (['a', 'A', 'l', 'L', 'PageUp'].includes(event.key)) emit('close')
  else if (event.key === 'PageDown') emit('keep')
  else return
  event.preventDefault()
}
</script>

<template>
  <Dialog :open="shown" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-panel text-ink" @keydown="key">
      <DialogPanel class="size-full flex flex-col p-[3vmin] overflow-hidden" data-testid="across">
        <div v-if="verdict" class="flex items-center gap-[3vmin]">
          <CallMark :kind="verdict.kind" :size="96" class="size-[13vmin]!" decorative />
          <p class="text-[12vmin] leading-none font-bold">{{ CALLS[verdict.kind].label }}</p>
        </div>
        <div class="grow flex flex-col justify-center min-h-0">
          <p class="text-[28vmin] leading-[0.9] font-bold whitespace-nowrap">
            {{ rpm === null ? '–' : rpm.toFixed(1) }}
          </p>
          <p class="text-[6vmin] text-muted mt-[2vmin]">
            r/min<template v-if="off !== null"> · {{ signed(off, 1) }} from {{ verdict!.nominalRpm }}</template>
          </p>
        </div>
        <div v-if="scale" class="relative h-[10vmin] mb-[4vmin] border-b-[0.6vmin] border-ink" aria-hidden="true">
          <div
            class="absolute bottom-0 h-[5vmin] bg-band-wide"
            :style="{ left: `${scale.wide[0]}%`, width: `${scale.wide[1] - scale.wide[0]}%` }"
          />
          <div
            class="absolute bottom-0 h-[5vmin] bg-band-narrow"
            :style="{ left: `${scale.narrow[0]}%`, width: `${scale.narrow[1] - scale.narrow[0]}%` }"
          />
          <svg
            class="absolute bottom-0 h-[10vmin] w-[6vmin] -translate-x-1/2"
            viewBox="0 0 60 100"
            :style="{ left: `${scale.now}%` }"
          >
            <path d="M0 0h60L30 48z" fill="currentColor" />
            <path d="M30 40v60" stroke="currentColor" stroke-width="6" />
          </svg>
        </div>
        <div class="flex items-end justify-between gap-6">
          <p class="text-[4.4vmin] leading-tight font-bold max-w-[72%] flex items-center gap-[3vmin]">
            <MoveLeft v-if="turn === 'left'" class="size-[11vmin] shrink-0" aria-hidden="true" /><MoveRight
              v-if="turn === 'right'"
              class="size-[11vmin] shrink-0"
              aria-hidden="true"
            />
            {{ verdict?.next ?? 'Waiting for pulses.' }}
          </p>
          <div class="flex flex-col gap-3 shrink-0">
            <button class="btn btn-primary" @click="emit('keep')">Save to log <kbd>Page Down</kbd></button>
            <button class="btn" @click="emit('close')">Back <kbd>Page Up</kbd></button>
          </div>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
