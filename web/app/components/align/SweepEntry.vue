<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import type { SweepPosition } from '@wobrin/core/instruments/alignment'

/** One try by hand: where it stands, and how many sectors came. */
const {
  unit,
  two,
  one = 'Lower',
  expected,
  next,
} = defineProps<{ unit: string; two: boolean; one?: 'Lower' | 'Upper'; expected: number; next: number | null }>()
const emit = defineEmits<{ tried: [SweepPosition] }>()

const entry = reactive({ position: '', lower: '', upper: '', side: 'below' as 'below' | 'above' })
const problem = ref<string | null>(null)
const first = useTemplateRef('first')
const shown = (x: number) => String(Number(x.toPrecision(3)))
// The position that is worth trying stands there already; a hand that types another one is free to.
watch(
  () => next,
  n => {
    entry.position = n === null ? '' : shown(n)
  },
  { immediate: true },
)

async function add(): Promise<void> {
  const [position, lower, upper] = [
    typedNumber(entry.position),
    typedNumber(entry.lower),
    two ? typedNumber(entry.upper) : null,
  ]
  const count = (n: number | null) => n === null || (Number.isInteger(n) && n >= 0 && n <= expected)
  problem.value = !Number.isFinite(position)
    ? `The position “${entry.position}” is not a number.`
    : !count(lower)
      ? `“${entry.lower}” sectors on the lower head cannot be: 0 to ${expected}.`
      : !count(upper)
        ? `“${entry.upper}” sectors on the upper head cannot be: 0 to ${expected}.`
        : null
  if (problem.value) return
  emit('tried', {
    position,
    side: entry.side,
    lower: { good: lower!, expected },
    upper: upper === null ? null : { good: upper, expected },
  })
  Object.assign(entry, { lower: '', upper: '' })
  await nextTick()
  first.value?.focus()
}
/** A pedal takes the try once its counts are there. */
const ready = computed(() => entry.lower.trim() !== '' && (!two || entry.upper.trim() !== ''))
defineExpose({ pedal: () => (ready.value ? add() : Promise.resolve()) })
</script>

<template>
  <form class="space-y-3" novalidate @submit.prevent="add">
    <FormField
      v-slot="{ id }"
      :label="`Position, ${unit}`"
      :hint="next === null ? undefined : `worth trying next: ${mark(next)}`"
      ><input :id="id" v-model="entry.position" class="field text-right" inputmode="decimal" autocomplete="off"
    /></FormField>
    <div class="grid grid-cols-2 gap-3">
      <FormField v-slot="{ id }" :label="`${two ? 'Lower' : one} head read`"
        ><input
          :id="id"
          ref="first"
          v-model="entry.lower"
          class="field text-right"
          inputmode="numeric"
          autocomplete="off"
      /></FormField>
      <FormField v-if="two" v-slot="{ id }" label="Upper head read"
        ><input :id="id" v-model="entry.upper" class="field text-right" inputmode="numeric" autocomplete="off"
      /></FormField>
    </div>
    <fieldset class="flex gap-2 items-center text-sm">
      <legend class="sr-only">Approached from</legend>
      <span class="text-muted">come to from</span>
      <label v-for="s in ['below', 'above'] as const" :key="s" class="chip"
        ><input v-model="entry.side" type="radio" class="sr-only" :value="s" /><span>{{ s }}</span></label
      >
    </fieldset>
    <button class="btn btn-primary w-full"><Plus class="size-4" />Add position <kbd>Page Down</kbd></button>
    <p v-if="problem" class="text-sm text-stop" role="alert" data-testid="problem">{{ problem }}</p>
  </form>
</template>
