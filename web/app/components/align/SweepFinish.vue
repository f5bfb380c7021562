<script setup lang="ts">
import { ZONES, type Zone } from '@wobrin/core/drives'
import type { SweepResult } from '@wobrin/core/instruments/alignment'
import type { ZoneRead } from '@wobrin/core/log'

/** Setting it, tightening, and the look afterwards: outer, middle and inner on both heads. */
const { result, two, unit, expected, setTo, live, busy } = defineProps<{
  result: SweepResult
  two: boolean
  unit: string
  expected: number
  setTo: number | null
  live: boolean
  busy: boolean
}>()
const emit = defineEmits<{
  set: [position: number]
  checked: [{ position: number | null; zones: ZoneRead[] }]
  tighten: []
}>()

const markNow = ref('')
const counts = reactive<Record<string, string>>({})
const problem = ref<string | null>(null)
const middle = computed(() => Number((result.common?.centre ?? 0).toPrecision(3)))

function check(): void {
  const zones: ZoneRead[] = []
  problem.value = null
  for (const zone of ZONES) {
    const [lower, upper] = [
      typedNumber(counts[`${zone} lower`] ?? ''),
      two ? typedNumber(counts[`${zone} upper`] ?? '') : 0,
    ]
    if (Number.isNaN(lower) && (!two || Number.isNaN(upper))) continue
    if (![lower, upper].every(n => Number.isInteger(n) && n >= 0 && n <= expected)) {
      problem.value = `At ${zone} the sectors cannot be “${counts[`${zone} lower`] ?? ''}”${two ? ` and “${counts[`${zone} upper`] ?? ''}”` : ''}: 0 to ${expected} on each head.`
      return
    }
    zones.push({ zone, lower: { good: lower, expected }, upper: two ? { good: upper, expected } : null })
  }
  const position = typedNumber(markNow.value)
  emit('checked', { position: Number.isFinite(position) ? position : null, zones })
}
const label: Record<Zone, string> = { outer: 'Outer', middle: 'Middle', inner: 'Inner' }
</script>

<template>
  <div class="border-t border-line pt-4">
    <div class="flex flex-wrap items-center gap-3">
      <h3 class="font-bold grow">
        {{ setTo === null ? 'Set it' : `Set to ${mark(setTo)} ${unit}: tighten, and look again` }}
      </h3>
      <button v-if="setTo === null" class="btn btn-primary" @click="emit('set', middle)">
        I set it to {{ mark(middle) }} {{ unit }}
      </button>
      <button v-else-if="live" class="btn btn-primary" :disabled="busy" @click="emit('tighten')">
        Tighten and read all three
      </button>
    </div>
    <form
      v-if="setTo !== null && !live"
      class="mt-3 grid gap-3 grid-cols-2 sm:grid-cols-[minmax(0,1fr)_repeat(3,minmax(0,1fr))]"
      novalidate
      @submit.prevent="check"
    >
      <FormField v-slot="{ id }" :label="`Mark now, ${unit}`" hint="after tightening"
        ><input :id="id" v-model="markNow" class="field text-right" inputmode="decimal" autocomplete="off"
      /></FormField>
      <fieldset v-for="z in ZONES" :key="z">
        <legend class="field-label">{{ label[z] }}, of {{ expected }}</legend>
        <div class="flex gap-2">
          <input
            v-model="counts[`${z} lower`]"
            class="field text-right px-2!"
            inputmode="numeric"
            placeholder="lower"
            :aria-label="`${label[z]}, lower head`"
          /><input
            v-if="two"
            v-model="counts[`${z} upper`]"
            class="field text-right px-2!"
            inputmode="numeric"
            placeholder="upper"
            :aria-label="`${label[z]}, upper head`"
          />
        </div>
      </fieldset>
      <button class="btn btn-primary col-span-full justify-self-start">Judge it</button>
      <p v-if="problem" class="col-span-full text-sm text-stop" role="alert">{{ problem }}</p>
    </form>
  </div>
</template>
