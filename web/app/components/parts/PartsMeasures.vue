<script setup lang="ts">
import { shapeOf, type ShapeId } from '@wobrin/core/parts'

/** Measures of a part, as far as they are known. */
const { shape } = defineProps<{ shape: ShapeId }>()
const typed = defineModel<Record<string, string | number>>({ required: true })
const measures = computed(() => shapeOf(shape).measures)
</script>

<template>
  <fieldset>
    <legend class="field-label">Measures, as far as they are known</legend>
    <div class="grid grid-cols-2 sm:grid-cols-3 gap-3">
      <FormField
        v-for="m in measures"
        :key="m.id"
        v-slot="{ id }"
        :label="`${m.label}${m.unit ? `, ${m.unit}` : ''}${m.must ? '' : ' (optional)'}`"
      >
        <select
          v-if="m.words?.length"
          :id="id"
          class="field"
          :value="typed[m.id] ?? ''"
          @change="typed = { ...typed, [m.id]: ($event.target as HTMLSelectElement).value }"
        >
          <option value="">not known</option>
          <option v-for="w in m.words" :key="w">{{ w }}</option>
        </select>
        <input
          v-else
          :id="id"
          v-model="typed[m.id]"
          class="field"
          :class="{ 'text-right': !m.words }"
          autocomplete="off"
        />
      </FormField>
    </div>
  </fieldset>
</template>
