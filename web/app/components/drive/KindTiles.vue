<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'

/** Drive types as tiles, each with its front drawn to one scale. */
const kind = defineModel<MechanismId | undefined>({ required: true })
</script>

<template>
  <RadioGroup v-model="kind" aria-label="Drive type" class="grid gap-2 grid-cols-2 sm:grid-cols-3 lg:grid-cols-5">
    <RadioGroupOption v-for="m in MECHANISMS" :key="m.id" v-slot="{ checked }" :value="m.id" as="template">
      <button
        type="button"
        class="min-h-20 p-2 flex flex-col items-center justify-end gap-1.5 rounded-box border text-sm leading-tight"
        :class="checked ? 'border-ink border-2 bg-tint font-bold' : 'border-line bg-panel hover:border-ink'"
        :data-kind="m.id"
      >
        <DriveFront :mechanism="m.id" /><span>{{ m.label }}</span>
      </button>
    </RadioGroupOption>
  </RadioGroup>
</template>
