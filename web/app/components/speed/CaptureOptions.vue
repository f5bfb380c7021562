<script setup lang="ts">
import type { CaptureChoices } from '~/composables/useCaptureFile'
import type { OpenedCapture } from '~/workers/speed.worker'

const { opened } = defineProps<{ opened: OpenedCapture }>()
const choices = defineModel<CaptureChoices>({ required: true })

/** The file does not say what its times are in: the question stays open once it was answered. */
const unitless = computed(
  () => choices.value.timeUnit !== null || opened.notices.some(n => n.includes('states no unit')),
)

const pulses = computed({
  get: () => choices.value.pulsesPerTurn ?? '',
  set: (v: string | number) => {
    choices.value.pulsesPerTurn = v === '' || !(Number(v) >= 1) ? null : Math.min(1000, Math.round(Number(v)))
  },
})
</script>

<template>
  <div class="grid grid-cols-2 md:grid-cols-[1fr_8rem_auto] gap-3 items-end text-sm">
    <label>
      <span class="field-label">Channel</span>
      <select v-model="choices.channel" class="field">
        <option v-for="c in opened.channels" :key="c.name" :value="c.name" :disabled="!c.usable">
          {{ c.name }} · {{ c.usable ? `${c.edgeCount} changes` : c.edgeCount ? 'too busy' : 'no changes'
          }}{{ c.name === opened.guess ? ' · guessed' : '' }}
        </option>
      </select>
    </label>
    <label>
      <span class="field-label">Pulses a revolution</span>
      <input v-model.lazy="pulses" class="field" type="number" min="1" max="1000" placeholder="found" />
    </label>
    <label v-if="unitless">
      <span class="field-label">Times are in</span>
      <select v-model="choices.timeUnit" class="field">
        <option :value="null">seconds, assumed</option>
        <option value="s">seconds</option>
        <option value="ms">milliseconds</option>
        <option value="us">microseconds</option>
        <option value="ns">nanoseconds</option>
      </select>
    </label>
    <label v-else-if="opened.format === 'wav'">
      <span class="field-label">Pulses point</span>
      <select v-model="choices.polarity" class="field">
        <option value="auto">as found</option>
        <option value="positive">up</option>
        <option value="negative">down</option>
      </select>
    </label>
    <label v-else class="flex items-center gap-2 min-h-11">
      <input v-model="choices.evenMarks" type="checkbox" class="size-5" /> Marks evenly printed
    </label>
  </div>
</template>
