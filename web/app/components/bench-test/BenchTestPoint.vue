<script setup lang="ts">
import { FlaskConical } from 'lucide-vue-next'
import { lowerFirst, type SourceId } from '@wobrin/core/base/observations'
import { POINT_STATES, TEST_WAY_LABELS, TEST_WAYS, type PointResult } from '@wobrin/core/bench/bench-test'
import type { Asked } from '~/composables/useCaseAsked'

/** One point of a bench test: what to do by what is at hand, what to expect, and what was seen. */
const { result, asked } = defineProps<{
  result: PointResult
  asked: Asked
  closed: boolean
  marked: number
  practice: boolean
  trying: boolean
}>()
const emit = defineEmits<{
  answer: [value: string, of?: number]
  couldNot: []
  tryIt: []
  level: [key: string, value: string, source: SourceId]
  looks: []
}>()
const answers = useTemplateRef('answers')
const ways = computed(() => TEST_WAYS.filter(w => result.point.how[w]))
defineExpose({ type: (digit: string) => answers.value?.type(digit) })
</script>

<template>
  <section :aria-label="result.point.label" data-testid="point">
    <p class="text-sm text-muted">
      {{ result.point.group }} · {{ POINT_STATES[result.state]
      }}<template v-if="result.seen">: {{ lowerFirst(result.seen) }}</template>
    </p>
    <h2 class="text-xl font-bold leading-snug">{{ result.point.label }}</h2>
    <dl class="text-sm mt-2 space-y-1.5">
      <div v-for="w in ways" :key="w" class="grid grid-cols-[7.5rem_1fr] gap-3">
        <dt class="hint">{{ TEST_WAY_LABELS[w] }}</dt>
        <dd>{{ result.point.how[w] }}</dd>
      </div>
      <div class="grid grid-cols-[7.5rem_1fr] gap-3 border-t border-line pt-1.5">
        <dt class="hint">Expected</dt>
        <dd class="font-bold">{{ result.expected }}</dd>
      </div>
    </dl>
    <p v-if="result.held && !closed" class="text-sm mt-3 border-l-5 border-stop pl-3">
      Safety gate “{{ lowerFirst(result.held.gate.label) }}” is closed: this point comes after it.
      <button class="btn btn-primary mt-2 flex!" type="button" @click="emit('looks')">
        Safety looks… <kbd>S</kbd>
      </button>
    </p>
    <template v-else-if="!closed">
      <h3 class="section-title mt-3 mb-1.5">Seen</h3>
      <CaseAnswers
        ref="answers"
        :key="asked.check"
        :answering="asked.answering"
        :marked="marked"
        @answer="(value, of) => emit('answer', value, of)"
      />
      <div class="flex flex-wrap gap-2 mt-2">
        <button
          v-if="practice"
          class="btn"
          type="button"
          :disabled="trying"
          aria-keyshortcuts="t"
          @click="emit('tryIt')"
        >
          <FlaskConical class="size-4" />Try it on the simulated drive <kbd>T</kbd>
        </button>
        <button class="btn font-normal!" type="button" @click="emit('couldNot')">Could not try <kbd>0</kbd></button>
      </div>
      <BenchTestLevels
        v-if="result.point.line"
        :key="`levels ${asked.check}`"
        class="mt-3"
        :point="result.point"
        @level="(key, value) => emit('level', key, value, 'meter')"
      />
    </template>
  </section>
</template>
