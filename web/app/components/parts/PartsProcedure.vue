<script setup lang="ts">
import { changePart } from '@wobrin/core/bench/procedures'
import { foundIds } from '@wobrin/core/findings'

/** How a part of the drive at hand is changed, step by step. */
const { part } = defineProps<{ part: string }>()
const store = useDrive()
const { procedures } = await useProcedures()
const told = computed(() => changePart(part, store.drive!, foundIds(store.log), procedures.value))
const closed = computed(() => store.progress.outcome !== null)
</script>

<template>
  <details class="mt-1 text-sm">
    <summary class="py-2 font-bold">How it is changed: {{ told.steps.length }} steps, {{ told.hands }} min</summary>
    <ProcedureSteps :told="told"
      ><template #wait="{ step, wait }"><PartsWait :wait="wait" :glue="step.glue" :closed="closed" /></template
    ></ProcedureSteps>
  </details>
</template>
