<script setup lang="ts">
import { RotateCcw, RotateCw } from 'lucide-vue-next'
import { SCENARIOS } from '@wobrin/core/simulator'

defineProps<{ seconds: number; moved: number }>()
const scenario = defineModel<string>('scenario', { required: true })
const emit = defineEmits<{ turn: [number]; restart: [] }>()

const STEPS = [
  [1 / 4, '¼'],
  [1 / 8, '⅛'],
  [1 / 16, '1/16'],
] as const
</script>

<template>
  <div class="rounded-box bg-tint p-3 space-y-3 text-sm">
    <div class="flex flex-wrap items-center gap-3">
      <strong>Simulated pickup</strong>
      <label class="flex items-center gap-2">
        <span class="sr-only">The simulated drive</span>
        <select v-model="scenario" class="field w-auto!" @change="emit('restart')">
          <option v-for="s in SCENARIOS" :key="s.id" :value="s.id">{{ s.label }}</option>
        </select>
      </label>
      <span class="hint ml-auto">{{ seconds.toFixed(0) }} s recorded</span>
    </div>
    <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Turn the simulated trimmer">
      <span class="mr-1">Its trimmer:</span>
      <button
        v-for="[turns, label] in STEPS"
        :key="-turns"
        class="btn px-3"
        :aria-label="`${label} turn to the left`"
        @click="emit('turn', -turns)"
      >
        <RotateCcw class="size-4" />{{ label }}
      </button>
      <button
        v-for="[turns, label] in [...STEPS].reverse()"
        :key="turns"
        class="btn px-3"
        :aria-label="`${label} turn to the right`"
        @click="emit('turn', turns)"
      >
        {{ label }}<RotateCw class="size-4" />
      </button>
      <span v-if="moved" class="hint"
        >turned {{ moved < 0 ? 'left' : 'right' }} by {{ Math.abs(moved).toFixed(3).replace(/0+$/, '') }} in all</span
      >
    </div>
  </div>
</template>
