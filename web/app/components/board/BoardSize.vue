<script setup lang="ts">
/** What a board is to read: cylinders and heads, unless the tracks are known, and for how many revolutions. */
defineProps<{ tracksKnown?: boolean }>()
const cylinders = defineModel<number>('cylinders', { required: true })
const heads = defineModel<1 | 2>('heads', { required: true })
const turns = defineModel<number>('turns', { required: true })
</script>

<template>
  <template v-if="!tracksKnown">
    <FormField v-slot="{ id }" label="Cylinders" class="w-24"
      ><input :id="id" v-model.number="cylinders" class="field" type="number" min="1" max="90"
    /></FormField>
    <FormField v-slot="{ id }" label="Heads" class="w-20"
      ><select :id="id" v-model.number="heads" class="field">
        <option :value="1">1</option>
        <option :value="2">2</option>
      </select></FormField
    >
  </template>
  <FormField v-slot="{ id }" label="Revolutions" class="w-28"
    ><input :id="id" v-model.number="turns" class="field" type="number" min="1" max="20"
  /></FormField>
</template>
