<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { DRIVE_STORIES } from '@wobrin/core/simulator'

/** A worked example of a read test: the simulated drive, read as the page opens. */
const MECHANISM = '5.25in-48'
const STORY = 'upper-leans'
const worker = useDriveWorker()
const test = useReadTest(worker)
const label = DRIVE_STORIES.find(s => s.id === STORY)?.label ?? ''
const tracks = computed(() => test.growing.value ?? test.run.value?.tracks ?? [])
const selected = ref<{ readonly cylinder: number; readonly head: 0 | 1 } | null>(null)
// The page stands first; whoever opens a recording at once is not kept waiting.
useTimeoutFn(() => test.readStory(MECHANISM, STORY), 400)
</script>

<template>
  <section v-if="tracks.length" class="panel px-5 py-4 space-y-3" aria-label="Worked example">
    <p>
      <strong>Worked example.</strong> The simulated drive, {{ label.toLowerCase() }}: a bar for each cylinder, as long
      as the timing margin that is left.
    </p>
    <CallBand v-if="test.run.value && !test.growing.value" :call="test.run.value.call" />
    <RailReadRail v-model:selected="selected" :tracks="tracks" :before="null" :mechanism="MECHANISM" :heads="2" />
  </section>
</template>
