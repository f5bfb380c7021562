<script setup lang="ts">
import { layoutsOf, findMechanism, MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import { wholeDisk, type TrackPlace } from '@wobrin/core/instruments/bench-link'
import { DRIVE_STORIES } from '@wobrin/core/simulator'

/** Reads the disk in the drive at a board: all of it, or the tracks on which sectors are missing. */
const { board, mechanism, missing } = defineProps<{
  board: Board
  mechanism: MechanismId
  /** Tracks that lack sectors; null where nothing was read yet. */
  missing: readonly { readonly cylinder: number; readonly head: number }[] | null
  busy: boolean
}>()
const emit = defineEmits<{ read: [tracks: readonly TrackPlace[], turns: number]; close: [] }>()
const { hello, reading, problem } = board
const steppers = MECHANISMS.filter(m => layoutsOf(m.id).length > 0)
const type = ref<MechanismId>(mechanism)
const cylinders = ref(findMechanism(type.value).geometry.cylinders.value)
watch(type, m => {
  cylinders.value = findMechanism(m).geometry.cylinders.value
})
const heads = ref<1 | 2>(2)
const turns = ref(5)
/** States in which a drive reads badly, first. */
const stories = ['worn', 'dirty', 'upper-leans', 'sound'].flatMap(id => DRIVE_STORIES.filter(s => s.id === id))
const tracks = computed((): TrackPlace[] =>
  missing
    ? missing.map(t => ({ cylinder: t.cylinder, head: t.head as 0 | 1 }))
    : wholeDisk(cylinders.value, heads.value),
)
async function close(): Promise<void> {
  await board.end()
  emit('close')
}
</script>

<template>
  <section class="panel p-5 space-y-3" aria-label="Read by a board">
    <div class="flex flex-wrap items-center gap-3">
      <h2 class="section-title grow">
        Read by a board<template v-if="hello">: {{ hello.board }}</template>
      </h2>
      <button class="btn btn-quiet" :disabled="reading" @click="close">Close</button>
    </div>
    <ProblemBand v-if="problem" :problem="problem" />
    <template v-if="!hello">
      <FormField v-slot="{ id }" label="Drive type" class="w-64">
        <select :id="id" v-model="type" class="field">
          <option v-for="m in steppers" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <BoardStart :board="board" :mechanism="type" :stories="stories" />
    </template>
    <template v-else>
      <p v-if="missing && !missing.length" class="text-sm">Nothing is missing: the disk need not be read again.</p>
      <div v-else class="flex flex-wrap gap-3 items-end">
        <BoardSize
          v-model:cylinders="cylinders"
          v-model:heads="heads"
          v-model:turns="turns"
          :tracks-known="missing !== null"
        />
        <button
          class="btn btn-primary"
          :disabled="reading || busy || !(turns > 0) || !(cylinders > 0)"
          @click="emit('read', tracks, turns)"
        >
          {{ missing ? `Read ${tracks.length} ${tracks.length === 1 ? 'track' : 'tracks'} again` : 'Read the disk' }}
        </button>
      </div>
      <BoardProgress :board="board" />
    </template>
  </section>
</template>
