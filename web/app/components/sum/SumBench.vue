<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { SUMS } from '@wobrin/core/instruments'
import type { LogEntry, StationId } from '@wobrin/core/observations'
import { standingEntries } from '@wobrin/core/observations'

/** The instruments of a station, each starting from what was last kept with this drive. */
const { station, driveId, log } = defineProps<{ station: StationId, driveId: string, log: readonly LogEntry[], closed: boolean }>()
const emit = defineEmits<{ kept: [LogEntry], pulleys: [Record<string, string>] }>()
const sums = computed(() => SUMS.filter(s => s.station === station))
const last = (id: string) => standingEntries(log).findLast(e => e.data?.type === 'sum' && e.data.instrument === id)?.data
const start = (id: string) => { const d = last(id); return d?.type === 'sum' ? { ...d.values } : {} }
</script>

<template>
  <TabGroup v-if="sums.length && !closed" as="section" aria-label="Instruments here">
    <TabList v-if="sums.length > 1" class="flex flex-wrap gap-x-5 border-b border-line mb-4"><Tab v-for="s in sums" :key="s.id" v-slot="{ selected }" as="template"><button class="min-h-11 border-b-3 -mb-px text-sm" :class="selected ? 'border-ink font-bold' : 'border-transparent text-muted'">{{ s.title }}</button></Tab></TabList>
    <TabPanels>
      <TabPanel v-for="s in sums" :key="s.id" :tabindex="-1">
        <SumInstrument :instrument="s.id" :drive-id="driveId" :start="start(s.id)" @kept="emit('kept', $event)">
          <template #default="{ typed }"><SumBeltDrawing v-if="s.id === 'belt'" :typed="typed" /></template>
          <template #actions="{ typed }"><button v-if="s.id === 'belt'" class="btn" @click="emit('pulleys', { ...typed })">Give the sizes to Speed</button></template>
        </SumInstrument>
      </TabPanel>
    </TabPanels>
  </TabGroup>
</template>
