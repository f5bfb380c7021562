<script setup lang="ts">
import { Check, CircleDashed, Lock, Minus, RotateCcw, X } from 'lucide-vue-next'
import { POINT_STATES, TEST_GROUPS, type BenchTest, type PointState } from '@wobrin/core/bench/bench-test'
import { SOURCES } from '@wobrin/core/base/observations'

/** Points of a bench test: what is expected beside what was seen. */
const { sheet } = defineProps<{ sheet: BenchTest; current: string | null }>()
const emit = defineEmits<{ choose: [check: string] }>()
const MARKS: Readonly<Record<PointState, unknown>> = {
  right: Check,
  wrong: X,
  again: RotateCcw,
  'could not try': Minus,
  'not tried': CircleDashed,
}
const groups = computed(() =>
  TEST_GROUPS.map(group => ({ group, points: sheet.points.filter(p => p.point.group === group) })).filter(
    g => g.points.length,
  ),
)
/** The point at hand stays in sight while the list is longer than its panel. */
const show = (row: HTMLElement | null) => row?.scrollIntoView({ block: 'nearest' })
</script>

<template>
  <section aria-label="Points of the bench test" data-testid="bench-test">
    <div class="flex items-baseline justify-between gap-3">
      <h2 class="text-lg font-bold">Bench test</h2>
      <p class="text-sm" role="status">
        {{ sheet.tried }} of {{ sheet.points.length }} tried<template v-if="sheet.wrong">
          · <strong>{{ sheet.wrong }} wrong</strong></template
        >
      </p>
    </div>
    <p class="hidden lg:grid grid-cols-[1rem_9.5rem_minmax(0,1fr)_9rem] gap-2.5 px-2 mt-2 text-xs hint">
      <span class="col-start-3">Expected</span><span>Seen</span>
    </p>
    <div v-for="g in groups" :key="g.group" class="mt-1">
      <h3 class="section-title px-2">{{ g.group }}</h3>
      <ul>
        <li v-for="p in g.points" :key="p.point.check">
          <button
            :ref="el => p.point.check === current && show(el as HTMLElement | null)"
            type="button"
            class="grid grid-cols-[1rem_minmax(0,1fr)_minmax(0,1fr)] lg:grid-cols-[1rem_9.5rem_minmax(0,1fr)_9rem] gap-2.5 w-full min-h-9 px-2 py-1 items-center text-left text-sm rounded-box leading-tight"
            :class="p.point.check === current ? 'bg-tint outline-2 -outline-offset-2 outline-ink' : 'hover:bg-tint'"
            :aria-current="p.point.check === current ? 'step' : undefined"
            :data-state="p.state"
            @click="emit('choose', p.point.check)"
          >
            <component
              :is="p.held && p.state === 'not tried' ? Lock : MARKS[p.state]"
              class="size-4"
              :class="{ 'text-muted': p.state === 'not tried' || p.state === 'could not try' }"
              aria-hidden="true"
            />
            <span :class="{ 'font-bold': p.state === 'wrong' }">{{ p.point.label }}</span>
            <span class="hint text-xs hidden lg:block line-clamp-2" :title="p.expected">{{ p.expected }}</span>
            <span :class="p.state === 'wrong' ? 'font-bold' : p.seen ? '' : 'hint'">
              <template v-if="p.seen"
                >{{ p.seen }}<span class="sr-only">, {{ POINT_STATES[p.state] }}</span></template
              >
              <template v-else-if="p.state === 'not tried'">{{ p.held ? 'held' : '' }}</template>
              <template v-else>{{ POINT_STATES[p.state] }}</template>
              <span v-if="p.source && p.source !== 'hand' && p.source !== 'simulated'" class="text-xs font-normal hint">
                · {{ SOURCES[p.source].label.toLowerCase() }}</span
              >
            </span>
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>
