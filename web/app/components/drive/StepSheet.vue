<script setup lang="ts">
import { findQuestion, holds, type StandingFinding } from '@wobrin/core/findings'
import { CAUTIONS, type StepRecord, type StationState, type StepState } from '@wobrin/core/bench/stations'

/** One step in full: why, with what, how long, what it makes possible, and the questions that it answers. */
const { state, here, findings } = defineProps<{
  state: StepState
  here: StationState
  findings: readonly StandingFinding[]
  closed: boolean
}>()
const emit = defineEmits<{
  tick: [StepState]
  pick: [finding: string]
  measure: [question: string, value: number]
  photo: []
  note: []
  look: [question: string]
  pass: []
  looks: []
  acknowledge: []
  over: []
}>()

const store = useDrive()
const questions = computed(() =>
  (state.step.asks ?? []).map(findQuestion).filter(q => holds(q.when, store.way.situation)),
)
const cautions = computed(() =>
  (state.step.cautions ?? [])
    .map(id => CAUTIONS[id])
    .filter(c => holds(c.when, store.way.situation) && !here.cautions.includes(c)),
)
const RECORDS: Readonly<Record<StepRecord, string>> = {
  photo: 'a photo',
  'as-found': 'marks',
  note: 'a note',
  speed: 'a reading',
  'put-back': 'the put-back list',
  account: 'the account',
}
const minutes = computed(
  () =>
    `${duration(state.step.hands)} of hands${state.step.wait ? `, then ${duration(state.step.wait)} of waiting` : ''}`,
)
</script>

<template>
  <section :aria-label="state.step.title">
    <p class="section-title">{{ here.station.label }}</p>
    <h2 class="text-xl font-bold mt-0.5">{{ state.step.title }}</h2>
    <p class="mt-1.5 max-w-prose">{{ state.step.why }}</p>
    <dl class="hint mt-2 flex flex-wrap gap-x-6 gap-y-1">
      <div v-if="state.step.tools.length">
        <dt class="inline font-bold mr-1.5">With</dt>
        <dd class="inline">{{ state.step.tools.join(', ') }}</dd>
      </div>
      <div>
        <dt class="inline font-bold mr-1.5">Takes</dt>
        <dd class="inline">{{ minutes }}</dd>
      </div>
      <div v-if="state.step.records?.length">
        <dt class="inline font-bold mr-1.5">Leaves on the log</dt>
        <dd class="inline">{{ state.step.records.map(r => RECORDS[r]).join(', ') }}</dd>
      </div>
      <div>
        <dt class="inline font-bold mr-1.5">Needed for</dt>
        <dd class="inline">{{ state.step.makes.charAt(0).toLowerCase() }}{{ state.step.makes.slice(1, -1) }}</dd>
      </div>
    </dl>
    <p v-for="c in cautions" :key="c.id" class="mt-2 text-sm border-l-5 border-nudge pl-3">{{ c.text }}</p>
    <p v-if="state.before.length && !state.done" class="mt-2 text-sm text-muted">
      Usually after: {{ state.before.map(s => s.title.charAt(0).toLowerCase() + s.title.slice(1)).join('; ') }}.
    </p>
    <DriveHoldBand
      v-if="state.hold"
      class="mt-4"
      :hold="state.hold"
      :closed="closed"
      @look="emit('look', $event)"
      @pass="emit('pass')"
      @looks="emit('looks')"
      @acknowledge="emit('acknowledge')"
      @over="emit('over')"
    />
    <template v-if="!state.hold">
      <FindingTiles
        v-for="q in questions"
        :key="q.id"
        class="mt-5"
        :question="q"
        :findings="findings"
        :closed="closed"
        @pick="emit('pick', $event)"
        @measure="emit('measure', q.id, $event)"
      />
    </template>
    <div v-if="!closed && !state.done && !state.hold" class="mt-4 flex flex-wrap gap-3">
      <button
        class="btn"
        :class="(!state.open.length || state.step.byHand) && 'btn-primary'"
        aria-keyshortcuts="Space"
        @click="emit('tick', state)"
      >
        {{ state.open.length && !state.step.byHand ? 'Done, nothing to say' : 'Step done' }}
        <span class="font-normal opacity-80">Space</span>
      </button>
      <button v-if="state.step.records?.includes('photo')" class="btn" aria-keyshortcuts="p" @click="emit('photo')">
        Photo <kbd>P</kbd>
      </button>
      <button v-if="state.step.records?.includes('note')" class="btn" aria-keyshortcuts="n" @click="emit('note')">
        Note <kbd>N</kbd>
      </button>
    </div>
    <p v-else-if="state.done" class="hint mt-4">
      {{
        state.ticked
          ? `Done, ${longTime(state.ticked.at)}.`
          : state.shown
            ? 'Done: a reading on the log shows it.'
            : 'Done: its questions are answered.'
      }}
    </p>
  </section>
</template>
