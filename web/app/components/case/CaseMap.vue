<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import type { WorkBox, WorkState } from '@wobrin/core/diagnosis'

/** The map of what works: the drive's functions as a wiring drawing, generated from the model. */
const { works, chosen } = defineProps<{ works: readonly WorkBox[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string] }>()
const KEYS = Object.keys(WORK_STATES) as WorkState[]
/** A phone has the functions as a list. */
const wide = useMediaQuery('(min-width: 48rem)')
const map = computed(() => placeWorks(works))
const LONGEST = { label: 16, says: 21 } as const
const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text)
/** Answers that say no more than the state itself. */
const PLAIN = new Set(['yes', 'no', 'right', 'normal', 'none'])
const says = (w: WorkBox) =>
  (w.state === 'works' || w.state === 'fails') && !PLAIN.has(w.says)
    ? w.says || WORK_STATES[w.state]
    : WORK_STATES[w.state]
</script>

<template>
  <section aria-label="What works">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 mb-1.5">
      <h2 class="section-title">What works</h2>
      <ul class="flex flex-wrap gap-x-4 text-sm" aria-label="Marks">
        <li v-for="s in KEYS" :key="s" class="flex items-center gap-1.5">
          <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><CaseMapMark :state="s" /></svg
          >{{ WORK_STATES[s] }}
        </li>
      </ul>
    </div>
    <svg
      v-if="wide"
      :viewBox="`0 0 ${map.width} ${map.height}`"
      class="w-full h-auto"
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
        :aria-label="`${w.label}: ${WORK_STATES[w.state]}${w.says ? `, ${w.says}` : ''}`"
        :aria-pressed="chosen === w.id"
        :data-state="w.state"
        :data-function="w.id"
        @click="emit('choose', w.id)"
        @keydown.enter.prevent="emit('choose', w.id)"
        @keydown.space.prevent="emit('choose', w.id)"
      >
        <rect
          :width="BOX.width"
          :height="BOX.height"
          rx="4"
          :class="`map-${w.state.replace(' ', '-')}`"
          :stroke-width="chosen === w.id ? 3 : w.state === 'fails' ? 2 : 1.2"
        />
        <text
          x="8"
          y="17"
          font-size="13"
          font-weight="700"
          :class="w.state === 'not judged' ? 'fill-muted' : 'fill-ink'"
        >
          {{ short(w.label, LONGEST.label) }}
        </text>
        <text x="8" y="32" font-size="12" class="fill-muted">{{ short(says(w), LONGEST.says) }}</text>
        <g :transform="`translate(${BOX.width - 12} 12)`"><CaseMapMark :state="w.state" /></g>
      </g>
    </svg>
    <ul v-else class="text-sm">
      <li v-for="w in works" :key="w.id" class="border-b border-line">
        <button
          class="w-full flex items-center gap-2 min-h-11 text-left"
          type="button"
          :aria-pressed="chosen === w.id"
          @click="emit('choose', w.id)"
        >
          <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><CaseMapMark :state="w.state" /></svg
          ><span class="grow font-bold">{{ w.label }}</span
          ><span class="hint">{{ says(w) }}</span>
        </button>
      </li>
    </ul>
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
