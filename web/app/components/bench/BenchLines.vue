<script setup lang="ts">
import { CALLS } from '@wobrin/core/base/observations'
import { STATIONS, type GateId } from '@wobrin/core/bench/stations'
import { findMechanism } from '@wobrin/core/drives'
import { RUNGS } from '@wobrin/core/proof'
import type { BenchLine } from '../../../shared/bench'

const { lines } = defineProps<{ lines: readonly BenchLine[] }>()

/** Share of the way at which a station stands: eleven columns, each at its middle. */
const at = (index: number) => `${((index + 0.5) / STATIONS.length) * 100}%`
const indexOf = (line: BenchLine) => STATIONS.findIndex(s => s.id === line.current)
/** Towards the right edge there is no room behind the tag, so its call stands in front. */
const late = (line: BenchLine) => indexOf(line) > 8
const TAG_POINT = 12
const TAG_WIDTH = 77

function place(line: BenchLine): Record<string, string> {
  const station = at(indexOf(line))
  return late(line)
    ? { right: `calc(100% - ${station} - ${TAG_WIDTH - TAG_POINT}px)` }
    : { left: `calc(${station} - ${TAG_POINT}px)` }
}
/** Gates that something found keeps closed, each before its station; a row of them says nothing more than the first. */
const GATE_AT: Partial<Record<GateId, string>> = {
  'first-power': 'first-power',
  'insert-disk': 'speed',
  'insert-good-disk': 'prove',
}
const shut = (line: BenchLine) =>
  line.closed.find(g => GATE_AT[g.gate] && !line.done.includes(GATE_AT[g.gate] as never))
const gateAt = (line: BenchLine) => at(STATIONS.findIndex(s => s.id === GATE_AT[shut(line)!.gate]) - 0.5)
const name = (line: BenchLine) => [line.drive.maker, line.drive.model].filter(Boolean).join(' ')
</script>

<template>
  <div class="overflow-x-auto -mx-2 px-2">
    <div class="min-w-[900px]">
      <div class="grid grid-cols-[13rem_1fr_10.75rem] items-end">
        <slot />
        <div class="relative h-7 text-xs text-muted" aria-hidden="true">
          <span
            v-for="(s, i) in STATIONS"
            :key="s.id"
            class="absolute -translate-x-1/2 whitespace-nowrap"
            :style="{ left: at(i) }"
            >{{ s.label }}</span
          >
        </div>
        <p class="text-xs text-muted text-right pb-1">To its goal</p>
      </div>
      <ul>
        <li v-for="line in lines" :key="line.drive.id">
          <NuxtLink
            :to="`/drives/${line.drive.id}`"
            class="grid grid-cols-[13rem_1fr_10.75rem] items-center h-[46px] rounded-box group hover:bg-tint -mx-2 px-2"
          >
            <span class="leading-tight min-w-0 pr-3">
              <span class="block font-bold text-sm truncate">{{ findMechanism(line.drive.mechanism).label }}</span>
              <span class="block text-xs text-muted truncate">{{ name(line) || 'maker not known' }}</span>
            </span>
            <span class="relative h-full block">
              <span
                class="absolute top-1/2 h-px bg-line"
                :style="{ left: at(0), right: `calc(100% - ${at(10)})` }"
                aria-hidden="true"
              />
              <span
                class="absolute top-1/2 h-[3px] -mt-px bg-ink"
                :style="{ left: at(0), width: `${(indexOf(line) / STATIONS.length) * 100}%` }"
                aria-hidden="true"
              />
              <span
                v-for="(s, i) in STATIONS"
                :key="s.id"
                class="absolute top-1/2 -translate-1/2 rounded-full size-2.5"
                aria-hidden="true"
                :class="i < indexOf(line) ? 'bg-ink' : 'bg-panel border-[1.5px] border-muted/70'"
                :style="{ left: at(i) }"
              />
              <GateBar v-if="shut(line)" class="absolute top-1/2 -translate-1/2" :style="{ left: gateAt(line) }" />
              <span
                class="absolute top-1/2 -translate-y-1/2 bg-panel group-hover:bg-tint flex items-center gap-2.5"
                :class="late(line) ? ['flex-row-reverse', line.call && 'pl-2'] : 'pr-2'"
                :style="place(line)"
              >
                <DriveTag :tag="line.drive.tag" />
                <CallMark v-if="line.call" :kind="line.call" decorative />
                <span v-if="line.call && line.call !== 'leave'" class="text-sm whitespace-nowrap">{{
                  CALLS[line.call].label
                }}</span>
                <span class="sr-only"
                  >at {{ STATIONS[indexOf(line)]?.label }}{{ line.call === 'leave' ? ', leave it' : ''
                  }}{{ shut(line) ? `; closed: ${shut(line)!.label.toLowerCase()}. ${shut(line)!.reason}` : '' }}</span
                >
              </span>
            </span>
            <span class="text-right leading-tight pl-3 min-w-0">
              <span class="block text-sm font-bold">{{ duration(line.minutesToGo) }}</span>
              <span class="block text-xs text-muted truncate" :title="RUNGS[line.goal].title">{{
                RUNGS[line.goal].title
              }}</span>
            </span>
          </NuxtLink>
        </li>
      </ul>
    </div>
  </div>
</template>
