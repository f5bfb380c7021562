<script setup lang="ts">
import { findMechanism, KIND_LOOKS, recognise, type KindAnswers, type MechanismId } from '@wobrin/core/drives'

/** A few looks that tell a drive's type, with what must not be taken for granted of it. */
defineProps<{ shown: boolean }>()
const emit = defineEmits<{ close: []; choose: [kind: MechanismId] }>()
const answers = ref<KindAnswers>({})
const fits = computed(() => recognise(answers.value))
const any = computed(() => Object.values(answers.value).some(Boolean))
const likely = computed(() => fits.value.filter(f => f.share > 0.05).slice(0, 3))
const set = (look: string, answer: string) => {
  const now = answers.value[look as keyof KindAnswers] === answer ? undefined : answer
  answers.value = { ...answers.value, [look]: now }
}
/** Slots and heights are drawn to this scale, px per mm. */
const SCALE = 0.5
const HEIGHTS: Readonly<Record<string, number>> = { full: 82, half: 42, slim: 25 }
</script>

<template>
  <ModalDialog :shown="shown" title="Which drive type is it?" widest @close="emit('close')">
    <div class="grid md:grid-cols-[1fr_21rem] gap-x-8">
      <div>
        <fieldset v-for="l in KIND_LOOKS" :key="l.id" class="border-t border-line py-2.5">
          <legend class="font-bold text-sm float-left mb-1.5">{{ l.ask }}</legend>
          <div class="flex flex-wrap gap-2 clear-both">
            <button
              v-for="a in l.answers"
              :key="a.id"
              type="button"
              class="min-h-11 px-3 py-1.5 rounded-box border text-sm flex flex-col items-center justify-center gap-1"
              :class="
                answers[l.id] === a.id
                  ? 'border-ink border-2 bg-tint font-bold'
                  : 'border-line bg-panel hover:border-ink'
              "
              :aria-pressed="answers[l.id] === a.id"
              @click="set(l.id, a.id)"
            >
              <svg
                v-if="l.id === 'slot'"
                :width="Number(a.id) * SCALE"
                height="8"
                aria-hidden="true"
                stroke="var(--color-ink)"
                stroke-width="1.2"
              >
                <path :d="`M.6 0v8M.6 4h${Number(a.id) * SCALE - 1.2}M${Number(a.id) * SCALE - 0.6} 0v8`" fill="none" />
              </svg>
              <svg
                v-if="l.id === 'height'"
                width="51"
                :height="HEIGHTS[a.id]! * SCALE"
                aria-hidden="true"
                fill="none"
                stroke="var(--color-ink)"
                stroke-width="1.2"
              >
                <rect x=".6" y=".6" width="49.8" :height="HEIGHTS[a.id]! * SCALE - 1.2" rx="1" />
              </svg>
              {{ a.label }}
            </button>
          </div>
        </fieldset>
      </div>
      <div role="status" data-testid="kinds">
        <p class="section-title pb-2">{{ any ? 'What it may be' : 'Each look narrows it down.' }}</p>
        <template v-if="any">
          <div v-for="f in likely" :key="f.mechanism" class="py-2.5 border-t border-line text-sm space-y-1">
            <p class="font-bold flex justify-between gap-3">
              <span>{{ findMechanism(f.mechanism).label }}</span><span>{{ percent(f.share) }}</span>
            </p>
            <p class="hint">{{ findMechanism(f.mechanism).front.assume.join(' ') }}</p>
            <div class="flex justify-between items-end gap-3">
              <DriveFront :mechanism="f.mechanism" class="shrink-0" />
              <button type="button" class="btn" @click="emit('choose', f.mechanism)">Choose type</button>
            </div>
          </div>
          <p v-if="likely.length > 1" class="hint mt-2">
            More looks tell more. Where two stay, choose one: the type can be changed at any time.
          </p></template
        >
      </div>
    </div>
    <button type="button" class="btn mt-4" @click="emit('close')">Cancel</button>
  </ModalDialog>
</template>
