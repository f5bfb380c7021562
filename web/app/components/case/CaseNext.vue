<script setup lang="ts">
import { FlaskConical } from 'lucide-vue-next'
import { CALLS, lowerFirst } from '@wobrin/core/base/observations'
import { calculatorFor, type Diagnosis } from '@wobrin/core/diagnosis'
import type { GateState } from '@wobrin/core/bench/stations'
import type { Asked } from '~/composables/useCaseAsked'

/** What to do next: the cure, or the best check with its answers; two more to choose from. */
const { diagnosis, held, asked } = defineProps<{
  diagnosis: Diagnosis
  held: GateState | null
  asked: Asked | null
  closed: boolean
  marked: number
  /** The drive is simulated, and can be asked itself. */
  practice: boolean
  trying: boolean
}>()
const emit = defineEmits<{
  answer: [value: string, of?: number]
  ask: [id: string | null]
  looks: []
  tryIt: []
  work: [check: string]
}>()
const answers = useTemplateRef('answers')
/** The calculator that answers what is asked, where there is one. */
const calculator = computed(() =>
  asked && !asked.settles && !asked.looks ? calculatorFor(asked.check)?.calculator : undefined,
)
const others = computed(() => diagnosis.next.filter(n => n.check !== asked?.check).slice(0, 2))
defineExpose({ type: (digit: string) => answers.value?.type(digit) })
</script>

<template>
  <section class="grid gap-x-8 gap-y-3 xl:grid-cols-[1fr_minmax(0,29rem)] items-start" aria-label="Next check">
    <div class="min-w-0">
      <p class="text-sm mb-1 flex items-center gap-2" role="status" data-testid="call">
        <CallMark :kind="asked?.settles ? 'unknown' : diagnosis.call" decorative :size="16" class="shrink-0" /><strong
          class="whitespace-nowrap"
          >{{ CALLS[asked?.settles ? 'unknown' : diagnosis.call].label }}</strong
        ><span class="text-muted">{{ asked?.settles ? 'Something was done that helped.' : diagnosis.reasons[0] }}</span>
      </p>
      <div v-if="asked" data-testid="next-check">
        <h2 class="text-xl font-bold leading-snug">
          <span class="sr-only">{{ asked.cure ? 'Cure: ' : 'Next check: ' }}</span>{{ asked.title }}
        </h2>
        <p class="text-sm mt-1">
          <template v-if="asked.minutes"
            >About <strong>{{ asked.minutes }} min</strong>. </template
          ><span class="text-muted">{{ asked.why }}</span>
        </p>
      </div>
      <h2 v-else class="text-xl font-bold leading-snug">{{ diagnosis.todo }}</h2>
      <button
        v-if="practice && asked && !asked.settles && !asked.looks"
        class="btn mt-2"
        type="button"
        :disabled="trying"
        aria-keyshortcuts="t"
        @click="emit('tryIt')"
      >
        <FlaskConical class="size-4" />{{
          asked.cure ? 'Do it on the simulated drive' : 'Try it on the simulated drive'
        }}
        <kbd>T</kbd>
      </button>
      <div v-if="calculator && !closed" class="min-h-9 grid items-center justify-start">
        <LazyCaseCalculatorLink :calculator="calculator" @open="emit('work', asked!.check)" />
      </div>
      <slot />
      <div
        v-if="others.length || (diagnosis.cure && !asked?.cure)"
        class="text-sm mt-1 flex flex-wrap md:flex-nowrap gap-x-4 items-center"
      >
        <span class="hint whitespace-nowrap">Or instead</span>
        <button
          v-if="diagnosis.cure && !asked?.cure"
          class="link min-h-8 shrink-0"
          type="button"
          @click="emit('ask', null)"
        >
          Begin the cure
        </button>
        <button
          v-for="n in others"
          :key="n.check"
          class="link min-h-8 text-left md:truncate min-w-0"
          type="button"
          :title="n.title"
          @click="emit('ask', n.check)"
        >
          {{ n.title }} ({{ n.minutes }} min)
        </button>
      </div>
      <p v-if="held && !asked?.looks" class="text-sm mt-1 border-l-5 border-stop pl-3" data-testid="held">
        Safety gate “{{ lowerFirst(held.gate.label) }}” is closed: checks behind it are not proposed.
        <button v-if="!closed" class="link font-bold min-h-9" type="button" @click="emit('looks')">
          Safety looks…
        </button>
      </p>
    </div>
    <button v-if="asked?.looks && !closed" class="btn btn-primary w-full" type="button" @click="emit('looks')">
      Safety looks… <kbd>S</kbd>
    </button>
    <CaseAnswers
      v-else-if="asked && !closed"
      ref="answers"
      :key="asked.check"
      :answering="asked.answering"
      :marked="marked"
      @answer="(value, of) => emit('answer', value, of)"
    />
  </section>
</template>
