<script setup lang="ts">
const moved = defineModel<number>({ required: true })

const FRACTIONS = [
  [1 / 16, 'a sixteenth'],
  [1 / 8, 'an eighth'],
  [3 / 16, 'three sixteenths'],
  [1 / 4, 'a quarter'],
  [3 / 8, 'three eighths'],
  [1 / 2, 'half a turn'],
  [1, 'a turn'],
] as const

const direction = ref<'none' | 'left' | 'right'>(moved.value === 0 ? 'none' : moved.value < 0 ? 'left' : 'right')
const size = ref(Math.abs(moved.value) || 1 / 8)

watch([direction, size], () => {
  moved.value = direction.value === 'none' ? 0 : direction.value === 'left' ? -size.value : size.value
})
watch(moved, m => {
  if (m === 0) direction.value = 'none'
})
</script>

<template>
  <fieldset class="flex flex-wrap items-center gap-2 text-sm">
    <legend class="field-label">Since the reading before, I turned the trimmer</legend>
    <div class="flex rounded-box border border-muted overflow-hidden">
      <label
        v-for="d in ['left', 'none', 'right'] as const"
        :key="d"
        class="min-h-11 px-3 flex items-center has-focus-visible:outline-3 outline-leave"
        :class="direction === d ? 'bg-ink text-panel font-bold' : 'bg-panel'"
      >
        <input v-model="direction" type="radio" name="direction" :value="d" class="sr-only" />{{
          d === 'none' ? 'not at all' : d
        }}
      </label>
    </div>
    <select v-if="direction !== 'none'" v-model="size" class="field w-auto!" aria-label="How far">
      <option v-for="[turns, words] in FRACTIONS" :key="turns" :value="turns">{{ words }}</option>
    </select>
  </fieldset>
</template>
