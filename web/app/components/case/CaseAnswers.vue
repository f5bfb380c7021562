<script setup lang="ts">
import type { Answering } from '~/composables/useDriveCase'

/** Answers of a check: tiles with their digits, a number with its unit, or sectors that were counted. */
const { answering, marked = -1 } = defineProps<{
  answering: Answering
  marked?: number
  large?: boolean
  touch?: boolean
}>()
const emit = defineEmits<{ answer: [value: string, of?: number] }>()
/** More answers leave no room to say what each would leave; that stands beside the question. */
const MANY = 4
const value = ref('')
const of = ref('9')
const field = useTemplateRef('field')
const ready = computed(() => value.value.trim() !== '' && Number.isFinite(typedNumber(value.value)))
const send = () => {
  if (!ready.value) return
  emit('answer', value.value.trim(), answering.kind === 'count' ? Number(of.value) : undefined)
}
defineExpose({
  /** Begins a number with a digit that was pressed outside the field. */
  type(digit: string) {
    value.value = digit
    field.value?.focus()
  },
})
</script>

<template>
  <div
    v-if="answering.kind === 'words'"
    class="grid gap-2"
    :class="large || touch ? 'grid-cols-1' : answering.answers.length > 2 ? 'sm:grid-cols-2' : 'grid-cols-1'"
  >
    <button
      v-for="(a, i) in answering.answers"
      :key="a.id"
      type="button"
      class="flex items-center gap-3 w-full px-3 text-left border rounded-box bg-panel leading-tight"
      :class="[
        large ? 'min-h-[9vmin] text-[4vmin]' : touch ? 'min-h-16 text-base' : 'min-h-11 text-sm',
        marked === i ? 'border-ink border-2 bg-tint font-bold' : 'border-line hover:border-ink',
      ]"
      @click="emit('answer', a.id)"
    >
      <span class="grow min-w-0"
        >{{ a.label
        }}<span v-if="a.leaves && answering.answers.length <= MANY" class="hint block truncate"
          >→ {{ a.leaves }}</span
        ></span
      >
      <kbd v-if="i < 9 && !touch" class="shrink-0" :class="{ 'text-[3vmin]!': large }">{{ i + 1 }}</kbd>
    </button>
  </div>
  <form v-else class="flex flex-wrap items-end gap-2" @submit.prevent="send">
    <label class="text-sm">
      {{ answering.kind === 'count' ? 'Sectors read' : `Value, ${answering.unit}` }}
      <input ref="field" v-model="value" class="field w-28 block" inputmode="decimal" />
    </label>
    <label v-if="answering.kind === 'count'" class="text-sm">
      of <input v-model="of" class="field w-20 block" inputmode="numeric" />
    </label>
    <button class="btn min-h-11" type="submit" :disabled="!ready">Save reading</button>
    <template v-if="answering.kind === 'count'">
      <button
        class="btn font-normal!"
        :class="touch && 'min-h-16 grow'"
        type="button"
        @click="emit('answer', of, Number(of))"
      >
        All {{ of }} read
      </button>
      <button
        class="btn font-normal!"
        :class="touch && 'min-h-16 grow'"
        type="button"
        @click="emit('answer', '0', Number(of))"
      >
        None read
      </button>
    </template>
  </form>
</template>
