<script setup lang="ts">
import { ArrowLeft } from 'lucide-vue-next'
import { upperFirst } from '@wobrin/core/base/observations'
import { findCheck, type WorkBox } from '@wobrin/core/diagnosis'
import { stepsOf } from '@wobrin/core/bench/case'
import { STATIONS } from '@wobrin/core/bench/stations'

/** One function of the map: what is known of it, what may break it, its checks and its procedure. */
const { box } = defineProps<{ box: WorkBox }>()
const emit = defineEmits<{ back: []; check: [id: string] }>()
const store = useDrive()
const checks = computed(() => box.checks.map(id => findCheck(id)!).filter(c => c.ask !== false))
const steps = computed(() =>
  stepsOf(box.id, store.way).map(({ station, step }) => ({
    ...step,
    station,
    at: STATIONS.find(s => s.id === station)!.label,
  })),
)
</script>

<template>
  <section class="text-sm min-w-0" data-testid="function" :aria-label="`Function ${box.label}`">
    <button class="link inline-flex items-center gap-1 min-h-8 mb-1" type="button" @click="emit('back')">
      <ArrowLeft class="size-3.5" />What it may be
    </button>
    <h2 class="text-base font-bold flex items-center gap-2">
      <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true"><CaseMapMark :state="box.state" /></svg
      >{{ box.label }}
    </h2>
    <p class="mb-2">
      {{ upperFirst(WORK_STATES[box.state]) }}<template v-if="box.says">: {{ box.says }}</template
      >.
    </p>
    <template v-if="box.suspects.length">
      <h3 class="section-title">What may break it</h3>
      <ul class="mb-2">
        <li v-for="s in box.suspects" :key="s.fault" class="flex gap-2 justify-between">
          <span>{{ s.label }}</span><span class="font-bold">{{ percent(s.probability) }}</span>
        </li>
      </ul>
    </template>
    <template v-if="checks.length">
      <h3 class="section-title">Checks</h3>
      <ul class="mb-2">
        <li v-for="c in checks" :key="c.id">
          <button class="link min-h-8 text-left" type="button" @click="emit('check', c.id)">{{ c.title }}</button>
          <span class="hint"> {{ c.minutes }} min</span>
        </li>
      </ul>
    </template>
    <template v-if="steps.length">
      <h3 class="section-title">Procedure</h3>
      <ul>
        <li v-for="s in steps" :key="s.id">
          <NuxtLink class="link inline-block min-h-8" :to="{ query: { station: s.station, step: s.id } }"
            >{{ s.at }}: {{ s.title }}</NuxtLink
          >
        </li>
      </ul>
    </template>
  </section>
</template>
