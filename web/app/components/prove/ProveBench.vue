<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import type { LogEntry, DriveFacts } from '@wobrin/core/log'

/** All of Prove: what may be claimed, and the tests that lead there. */
const { drive, log, closed } = defineProps<{
  drive: DriveFacts
  log: readonly LogEntry[]
  closed: boolean
  book: ReturnType<typeof useAsFound>
}>()
const emit = defineEmits<{ kept: [LogEntry] }>()
const TABS = ['Claims', 'Write test', 'Read tests', 'Counts and loads', 'Covers on'] as const
const chosen = ref(0)
const kept = (entry: LogEntry) => emit('kept', entry)
</script>

<template>
  <TabGroup
    as="section"
    aria-label="Proof"
    :selected-index="chosen"
    @change="
      (i: number) => {
        chosen = i
      }
    "
  >
    <TabList class="flex flex-wrap gap-x-5 border-b border-line mb-5">
      <Tab v-for="t in TABS" :key="t" v-slot="{ selected }" as="template"
        ><button
          class="min-h-11 border-b-3 -mb-px text-sm"
          :class="selected ? 'border-ink font-bold' : 'border-transparent text-muted'"
        >
          {{ t }}
        </button></Tab
      >
    </TabList>
    <TabPanels>
      <TabPanel :tabindex="-1"
        ><ProveLadder :drive="drive" :log="log" :closed="closed" @kept="kept" @write="chosen = 1"
      /></TabPanel>
      <TabPanel :tabindex="-1"
        ><p v-if="closed" class="hint">It has left; nothing more is written with it.</p>
        <ProveWriteTest v-else :mechanism="drive.mechanism" :drive-id="drive.id" @kept="kept"
      /></TabPanel>
      <TabPanel :tabindex="-1"
        ><DriveReadTests :log="log" :drive-id="drive.id" station="prove" />
        <p class="mt-4">
          <NuxtLink class="link" to="/instruments/blame">Disk or drive?</NuxtLink>
          <span class="hint">Disks that read here and not there, across the bench.</span>
        </p></TabPanel
      >
      <TabPanel :tabindex="-1"
        ><SumBench
          station="prove"
          :only="['Counts', 'Loading']"
          :drive-id="drive.id"
          :log="log"
          :closed="closed"
          @kept="kept"
      /></TabPanel>
      <TabPanel :tabindex="-1" class="space-y-6"
        ><ProveClosing :log="log" :drive="drive" />
        <div>
          <h3 class="text-lg font-bold mb-3">Put back</h3>
          <AsFoundPutBack :book="book" :closed="closed" />
        </div>
        <SumBench station="prove" :only="['Covers on']" :drive-id="drive.id" :log="log" :closed="closed" @kept="kept"
      /></TabPanel>
    </TabPanels>
  </TabGroup>
</template>
