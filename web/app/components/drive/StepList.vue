<script setup lang="ts">
import { Check, Clock, Lock, TriangleAlert } from 'lucide-vue-next'
import type { StationState, StepState } from '@wobrin/core/bench/stations'

const { here, step, closed } = defineProps<{
  here: StationState
  step: StepState | null
  next: StepState | null
  closed: boolean
  explain?: boolean
}>()
const emit = defineEmits<{ tick: [StepState]; choose: [string]; finish: [] }>()

const HOLDS = { gate: Lock, wait: Clock, caution: TriangleAlert } as const
const holdText = (s: StepState) =>
  s.hold?.kind === 'gate'
    ? 'safety gate closed'
    : s.hold?.kind === 'wait'
      ? `until ${endOf(s.hold.wait.endsAt)}`
      : 'caution to read'
/** After a tap the keys act on the step, not on the button that was tapped. */
function choose(s: StepState, event: MouseEvent): void {
  emit('choose', s.step.id)
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
/** Nothing to press: the drive has left, or what was found did the step. */
const fixed = (s: StepState) => closed || (s.done && !s.ticked)
/** What the goal needs first, then what only an overhaul would do. */
const groups = computed(() => [
  { title: '', steps: here.steps.filter(s => s.needed) },
  { title: 'Only for an overhaul', steps: here.steps.filter(s => !s.needed) },
])
const left = computed(() => here.steps.filter(s => s.needed && !s.done))
</script>

<template>
  <section :aria-label="`${here.station.label}, steps`">
    <h2 class="section-title mb-2">{{ here.station.label }} · steps</h2>
    <template v-for="g in groups" :key="g.title">
      <p v-if="g.title && g.steps.length" class="section-title border-t border-line mt-2 pt-2">{{ g.title }}</p>
      <ol v-if="g.steps.length" class="-mx-2">
        <li
          v-for="s in g.steps"
          :key="s.step.id"
          class="flex items-start rounded-box"
          :class="step?.step.id === s.step.id ? 'bg-tint' : 'hover:bg-tint'"
        >
          <component
            :is="fixed(s) ? 'span' : 'button'"
            :role="fixed(s) ? 'img' : undefined"
            class="size-11 shrink-0 grid place-items-center"
            :disabled="s.hold ? true : undefined"
            :aria-pressed="fixed(s) ? undefined : s.done"
            :aria-label="
              s.done ? `${s.step.title}: done` : fixed(s) ? `${s.step.title}: not done` : `Tick: ${s.step.title}`
            "
            @click="!closed && !s.hold && emit('tick', s)"
          >
            <span
              class="size-[18px] grid place-items-center"
              :class="
                s.done
                  ? 'rounded-full bg-ink text-panel'
                  : s.hold
                    ? 'text-stop'
                    : next?.step.id === s.step.id && !here.finished
                      ? 'rounded-[4px] border-2 border-ink'
                      : 'rounded-full border-[1.6px] border-muted'
              "
              aria-hidden="true"
              ><Check v-if="s.done" class="size-3" stroke-width="3.5" /><component
                :is="HOLDS[s.hold.kind]"
                v-else-if="s.hold"
                class="size-[18px]"
            /></span>
          </component>
          <button
            class="grow min-h-11 py-2.5 pr-2 text-left leading-snug"
            :aria-current="step?.step.id === s.step.id ? 'step' : undefined"
            @click="choose(s, $event)"
          >
            <span :class="s.done ? 'text-muted' : step?.step.id === s.step.id ? 'font-bold' : ''">{{
              s.step.title
            }}</span>

            <span v-if="explain && step?.step.id === s.step.id && !here.finished" class="hint block mt-1">{{
              s.step.why
            }}</span>
            <span v-if="s.hold" class="hint block text-xs text-stop!">{{ holdText(s) }}</span>
          </button>
        </li>
      </ol></template
    >
    <div v-if="!closed" class="mt-3">
      <p v-if="here.station.id === 'release'" class="hint">Say on the right how it leaves.</p>
      <p v-else-if="here.finished" class="hint">This station is finished.</p>
      <button v-else-if="!left.length" class="btn btn-primary" @click="emit('finish')">
        {{ here.station.label }} is finished
      </button>
      <button v-else class="block min-h-11 text-sm text-muted link" @click="emit('finish')">
        Finish without {{ left.length === 1 ? 'the last one' : `the other ${left.length}` }}
      </button>
    </div>
    <div v-if="here.cautions.length" class="border-t border-line mt-3 pt-3">
      <h3 class="text-sm font-bold">Caution</h3>
      <ul class="text-sm space-y-1.5 mt-1">
        <li v-for="c in here.cautions" :key="c.id">{{ c.text }}</li>
      </ul>
    </div>
  </section>
</template>
