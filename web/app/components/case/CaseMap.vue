<script setup lang="ts">
import { findCheck, type WorkBox, type WorkState } from '@wobrin/core/diagnosis'

/** The map of what works: the drive's functions as a wiring drawing, generated from the model. */
const { works } = defineProps<{ works: readonly WorkBox[] }>()
const STATES: Readonly<Record<WorkState, string>> = {
  works: 'works',
  fails: 'fails',
  'not tried': 'not tried',
  'not judged': 'cannot be judged yet',
}
const KEYS = Object.keys(STATES) as WorkState[]
const map = computed(() => placeWorks(works))
const chosen = ref<string | null>(null)
const box = computed(() => works.find(w => w.id === chosen.value) ?? null)
const choose = (id: string) => {
  chosen.value = chosen.value === id ? null : id
}
const checks = computed(() => (box.value?.checks ?? []).map(id => findCheck(id)!).filter(c => c.ask !== false))
const LONGEST = 22
const short = (text: string) => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text)
/** Answers that say no more than the state itself. */
const PLAIN = new Set(['yes', 'no', 'right', 'normal', 'none'])
const says = (w: WorkBox) =>
  short(
    (w.state === 'works' || w.state === 'fails') && !PLAIN.has(w.says) ? w.says || STATES[w.state] : STATES[w.state],
  )
</script>

<template>
  <section aria-label="What works">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 mb-2">
      <h3 class="section-title">What works</h3>
      <ul class="flex flex-wrap gap-x-4 text-sm" aria-label="Marks">
        <li v-for="s in KEYS" :key="s" class="flex items-center gap-1.5">
          <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><CaseMapMark :state="s" /></svg
          >{{ STATES[s] }}
        </li>
      </ul>
    </div>
    <svg
      :viewBox="`0 0 ${map.width} ${map.height}`"
      class="w-full h-auto hidden md:block"
      :style="{ maxHeight: '29rem' }"
      role="group"
      aria-label="Functions of the drive"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
          <line y2="6" stroke="var(--color-line)" stroke-width="2" />
        </pattern>
      </defs>
      <path
        v-for="l in map.lines"
        :key="l.key"
        :d="wirePath(l.points)"
        fill="none"
        :stroke="l.whole ? 'var(--color-ink)' : 'var(--color-muted)'"
        :stroke-width="l.whole ? 1.8 : 1"
        :stroke-dasharray="l.whole ? undefined : '1 4'"
      />
      <g
        v-for="w in map.boxes"
        :key="w.id"
        :transform="`translate(${w.x - BOX.width / 2} ${w.y - BOX.height / 2})`"
        role="button"
        tabindex="0"
        class="cursor-pointer focus-visible:outline-2 outline-offset-2 outline-leave"
        :aria-label="`${w.label}: ${STATES[w.state]}${w.says ? `, ${w.says}` : ''}`"
        :aria-pressed="chosen === w.id"
        :data-state="w.state"
        :data-function="w.id"
        @click="choose(w.id)"
        @keydown.enter.prevent="choose(w.id)"
        @keydown.space.prevent="choose(w.id)"
      >
        <rect
          :width="BOX.width"
          :height="BOX.height"
          rx="4"
          :class="`map-${w.state.replace(' ', '-')}`"
          :stroke-width="chosen === w.id ? 3 : w.state === 'fails' ? 2 : 1.2"
        />
        <text
          x="7"
          y="16"
          font-size="12"
          font-weight="700"
          :class="w.state === 'not judged' ? 'fill-muted' : 'fill-ink'"
        >
          {{ short(w.label) }}
        </text>
        <text x="7" y="31" font-size="11" class="fill-muted">{{ says(w) }}</text>
        <g :transform="`translate(${BOX.width - 11} 12)`"><CaseMapMark :state="w.state" /></g>
      </g>
    </svg>
    <ul class="md:hidden text-sm">
      <li v-for="w in works" :key="w.id" class="border-b border-line">
        <button class="w-full flex items-center gap-2 min-h-11 text-left" type="button" @click="choose(w.id)">
          <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><CaseMapMark :state="w.state" /></svg
          ><span class="grow font-bold">{{ w.label }}</span
          ><span class="hint">{{ says(w) }}</span>
        </button>
      </li>
    </ul>
    <div
      v-if="box"
      class="mt-3 border-l-5 border-line pl-3 text-sm grid sm:grid-cols-2 gap-x-8 gap-y-2"
      data-testid="function"
    >
      <div>
        <p>
          <strong>{{ box.label }}</strong> {{ STATES[box.state] }}<template v-if="box.says">: {{ box.says }}</template>
        </p>
        <p v-if="box.suspects.length" class="hint mt-1">What may break it:</p>
        <ul>
          <li v-for="s in box.suspects" :key="s.fault">{{ percent(s.probability) }} {{ s.label }}</li>
        </ul>
      </div>
      <div v-if="checks.length">
        <p class="hint">Checks that tell:</p>
        <ul>
          <li v-for="c in checks" :key="c.id">{{ c.title }} ({{ c.minutes }} min)</li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.map-works {
  fill: var(--color-leave-tint);
  stroke: var(--color-leave);
}
.map-fails {
  fill: var(--color-mend-tint);
  stroke: var(--color-mend);
}
.map-not-tried {
  fill: var(--color-panel);
  stroke: var(--color-muted);
  stroke-dasharray: 4 3;
}
.map-not-judged {
  fill: url('#hatch');
  stroke: var(--color-line);
}
</style>
