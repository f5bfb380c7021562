<script setup lang="ts">
import { Cable, CirclePlay } from 'lucide-vue-next'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import { DRIVE_STORIES } from '@wobrin/core/simulator'

/**
 * Where a try comes from when it is not typed: a board at the drive, a recording of the interface at this position, or
 * the simulated drive.
 */
const { busy, on, next, unit, progress, board, mechanism } = defineProps<{
  board: Board
  mechanism: MechanismId
  busy: boolean
  on: boolean
  next: number | null
  unit: string
  progress: number | null
}>()
const emit = defineEmits<{
  file: [position: number, file: File]
  power: [story: string]
  read: [position: number]
  board: [position: number, cylinder: number]
}>()
const linked = computed(() => board.hello.value !== null)
const cylinder = ref(0)
watch(
  () => mechanism,
  m => {
    cylinder.value = Math.round(findMechanism(m).geometry.cylinders.value / 2)
  },
  { immediate: true },
)

const at = ref('')
const story = ref('both-off')
/** States in which an adjuster stands off; and a sound drive, to see that it is left alone. */
const stories = DRIVE_STORIES.filter(s =>
  ['both-off', 'upper-leans', 'upper-off', 'early-zero', 'sound'].includes(s.id),
)
watch(
  () => next,
  n => {
    at.value = n === null ? '' : String(Number(n.toPrecision(3)))
  },
  { immediate: true },
)
const position = computed(() => typedNumber(at.value))
const valid = computed(() => Number.isFinite(position.value))
const read = () => {
  if (!valid.value || busy) return
  if (linked.value) emit('board', position.value, cylinder.value)
  else if (on) emit('read', position.value)
}
defineExpose({ pedal: read })
</script>

<template>
  <div class="space-y-3">
    <FormField
      v-slot="{ id }"
      :label="`Position, ${unit}`"
      :hint="next === null ? undefined : `worth trying next: ${mark(next)}`"
      ><input
        :id="id"
        v-model="at"
        class="field text-right"
        inputmode="decimal"
        autocomplete="off"
        @keydown.enter.prevent="read"
    /></FormField>
    <slot :position="position" :valid="valid" />
    <ProgressLine v-if="progress !== null" :share="progress" what="Reading the recording" end="" />
    <template v-else-if="linked">
      <FormField v-slot="{ id }" label="Cylinder that is read"
        ><input :id="id" v-model.number="cylinder" class="field text-right" type="number" min="0" max="89"
      /></FormField>
      <p class="hint">{{ board.hello.value!.board }} homes, seeks and reads there each time.</p>
      <button class="btn btn-primary w-full" :disabled="busy || !valid" data-testid="read-there" @click="read">
        Read there <kbd>Page Down</kbd>
      </button>
      <button class="btn w-full" :disabled="busy" @click="board.end">Disconnect board</button>
    </template>
    <template v-else-if="!on">
      <WireOpenBus v-if="valid" label="Open its recording" @file="f => emit('file', position, f)" />
      <p class="hint">A recording of the interface while the host reads at this position: it tells margins too.</p>
      <div class="border-t border-line pt-3 space-y-2">
        <button class="btn w-full" :disabled="busy || board.connecting.value" @click="board.connect(mechanism)">
          <Cable class="size-4" />Connect a board…
        </button>
        <p class="hint">A board at the interface reads each position for you (Instruments → Bench link).</p>
      </div>
      <div class="border-t border-line pt-3 space-y-3">
        <FormField v-slot="{ id }" label="Or the simulated drive"
          ><select :id="id" v-model="story" class="field">
            <option v-for="s in stories" :key="s.id" :value="s.id">{{ s.label }}</option>
          </select></FormField
        >
        <button class="btn w-full" :disabled="busy" @click="emit('power', story)">
          <CirclePlay class="size-4" />Start simulated drive
        </button>
        <button class="btn w-full" :disabled="busy" @click="board.simulate(mechanism, story)">
          <Cable class="size-4" />The same through a board
        </button>
      </div>
    </template>
    <button v-else class="btn btn-primary w-full" :disabled="busy || !valid" data-testid="read-there" @click="read">
      Set it there and read <kbd>Page Down</kbd>
    </button>
  </div>
</template>
