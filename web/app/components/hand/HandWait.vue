<script setup lang="ts">
import { heldByDefault, USUAL_WAITS } from '@wobrin/core/bench/stations'
import type { LogEntry } from '@wobrin/core/log'

/** Waits: those that run, and the usual ones by large tiles. */
const { closed } = defineProps<{ closed: boolean }>()
const store = useDrive()
const attempt = useAttempt()
const undone = computed(() =>
  store.way.stations.flatMap(s => s.steps.filter(x => !x.done && x.needed).map(x => x.step.id)),
)
const start = (what: string, minutes: number, holds: readonly string[] | null) =>
  attempt(() =>
    store.add({
      kind: 'wait',
      station: store.progress.current,
      title: what,
      minutes,
      holds: heldByDefault(holds, undone.value, undone.value[0] ?? null),
      detail: duration(minutes),
    }),
  )
const end = (wait: LogEntry) =>
  attempt(() => store.add({ kind: 'wait-ended', station: wait.station, title: `${wait.title}: over`, wait: wait.id }))
</script>

<template>
  <div class="space-y-4">
    <DriveWaits :waits="store.way.waits" @end="end" />
    <ul v-if="!closed" class="grid gap-2" aria-label="Start a wait">
      <li v-for="w in USUAL_WAITS" :key="w.what">
        <button
          class="w-full min-h-16 px-4 rounded-box border border-line bg-panel text-left flex items-center gap-3"
          type="button"
          @click="start(w.what, w.minutes, w.holds)"
        >
          <strong class="grow">{{ w.what }}</strong><span class="hint">{{ duration(w.minutes) }}</span>
        </button>
      </li>
    </ul>
    <p class="hint">Usual times (common practice). The sheet of the product counts.</p>
  </div>
</template>
