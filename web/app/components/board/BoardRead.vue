<script setup lang="ts">
import type { MechanismId } from '@wobrin/core/drives'
import { wholeDisk } from '@wobrin/core/instruments/bench-link'
import { totalsOf } from '@wobrin/core/instruments/interface'

/** The disk at a board, read track by track. */
const { board } = defineProps<{ board: Board; mechanism: MechanismId; held: boolean }>()
const cylinders = defineModel<number>('cylinders', { required: true })
const heads = defineModel<1 | 2>('heads', { required: true })
const { surface, reading } = board
const turns = ref(2)
const totals = computed(() => (surface.value ? totalsOf(surface.value.tracks) : null))
const selected = ref<{ readonly cylinder: number; readonly head: 0 | 1 } | null>(null)
</script>

<template>
  <section aria-label="Read the disk" class="space-y-3">
    <p class="hint">
      Select, motor, track zero, then track after track. Each is read for some revolutions; the more, the surer.
    </p>
    <div class="flex flex-wrap gap-3 items-end">
      <BoardSize v-model:cylinders="cylinders" v-model:heads="heads" v-model:turns="turns" />
      <button
        class="btn btn-primary"
        :disabled="held || reading || !(cylinders > 0) || !(turns > 0)"
        @click="board.readTracks(wholeDisk(cylinders, heads), turns)"
      >
        Read the disk
      </button>
    </div>
    <BoardProgress :board="board" />
    <template v-if="surface">
      <p v-if="totals" class="text-sm" data-testid="board-sectors">
        <strong>{{ spaced(totals.good) }} of {{ spaced(totals.good + totals.bad + totals.missing) }} sectors</strong>
        read without error, {{ surface.done }} of {{ surface.all }} tracks.
      </p>
      <CallBand v-if="surface.call" :call="surface.call" />
      <RailReadRail
        v-model:selected="selected"
        :tracks="surface.tracks"
        :mechanism="mechanism"
        :heads="heads"
        :before="null"
      />
    </template>
  </section>
</template>
