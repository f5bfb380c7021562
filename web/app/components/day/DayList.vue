<script setup lang="ts">
import { SETTINGS } from '~/composables/useBenchDay'
import type { TimedTask } from '~/composables/useBenchDay'

/** What to do, in order, with the time of day. */
const { tasks } = defineProps<{ tasks: readonly TimedTask[]; clock: (minute: number) => string }>()

/** From here on nobody has to be told that it may be spared. */
const SURE = 0.95
const place = (t: TimedTask) => ({
  path: `/drives/${t.driveId}`,
  query: t.station ? { station: t.station } : { view: 'case' },
})
</script>

<template>
  <ol class="divide-y divide-line">
    <li v-for="t in tasks" :key="t.id" class="py-2 grid grid-cols-[3.5rem_1fr_auto] gap-x-3 items-start">
      <span class="text-sm text-muted pt-1 tabular-nums">{{ clock(t.start) }}</span>
      <span class="min-w-0">
        <NuxtLink
          :to="place(t)"
          class="flex flex-wrap sm:flex-nowrap items-center gap-x-2.5 gap-y-1 min-h-8 hover:underline underline-offset-2"
        >
          <DriveTag :tag="t.tag" /><span :class="t.attended ? 'font-bold' : ''">{{ t.title }}</span>
        </NuxtLink>
        <span v-if="t.steps.length > 1" class="hint block mt-0.5">{{ t.steps.join(' · ') }}</span>
        <span v-if="t.setting || t.chance < SURE" class="hint block mt-0.5"
          >{{ t.setting ? SETTINGS[t.setting] : ''
          }}<template v-if="t.chance < SURE">
            {{ t.setting ? '· ' : '' }}needed with a chance of {{ Math.round(t.chance * 100) }} %</template
          ></span
        >
        <span v-if="t.expected" class="hint block mt-0.5"
          >Looking for the cause and curing it: as long as such cases take on average.</span
        >
      </span>
      <span class="text-sm shrink-0 pt-1">{{ t.attended ? duration(t.minutes) : `wait ${duration(t.minutes)}` }}</span>
    </li>
  </ol>
</template>
