<script setup lang="ts">
import { lowerFirst } from '@wobrin/core/base/observations'
import type { Diagnosis } from '@wobrin/core/diagnosis'
import type { GateState } from '@wobrin/core/bench/stations'

/** What to do next: the call, and the best check with its answers; two more to choose from. */
const { diagnosis, held } = defineProps<{ diagnosis: Diagnosis; held: GateState | null; closed: boolean }>()
const emit = defineEmits<{ answer: [check: string, value: string, of?: number] }>()
const chosen = ref(0)
watch(
  () => diagnosis.next.map(n => n.check).join(),
  () => {
    chosen.value = 0
  },
)
const next = computed(() => diagnosis.next[chosen.value] ?? null)
const answering = computed(() => next.value && answeringOf(next.value))
const cure = computed(() => diagnosis.cure)
const call = computed(() => ({ kind: diagnosis.call, reasons: diagnosis.reasons, next: diagnosis.todo }))
</script>

<template>
  <div class="min-w-0">
    <CallBand :call="call" />
    <p v-if="held" class="text-sm mt-2 border-l-5 border-stop pl-3">
      The safety gate “{{ lowerFirst(held.gate.label) }}” is closed: checks behind it are not proposed.
    </p>
    <p v-if="cure" class="hint text-sm mt-2">The cure takes about {{ cure.minutes }} min.</p>
    <div v-if="next && answering" class="mt-4" data-testid="next-check">
      <h3 class="section-title">{{ cure ? 'Or check first' : 'Next check' }} · {{ next.minutes }} min</h3>
      <p class="font-bold mt-1">{{ next.title }}</p>
      <p class="hint text-sm">{{ next.why }}</p>
      <CaseAnswers
        v-if="!closed"
        :key="next.check"
        class="mt-2"
        :answering="answering"
        @answer="(value, of) => emit('answer', next!.check, value, of)"
      />
    </div>
    <div v-if="diagnosis.next.length > 1" class="mt-3 text-sm">
      <h4 class="hint">Or instead</h4>
      <template v-for="(n, i) in diagnosis.next" :key="n.check">
        <button v-if="i !== chosen" class="link block min-h-11 text-left" type="button" @click="chosen = i">
          {{ n.title }} ({{ n.minutes }} min)
        </button>
      </template>
    </div>
  </div>
</template>
