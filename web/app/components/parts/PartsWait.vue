<script setup lang="ts">
import { GLUES, gluesFor, type ProcedureStep } from '@wobrin/core/bench/procedures'
import { heldByRests } from '@wobrin/core/bench/stations'

/** What goes on by itself after a step of a procedure: how long, what rests meanwhile, and which glue it depends on. */
const { wait, glue, closed } = defineProps<{
  wait: NonNullable<ProcedureStep['wait']>
  glue?: ProcedureStep['glue']
  closed: boolean
}>()
const store = useDrive()
const attempt = useAttempt()
const notices = useNotices()
const glues = computed(() => (glue ? gluesFor(glue.joins, glue.nearby) : []))
const chosen = ref(glues.value[0]?.id ?? '')
const its = computed(() => GLUES.find(g => g.id === chosen.value) ?? null)
const minutes = computed(() => its.value?.cureMinutes ?? wait.minutes)
const RESTS = {
  power: 'no power',
  carriage: 'carriage not moved',
  heads: 'heads not touched',
  disk: 'no disk in',
} as const
const running = computed(() => store.way.waits.some(w => !w.over && w.what === wait.what))

async function start(): Promise<void> {
  const undone = store.way.stations.flatMap(s => s.steps.filter(x => !x.done).map(x => x.step.id))
  await attempt(async () => {
    await store.add({
      kind: 'wait',
      station: store.progress.current,
      title: wait.what,
      minutes: minutes.value,
      holds: heldByRests(wait.rests, undone),
      rests: [...wait.rests],
      detail: [its.value?.label, duration(minutes.value)].filter(Boolean).join(', '),
    })
    notices.done(`${wait.what}: ${duration(minutes.value)}. It is on the log.`)
  })
}
</script>

<template>
  <div class="mt-1 mb-2 border-l-5 border-muted bg-tint px-3 py-2">
    <p>
      <strong>{{ wait.what }}: {{ duration(minutes) }}</strong
      ><span class="hint ml-2">{{ wait.rests.map(r => RESTS[r]).join(', ') }}</span>
    </p>
    <template v-if="glues.length">
      <label class="block mt-1"
        ><span class="sr-only">Glue</span
        ><select v-model="chosen" class="field">
          <option v-for="g in glues" :key="g.id" :value="g.id">{{ g.label }}, {{ duration(g.cureMinutes) }}</option>
        </select></label
      >
      <p v-if="its" class="hint mt-1">
        {{ its.why }} To be moved after {{ duration(its.handleMinutes) }}. Times are from memory: the tube counts.
      </p>
    </template>
    <p v-else-if="glue" class="hint mt-1">No glue of the list joins this beside what is close by.</p>
    <p v-if="running" class="hint mt-1">This wait is running.</p>
    <button v-else-if="!closed" class="btn mt-1.5" type="button" @click="start">Start wait</button>
  </div>
</template>
