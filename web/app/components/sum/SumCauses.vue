<script setup lang="ts">
import { calculatorView, caseOfLog, plainCase } from '@wobrin/core/diagnosis'
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import type { CallKind } from '@wobrin/core/base/observations'

/** What the fields of a calculator speak for: the engine judges it, with everything on the drive's log. */
const { instrument, typed, call, atDrive } = defineProps<{
  instrument: string
  typed: Readonly<Record<string, string>>
  call: CallKind | null
  atDrive: boolean
}>()
const store = useDrive()
/** Where no drive is at hand its type is asked for. */
const mechanism = ref<MechanismId>(instrument === 'serial-bus' ? '5.25in-serial' : '5.25in-48')
const diagnosis = computed(() => {
  const drive = atDrive ? store.drive : null
  const c = drive ? caseOfLog(drive, store.log) : plainCase(mechanism.value)
  return calculatorView(instrument, typed, call, c)
})
const MOST = 5
</script>

<template>
  <section v-if="diagnosis" class="mb-5" aria-label="What it may be">
    <div class="flex flex-wrap items-center justify-between gap-2 mb-1">
      <h3 class="section-title">What it may be</h3>
      <label v-if="!atDrive" class="hint text-sm flex items-center gap-2"
        >Drive type
        <select v-model="mechanism" class="field w-auto!">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select></label
      ><span v-else class="hint text-sm">with all that is on the log</span>
    </div>
    <ul class="text-sm">
      <li v-for="c in diagnosis.causes.slice(0, MOST)" :key="c.fault" class="py-1">
        <div class="flex justify-between gap-3">
          <span>{{ c.label }}</span><span class="font-bold whitespace-nowrap">{{ percent(c.probability) }}</span>
        </div>
        <div class="h-1.5 mt-0.5 rounded bg-tint">
          <div class="h-full rounded bg-ink" :style="{ width: `${Math.max(1, c.probability * 100)}%` }" />
        </div>
      </li>
      <li v-if="!diagnosis.causes.length" class="hint">Nothing of it points to a fault.</li>
    </ul>
    <p v-if="diagnosis.cure" class="text-sm mt-2"><strong>Cure:</strong> {{ diagnosis.cure.says }}</p>
    <p v-else-if="diagnosis.next[0]" class="text-sm mt-2">
      <strong>Next check:</strong> {{ diagnosis.next[0].title }} ({{ diagnosis.next[0].minutes }} min)
    </p>
  </section>
</template>
