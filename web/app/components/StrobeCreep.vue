<script setup lang="ts">
import { rpmFromCreep } from '@wobrin/core/instruments/spindle'

const { bars, mainsHz, target } = defineProps<{ bars: number; mainsHz: number; target: number }>()

const emit = defineEmits<{ keep: [rpm: number, uncertainty: number | null] }>()

const taps = ref<number[]>([])
const direction = ref<'forward' | 'backward'>('forward')

const reading = computed(() =>
  taps.value.length > 1 ? rpmFromCreep(bars, mainsHz, taps.value, direction.value) : null,
)
function tap(): void {
  const now = performance.now() / 1000
  // A pause of half a minute starts a new count.
  if (taps.value.length && now - taps.value.at(-1)! > 30) taps.value = []
  taps.value = [...taps.value, now]
}
watch(
  () => [bars, mainsHz],
  () => {
    taps.value = []
  },
)
</script>

<template>
  <section class="panel p-6" aria-labelledby="creep">
    <h2 id="creep" class="text-xl font-bold mb-1">Speed from the creep</h2>
    <p class="text-muted mb-4">Watch one place on the rim and tap as each bar passes it.</p>
    <fieldset class="mb-4 text-sm">
      <legend class="field-label">The bars creep</legend>
      <div class="inline-flex rounded-box border border-muted overflow-hidden">
        <label
          v-for="[id, label] in [
            ['forward', 'with the turning: fast'],
            ['backward', 'against it: slow'],
          ] as const"
          :key="id"
          class="min-h-11 px-3 flex items-center has-focus-visible:outline-3 outline-leave"
          :class="direction === id ? 'bg-ink text-panel font-bold' : ''"
        >
          <input v-model="direction" type="radio" name="creep" :value="id" class="sr-only" />{{ label }}
        </label>
      </div>
    </fieldset>
    <div class="flex flex-wrap items-center gap-4">
      <button class="btn btn-primary min-h-16! min-w-44 text-base!" @click="tap">
        {{ taps.length ? 'A bar passed' : 'Tap as a bar passes' }}
      </button>
      <button v-if="taps.length" class="btn" @click="taps = []">Start again</button>
      <p v-if="reading" data-testid="creep-rpm">
        <span class="text-[32px] leading-none font-bold">{{ reading.rpm.toFixed(2) }}</span>
        <span class="text-muted"
          >{{ reading.uncertainty === null ? '' : `± ${Math.max(0.01, reading.uncertainty).toFixed(2)} ` }}r/min</span
        >
        <span class="hint block"
          >{{ signed(100 * (reading.rpm / target - 1), 2) }} % from {{ target }}, from {{ taps.length }} taps</span
        >
      </p>
      <p v-else-if="taps.length" class="hint">Tap again as the next one passes.</p>
      <button
        v-if="reading"
        class="btn"
        @click="emit('keep', reading.rpm, reading.uncertainty && Math.max(0.01, reading.uncertainty))"
      >
        Save to a drive…
      </button>
    </div>
  </section>
</template>
