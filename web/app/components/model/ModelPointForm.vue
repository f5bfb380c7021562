<script setup lang="ts">
import { byText } from '@wobrin/core/base/order'
import { PARTS } from '@wobrin/core/diagnosis'
import { pointId, POINT_UNITS, type ModelPoint, type ModelSheet, type PointUnit } from '@wobrin/core/drives/models'
import type { SourceId } from '@wobrin/core/base/observations'

/** Adds a test point to the model's sheet, with what it reads on the drive at hand. */
const { sheet } = defineProps<{ sheet: ModelSheet }>()
const emit = defineEmits<{
  keep: [sheet: ModelSheet]
  read: [point: ModelPoint, value: string, source: SourceId]
}>()
const empty = () => ({ name: '', state: '', unit: 'V' as PointUnit, part: '', value: '' })
const form = ref(empty())
const parts = [...PARTS].sort((a, b) => byText(a.label, b.label))
const id = computed(() => pointId(form.value.name, form.value.state))
const known = computed(() => sheet.points.some(p => p.id === id.value))
const ready = computed(() => form.value.name.trim() !== '' && id.value !== '' && !known.value)
function add(): void {
  if (!ready.value) return
  const { name, state, unit, part, value } = form.value
  const point: ModelPoint = {
    id: id.value,
    name: name.trim(),
    state: state.trim(),
    unit,
    part: part || null,
    expected: null,
  }
  emit('keep', { ...sheet, points: [...sheet.points, point] })
  if (value.trim()) emit('read', point, value.trim(), unit === '' ? 'hand' : 'meter')
  form.value = empty()
}
</script>

<template>
  <form class="border-t border-line pt-3" data-testid="point-form" @submit.prevent="add">
    <h3 class="section-title mb-1.5">New test point of this model</h3>
    <div class="grid gap-2 sm:grid-cols-[1fr_1fr_5.5rem_6rem] items-end">
      <label class="text-sm"
        >Test point<input v-model="form.name" class="field block" maxlength="80" placeholder="IC3 pin 4"
      /></label>
      <label class="text-sm"
        >State of the drive<input
          v-model="form.state"
          class="field block"
          maxlength="80"
          placeholder="motor on, disk in"
      /></label>
      <label class="text-sm"
        >Unit<select v-model="form.unit" class="field block">
          <option v-for="u in POINT_UNITS" :key="u" :value="u">{{ u || 'words' }}</option>
        </select></label
      >
      <label class="text-sm"
        >Reads here<input v-model="form.value" class="field block" maxlength="80" inputmode="decimal"
      /></label>
    </div>
    <div class="flex flex-wrap gap-2 items-end mt-2">
      <label class="text-sm grow"
        >Part that it tells of (optional)<select v-model="form.part" class="field block">
          <option value="">not known</option>
          <option v-for="p in parts" :key="p.id" :value="p.id">{{ p.label }}</option>
        </select></label
      >
      <button class="btn min-h-11" type="submit" :disabled="!ready">Add test point</button>
    </div>
    <p v-if="known" class="text-sm text-stop mt-1" role="alert">This test point is on the sheet already.</p>
    <p v-else class="hint text-xs mt-1">
      Where a test point tells of a part, a difference from an identical drive that works counts as evidence for its
      faults.
    </p>
  </form>
</template>
