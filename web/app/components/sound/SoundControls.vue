<script setup lang="ts">
import { Mic, MicOff } from 'lucide-vue-next'
import type { ListenFor } from '../../workers/sound.worker'

/** The sound input: what is listened to, how loud it is, and what is wrong with it. */
const { sound, choices } = defineProps<{
  sound: SoundInput
  /** What can be listened to here. */
  choices: readonly ListenFor[]
}>()
const listenFor = defineModel<ListenFor>('listenFor', { required: true })
const emit = defineEmits<{ start: []; close: [] }>()
const { news, running, inputs, chosen } = sound

const WORDS: Readonly<Record<ListenFor, { readonly label: string; readonly how: string }>> = {
  marks: {
    label: 'Pulses: index line, coil, photodiode',
    how: 'Lead the index line to the input through 100 kΩ, or hold a coil or photodiode to a mark on the flywheel.',
  },
  rub: {
    label: 'A sound once a revolution',
    how: 'Put the microphone against the frame near the spindle. A rub or a tick once a revolution is enough.',
  },
  tone: {
    label: 'The tone of the motor',
    how: 'Hold the microphone, or a coil, to the motor. The tone gives the speed once its count in a revolution is known.',
  },
  steps: {
    label: 'Steps of a seek',
    how: 'Put the microphone on the frame near the stepper, and let the host seek to and fro.',
  },
}

/** dB below full scale; the meter begins at −60. */
const QUIETEST = -60
const decibels = (x: number) => Math.max(QUIETEST, 20 * Math.log10(Math.max(x, 1e-9)))
const peak = computed(() => (news.value ? decibels(news.value.level.peak) : QUIETEST))
const share = (db: number) => `${(100 * (db - QUIETEST)) / -QUIETEST}%`

/** Below this nothing comes; a sample in a thousand at the end of the scale spoils pulses. */
const NOTHING = -50
const CLIPPED = 0.001
/** A sine is 1.4 times as high as its r.m.s.: what stands further out of the hum can be heard in it. */
const HUM_CREST = 2.5
const state = computed(() => {
  const now = news.value
  if (!now) return 'Waiting for sound.'
  if (now.level.clipped > CLIPPED)
    return `Clipped: ${(100 * now.level.clipped).toFixed(1)} % of the samples. Turn the input down.`
  if (now.humHz && now.level.peak < HUM_CREST * now.level.rms)
    return `Mostly hum of ${now.humHz} Hz mains. Keep leads short and away from transformers.`
  if (peak.value < NOTHING) return 'Silent. Turn the input up, or move nearer.'
  return 'Loud enough.'
})
const facts = computed(() => {
  if (!news.value) return []
  const { gaps, clock } = news.value
  return [
    ...(gaps.count
      ? [`${gaps.count} ${gaps.count === 1 ? 'gap' : 'gaps'}, ${gaps.seconds.toFixed(2)} s lost and left out`]
      : []),
    ...(clock
      ? [`clock ${signed(clock.ppm, 0)} ± ${Math.max(1, clock.uncertainty).toFixed(0)} ppm against this device’s`]
      : []),
  ]
})
</script>

<template>
  <div class="rounded-box bg-tint p-3 space-y-3 text-sm" data-testid="sound">
    <div class="flex flex-wrap items-center gap-3">
      <strong class="flex items-center gap-2" role="status">
        <component :is="running ? Mic : MicOff" class="size-5" :class="running ? 'text-leave' : 'text-muted'" />
        {{ running ? 'Recording the sound input' : 'Sound input is off' }}
      </strong>
      <span v-if="news" class="hint">{{ news.timeS.toFixed(0) }} s</span>
      <button class="btn btn-quiet ml-auto" @click="emit('close')">Close sound input</button>
      <button v-if="running" class="btn" @click="sound.end()">Stop recording</button>
      <button v-else class="btn" @click="emit('start')">Record again</button>
    </div>
    <div class="grid sm:grid-cols-2 gap-3">
      <FormField v-slot="{ id }" label="Listen for">
        <select :id="id" v-model="listenFor" class="field">
          <option v-for="c in choices" :key="c" :value="c">{{ WORDS[c].label }}</option>
        </select>
      </FormField>
      <FormField v-slot="{ id }" label="Sound input">
        <select :id="id" v-model="chosen" class="field">
          <option value="">the usual one</option>
          <option v-for="d in inputs.filter(i => i.deviceId !== 'default')" :key="d.deviceId" :value="d.deviceId">
            {{ d.label || 'a sound input' }}
          </option>
        </select>
      </FormField>
    </div>
    <p class="hint">{{ WORDS[listenFor].how }}</p>
    <slot />
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <svg viewBox="0 0 200 14" class="h-3.5 w-50 shrink-0" role="img" :aria-label="`Level ${peak.toFixed(0)} dB`">
        <rect width="200" height="14" rx="3" fill="var(--panel)" stroke="var(--line)" />
        <rect :width="share(peak)" height="14" rx="3" fill="var(--leave)" />
        <path v-for="db in [-40, -20, -6]" :key="db" :d="`M${(200 * (db + 60)) / 60} 0v14`" stroke="var(--line)" />
      </svg>
      <span class="w-14">{{ news ? `${signed(peak, 0)} dB` : '' }}</span>
      <span>{{ state }}</span>
    </div>
    <p v-if="facts.length" class="hint">{{ facts.join(' · ') }}</p>
  </div>
</template>
