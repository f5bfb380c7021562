<script setup lang="ts">
import { FEATURE_RANGES, NO_FEATURES, type Features, type MechanismId } from '@wobrin/core/drives'

/** What differs between drives of the chosen class: its steps follow from it. */
const { mechanism } = defineProps<{ mechanism: MechanismId }>()
const model = defineModel<Features | null | undefined>()

const LABELS = {
  spindle: { label: 'Spindle', words: { belt: 'belt', direct: 'direct drive' } },
  carriage: { label: 'Carriage', words: { screw: 'lead screw', band: 'steel band', spiral: 'spiral cam' } },
  heads: { label: 'Heads', words: { 1: 'one', 2: 'two' } },
  loading: { label: 'Loading', words: { lever: 'lever', 'push-in': 'push in' } },
  hardSectored: { label: 'Hard-sectored disks', words: { true: 'yes', false: 'no' } },
  phasesFromHost: { label: 'The host drives its stepper phases', words: { true: 'yes', false: 'no' } },
  pictureTube: { label: 'In one case with a picture tube', words: { true: 'yes', false: 'no' } },
} as const
type Key = keyof typeof LABELS
const fields = computed(() =>
  (Object.keys(LABELS) as Key[]).filter(k => (FEATURE_RANGES[mechanism][k]?.length ?? 0) > 1),
)
const value = (k: Key) => String(model.value?.[k] ?? '')
function set(k: Key, text: string): void {
  const parsed =
    text === '' ? null : text === 'true' ? true : text === 'false' ? false : k === 'heads' ? Number(text) : text
  const now = { ...NO_FEATURES, ...model.value, [k]: parsed } as Features
  model.value = Object.values(now).every(v => v === null) ? null : now
}
const wordFor = (k: Key, v: string | number | boolean): string | undefined =>
  (LABELS[k].words as Readonly<Record<string, string>>)[String(v)]
// Another class has other features.
watch(
  () => mechanism,
  () => {
    model.value = null
  },
)
</script>

<template>
  <fieldset v-if="fields.length" class="grid grid-cols-2 sm:grid-cols-3 gap-4">
    <legend class="sr-only">What it has</legend>
    <FormField v-for="k in fields" :key="k" v-slot="{ id }" :label="LABELS[k].label">
      <select :id="id" class="field" :value="value(k)" @change="set(k, ($event.target as HTMLSelectElement).value)">
        <option value="">not known</option>
        <option v-for="v in FEATURE_RANGES[mechanism][k]" :key="String(v)" :value="String(v)">
          {{ wordFor(k, v) }}
        </option>
      </select>
    </FormField>
  </fieldset>
</template>
