<script setup lang="ts">
import { ChevronLeft, ChevronRight, Minus, Plus } from 'lucide-vue-next'
import { LINES, type LineName } from '@wobrin/core/instruments/interface'
import { ADJUSTERS, type Adjuster } from '@wobrin/core/simulator'
import type { LiveState } from '~/workers/drive.worker'

/** What the host and the hands can do with the simulated drive. */
const { state, wire } = defineProps<{ state: LiveState; wire: LineName | null }>()
const emit = defineEmits<{
  set: ['select' | 'motor' | 'side', boolean]
  step: [boolean]
  disk: [boolean]
  tab: [boolean]
  nudge: [Adjuster, number]
  wiggle: [LineName | null]
}>()

const HOST = ['select', 'motor', 'side'] as const
const SAYS: Readonly<Record<(typeof HOST)[number], readonly [string, string]>> = {
  select: ['Not selected', 'Selected'],
  motor: ['Motor off', 'Motor on'],
  side: ['Lower head', 'Upper head'],
}
const adjuster = ref<Adjuster>('upper')
const by: Readonly<Record<Adjuster, { readonly step: number; readonly says: string }>> = {
  sensor: { step: 0.1, says: '0.1 cylinder' },
  stepper: { step: 10, says: '10 µm' },
  upper: { step: 10, says: '10 µm' },
  lower: { step: 10, says: '10 µm' },
  trimmer: { step: 0.05, says: '1/20 turn' },
}
const chosenWire = ref<LineName>('read-data')
</script>

<template>
  <div class="space-y-5">
    <section aria-label="Host">
      <h2 class="section-title mb-2">The host</h2>
      <p v-if="!state.lines.select.low || !state.lines.motor.low" class="hint mb-2">
        {{
          state.lines.select.low ? 'Next: switch the motor on.' : 'First: select the drive, then switch the motor on.'
        }}
      </p>
      <div class="grid grid-cols-2 gap-2">
        <button
          v-for="line in HOST"
          :key="line"
          class="btn px-2 first:col-span-2"
          :class="{ 'btn-primary': state.lines[line].low }"
          :aria-pressed="state.lines[line].low"
          @click="emit('set', line, !state.lines[line].low)"
        >
          {{ SAYS[line][state.lines[line].low ? 1 : 0] }}
        </button>
      </div>
      <div class="grid grid-cols-2 gap-2 mt-2">
        <button class="btn" @click="emit('step', false)"><ChevronLeft class="size-4" />Step out</button
        ><button class="btn" @click="emit('step', true)">Step in<ChevronRight class="size-4" /></button>
      </div>
    </section>
    <section aria-label="Hands">
      <h2 class="section-title mb-2">Your hands</h2>
      <div class="grid grid-cols-2 gap-2">
        <button class="btn" @click="emit('disk', !state.diskIn)">
          {{ state.diskIn ? 'Take disk out' : 'Put disk in' }}
        </button>
        <button class="btn" :aria-pressed="state.tabProtected" @click="emit('tab', !state.tabProtected)">
          {{ state.tabProtected ? 'Open the tab' : 'Protect disk' }}
        </button>
      </div>
      <div class="grid grid-cols-[1fr_auto_auto] gap-2 mt-3 items-end">
        <FormField v-slot="{ id }" label="Adjuster"
          ><select :id="id" v-model="adjuster" class="field">
            <option v-for="(label, a) in ADJUSTERS" :key="a" :value="a">{{ label }}</option>
          </select></FormField
        >
        <button
          class="btn px-3"
          :aria-label="`${ADJUSTERS[adjuster]} back by ${by[adjuster].says}`"
          @click="emit('nudge', adjuster, -by[adjuster].step)"
        >
          <Minus class="size-4" />
        </button>
        <button
          class="btn px-3"
          :aria-label="`${ADJUSTERS[adjuster]} on by ${by[adjuster].says}`"
          @click="emit('nudge', adjuster, by[adjuster].step)"
        >
          <Plus class="size-4" />
        </button>
      </div>
      <p class="hint mt-1">
        {{ by[adjuster].says }} a press{{ adjuster === 'trimmer' ? ', to the right' : ', towards the hub' }}
      </p>
      <div class="grid grid-cols-[1fr_auto] gap-2 mt-3 items-end">
        <FormField v-slot="{ id }" label="Wire at its plug"
          ><select :id="id" v-model="chosenWire" class="field" :disabled="wire !== null">
            <option
              v-for="l in [
                'read-data',
                'index',
                'track-0',
                'select',
                'step',
                'side',
                'motor',
                'ready',
                'disk-change',
                'write-protect',
              ] as const"
              :key="l"
              :value="l"
            >
              {{ LINES[l].label }}
            </option>
          </select></FormField
        >
        <button
          class="btn"
          :class="{ 'btn-primary': wire }"
          :aria-pressed="wire !== null"
          @click="emit('wiggle', wire ? null : chosenWire)"
        >
          {{ wire ? 'End wiggle' : 'Wiggle it' }}
        </button>
      </div>
    </section>
  </div>
</template>
