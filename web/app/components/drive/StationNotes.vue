<script setup lang="ts">
import { findQuestion, meaning, type StandingFinding } from '@wobrin/core/findings'
import { STATION_IDS, standingEntries, type LogEntry, type StationId } from '@wobrin/core/log'
import { findStation, type GateState } from '@wobrin/core/bench/stations'

/** What is known when the hands come to a station: findings that matter, and notes, those made here first. */
const { station, log, findings, gates } = defineProps<{
  station: StationId
  log: readonly LogEntry[]
  findings: readonly StandingFinding[]
  gates: readonly GateState[]
}>()

const GRAVITY = ['stop', 'mend', 'nudge', 'unknown'] as const
const grave = computed(() => GRAVITY.flatMap(k => findings.filter(f => f.finding.call === k)))
const fine = computed(() => findings.filter(f => f.finding.call === 'leave').length)
/** The gate that comes next, with what it still needs. */
const ahead = computed(() => gates.find(g => !g.open && g.gate.id !== 'touch-sealed') ?? null)
const words = computed(() =>
  standingEntries(log)
    .filter(e => e.kind === 'note' || (e.kind === 'received' && e.detail))
    .reverse(),
)
const groups = computed(() => {
  const here = words.value.filter(e => e.station === station)
  const before = words.value.filter(e => STATION_IDS.indexOf(e.station) < STATION_IDS.indexOf(station))
  return [
    { heading: 'Noted here', entries: here },
    { heading: 'Noted before', entries: before },
  ].filter(g => g.entries.length)
})
</script>

<template>
  <section
    v-if="grave.length || fine || groups.length || ahead"
    aria-label="What is known"
    class="grid gap-x-8 gap-y-6 sm:grid-cols-2"
  >
    <div v-if="grave.length || fine" class="min-w-0">
      <h3 class="section-title mb-2">Found so far</h3>
      <ul class="space-y-2.5">
        <li v-for="f in grave" :key="f.entry.id" class="flex gap-2.5">
          <CallMark :kind="f.finding.call" :size="16" class="mt-1" /><span class="min-w-0"
            ><strong class="font-bold">{{ f.entry.title }}</strong
            ><span class="hint block">{{ meaning(f.finding, f.place) }}</span></span
          >
        </li>
        <li v-if="fine" class="flex gap-2.5 hint">
          <CallMark kind="leave" :size="16" class="mt-0.5" />{{ fine }} other
          {{ fine === 1 ? 'thing' : 'things' }} looked at and found good
        </li>
      </ul>
    </div>
    <div class="min-w-0">
      <div v-if="ahead" class="mb-6" data-testid="gate-ahead">
        <h3 class="section-title mb-2">Next safety gate</h3>
        <p class="flex gap-2.5">
          <CallMark :kind="ahead.forbiddenHere ? 'stop' : 'unknown'" :size="16" class="mt-1" /><span
            ><strong>{{ ahead.gate.label }}</strong> is closed.</span
          >
        </p>
        <ul class="mt-1 ml-7 space-y-1 text-sm">
          <li v-for="m in ahead.missing" :key="m.id" :class="m.kind === 'forbids' ? 'font-bold' : 'hint'">
            {{
              m.finding && m.question
                ? `${findQuestion(m.question).topic}: ${m.finding.label.toLowerCase()}`
                : m.sentence
            }}
          </li>
        </ul>
      </div>
      <template v-for="group in groups" :key="group.heading">
        <h3 class="section-title mb-2 not-first:mt-5">{{ group.heading }}</h3>
        <article v-for="e in group.entries" :key="e.id" class="border-l-3 border-line pl-4 mb-3">
          <p>{{ e.kind === 'received' ? e.detail : e.title }}</p>
          <p v-if="e.kind !== 'received' && e.detail" class="hint whitespace-pre-line">{{ e.detail }}</p>
          <p class="hint text-xs mt-0.5">
            {{ e.kind === 'received' ? 'the owner' : findStation(e.station).label }}, {{ longTime(e.at) }}
          </p>
        </article>
      </template>
    </div>
  </section>
</template>
