<script setup lang="ts">
import { Cable, FlaskConical } from 'lucide-vue-next'
import type { MechanismId } from '@wobrin/core/drives'
import { DRIVE_STORIES } from '@wobrin/core/simulator'

/** Connects a board at a drive’s interface, or a simulated one. */
const {
  board,
  mechanism,
  stories = DRIVE_STORIES,
} = defineProps<{
  board: Board
  mechanism: MechanismId
  /** States of the simulated drive to choose from. */
  stories?: readonly (typeof DRIVE_STORIES)[number][]
}>()
const { connecting } = board
const story = ref(stories[0]!.id)
</script>

<template>
  <div class="flex flex-wrap gap-3 items-end">
    <button class="btn btn-primary justify-center" :disabled="connecting" @click="board.connect(mechanism)">
      <Cable class="size-4" />Connect a board…
    </button>
    <FormField v-slot="{ id }" label="Or a simulated drive" class="sm:ml-4">
      <select :id="id" v-model="story" class="field">
        <option v-for="s in stories" :key="s.id" :value="s.id">{{ s.label }}</option>
      </select>
    </FormField>
    <button class="btn justify-center" :disabled="connecting" @click="board.simulate(mechanism, story)">
      <FlaskConical class="size-4" />Use the simulated board
    </button>
  </div>
</template>
