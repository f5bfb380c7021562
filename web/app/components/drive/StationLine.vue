<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { STATIONS, type GateId, type GateState, type Progress } from '@wobrin/core/bench/stations'
import type { StationId } from '@wobrin/core/log'

const { progress, viewed, gates } = defineProps<{
  progress: Progress
  viewed: StationId
  gates: readonly GateState[]
}>()
const emit = defineEmits<{ view: [StationId] }>()

/** Gates that something found keeps closed stand before their station. */
const AT: Partial<Record<GateId, StationId>> = {
  'first-power': 'first-power',
  'insert-disk': 'speed',
  'insert-good-disk': 'prove',
}
const shut = (id: StationId) =>
  progress.done.has(id) ? undefined : gates.find(g => AT[g.gate.id] === id && g.forbiddenHere)

/** On a narrow screen the line is longer than the page: bring the station in view into sight. */
const line = useTemplateRef('line')
function show(): void {
  const box = line.value
  const at = box?.querySelector<HTMLElement>('[aria-current]')
  if (box && at)
    box.scrollLeft = at.offsetLeft + at.parentElement!.offsetLeft + at.offsetWidth / 2 - box.clientWidth / 2
}
// Once it has its size: to ask for that any earlier makes the browser lay out the page in between.
useResizeObserver(line, show)
watch(
  () => viewed,
  () => nextTick(show),
)
</script>

<template>
  <nav ref="line" aria-label="Stations" class="overflow-x-auto">
    <ol class="grid grid-cols-11 min-w-[740px] relative">
      <li v-for="(station, i) in STATIONS" :key="station.id" class="relative">
        <span
          v-if="i > 0"
          class="absolute top-[21px] right-1/2 w-full h-0.5"
          :class="progress.done.has(STATIONS[i - 1]!.id) ? 'bg-ink h-[3px]' : 'bg-line'"
          aria-hidden="true"
        />
        <GateBar
          v-if="shut(station.id)"
          class="absolute -left-1 top-[9px] z-20"
          :title="shut(station.id)!.missing[0]!.sentence"
        />
        <button
          class="relative z-10 w-full min-h-11 flex flex-col items-center pt-2.5 pb-1 gap-1 text-xs lg:text-sm whitespace-nowrap"
          :class="viewed === station.id ? 'font-bold' : 'text-muted hover:text-ink'"
          :aria-current="viewed === station.id ? 'step' : undefined"
          :title="station.purpose"
          @click="emit('view', station.id)"
        >
          <span class="grid place-items-center size-6">
            <span
              class="block rounded-full"
              :class="[
                progress.done.has(station.id)
                  ? 'bg-ink size-3'
                  : progress.current === station.id && !progress.outcome
                    ? 'bg-ink rounded-[4px]! size-6'
                    : 'bg-paper border-[1.6px] border-muted size-3',
              ]"
            >
              <svg
                v-if="progress.current === station.id && !progress.outcome && !progress.done.has(station.id)"
                viewBox="0 0 24 24"
                aria-hidden="true"
              >
                <path d="M7 12h10M12 7v10" stroke="var(--panel)" stroke-width="2.2" />
              </svg>
            </span>
          </span>
          <span class="border-b-2" :class="viewed === station.id ? 'border-ink' : 'border-transparent'">{{
            station.label
          }}</span>
          <span class="sr-only"
            >{{ progress.done.has(station.id) ? ', finished' : progress.current === station.id ? ', here now' : ''
            }}{{ shut(station.id) ? `, safety gate closed: ${shut(station.id)!.missing[0]!.sentence}` : '' }}</span
          >
        </button>
      </li>
    </ol>
  </nav>
</template>
