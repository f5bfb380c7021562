<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import type { Station } from '@wobrin/core/procedures'

const { station, done, finished } = defineProps<{ station: Station, done: ReadonlySet<string>, finished: boolean, closed: boolean }>()
const emit = defineEmits<{ step: [string], finish: [] }>()

const next = computed(() => station.steps.find(s => !done.has(s.id)) ?? null)
</script>

<template>
  <section :aria-label="`${station.label}, steps`">
    <h2 class="section-title mb-3">{{ station.label }} · steps</h2>
    <ol class="space-y-1 -mx-2">
      <li v-for="step in station.steps" :key="step.id">
        <component
          :is="closed ? 'div' : 'button'" class="w-full flex gap-3 text-left rounded-box px-2 py-2.5 min-h-11" :class="next?.id === step.id && !finished ? 'bg-tint' : 'hover:bg-tint'"
          :aria-pressed="closed ? undefined : done.has(step.id)" @click="!closed && emit('step', step.id)"
        >
          <span
            class="mt-0.5 size-[18px] shrink-0 grid place-items-center" :class="done.has(step.id) ? 'rounded-full bg-ink text-panel' : next?.id === step.id && !finished ? 'rounded-[4px] border-2 border-ink' : 'rounded-full border-[1.6px] border-muted'"
            aria-hidden="true"
          ><Check v-if="done.has(step.id)" class="size-3" stroke-width="3.5" /></span>
          <span>
            <span :class="done.has(step.id) ? 'text-muted' : next?.id === step.id ? 'font-bold' : ''">{{ step.title }}</span>
            <span v-if="next?.id === step.id && !finished" class="hint block mt-1">{{ step.why }}</span>
          </span>
        </component>
      </li>
    </ol>
    <div v-if="!closed" class="mt-4">
      <button v-if="next && !finished" class="btn btn-primary" aria-keyshortcuts="Space" @click="emit('step', next.id)">Step done <span class="font-normal opacity-80">Space</span></button>
      <p v-else-if="station.id === 'release'" class="hint">Say on the right how it leaves.</p>
      <button v-else-if="!finished" class="btn btn-primary" @click="emit('finish')">{{ station.label }} is finished</button>
      <p v-else class="hint">This station is finished.</p>
      <button v-if="next && !finished && station.id !== 'release'" class="block mt-1 min-h-11 text-sm text-muted link" @click="emit('finish')">Finish without the rest</button>
    </div>
    <div v-if="station.mind.length" class="border-t border-line mt-3 pt-3">
      <h3 class="text-sm font-bold">Mind</h3>
      <ul class="text-sm space-y-1.5 mt-1"><li v-for="m in station.mind" :key="m">{{ m }}</li></ul>
    </div>
  </section>
</template>
