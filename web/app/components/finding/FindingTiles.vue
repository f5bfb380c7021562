<script setup lang="ts">
import type { Question, StandingFinding } from '@wobrin/core/findings'

/** A question as big tiles: one tap is an entry on the log. */
const {
  question,
  findings,
  keys = false,
} = defineProps<{ question: Question; findings: readonly StandingFinding[]; closed?: boolean; keys?: boolean }>()
const emit = defineEmits<{ pick: [finding: string]; measure: [value: number] }>()

const SENSES = { seen: 'look', heard: 'listen', smelt: 'smell', felt: 'feel', measured: 'measure' } as const
const standing = (id: string) => findings.filter(f => f.finding.id === id)
const reading = ref('')
const problem = ref<string | null>(null)

function send(): void {
  const m = question.measured!
  const value = Number(reading.value.replace(',', '.'))
  problem.value =
    reading.value.trim() === '' || !Number.isFinite(value) || value < m.min || value > m.max
      ? `${m.label} is a number of ${m.unit}, ${m.min} or more.`
      : null
  if (problem.value) return
  emit('measure', value)
  reading.value = ''
}
</script>

<template>
  <fieldset :disabled="closed" class="min-w-0">
    <legend class="font-bold mb-2">
      {{ question.ask }} <span class="hint font-normal">{{ SENSES[question.sense] }}</span>
    </legend>
    <form v-if="question.measured" class="flex flex-wrap items-end gap-3 mb-3" novalidate @submit.prevent="send">
      <FormField
        v-slot="{ id }"
        :label="`${question.measured.label}, ${question.measured.unit}`"
        :problem="problem ?? undefined"
        ><input :id="id" v-model="reading" class="field w-32!" inputmode="decimal" autocomplete="off"
      /></FormField>
      <button class="btn">Judge it</button>
      <p class="hint mb-3">Or say it in a word:</p>
    </form>
    <div class="grid gap-2 grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]">
      <button
        v-for="(f, i) in question.findings"
        :key="f.id"
        type="button"
        class="flex items-center gap-2.5 min-h-14 px-3 py-2 text-left rounded-box border text-sm leading-tight"
        :class="
          standing(f.id).length ? 'border-ink border-2 bg-tint font-bold' : 'border-line bg-panel hover:border-ink'
        "
        :aria-pressed="standing(f.id).length > 0"
        :data-finding="f.id"
        @click="emit('pick', f.id)"
      >
        <CallMark :kind="f.call" :size="16" />
        <span class="grow min-w-0"
          >{{ f.label
          }}<span v-if="standing(f.id).some(s => s.place)" class="block hint text-xs font-normal">{{
            standing(f.id)
              .map(s => s.place)
              .filter(Boolean)
              .join(', ')
          }}</span></span
        >
        <kbd v-if="keys" class="shrink-0">{{ i + 1 }}</kbd>
      </button>
    </div>
  </fieldset>
</template>
