<script setup lang="ts">
import type { Answering } from '~/composables/useDriveCase'

/** Answers of a check: tiles, a number with its unit, or sectors that were counted. */
const { answering } = defineProps<{ answering: Answering }>()
const emit = defineEmits<{ answer: [value: string, of?: number] }>()
const value = ref('')
const of = ref('9')
const ready = computed(() => value.value.trim() !== '' && Number.isFinite(typedNumber(value.value)))
const send = () => {
  if (!ready.value) return
  emit('answer', value.value.trim(), answering.kind === 'count' ? Number(of.value) : undefined)
}
</script>

<template>
  <div v-if="answering.kind === 'words'" class="flex flex-wrap gap-2">
    <button v-for="a in answering.answers" :key="a.id" class="btn min-h-11" type="button" @click="emit('answer', a.id)">
      {{ a.label }}
    </button>
  </div>
  <form v-else class="flex flex-wrap items-end gap-2" @submit.prevent="send">
    <label class="text-sm">
      {{ answering.kind === 'count' ? 'Sectors read' : `Value, ${answering.unit}` }}
      <input v-model="value" class="field w-28 block" inputmode="decimal" />
    </label>
    <label v-if="answering.kind === 'count'" class="text-sm">
      of <input v-model="of" class="field w-20 block" inputmode="numeric" />
    </label>
    <button class="btn min-h-11" type="submit" :disabled="!ready">Save reading</button>
  </form>
</template>
