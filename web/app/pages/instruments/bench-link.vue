<script setup lang="ts">
import { heldBy, type GateState } from '@wobrin/core/bench/stations'
import { lowerFirst } from '@wobrin/core/base/observations'
import { findMechanism, layoutsOf, MECHANISMS, type MechanismId } from '@wobrin/core/drives'

useHead({ title: 'Bench link · Wobrin' })

const route = useRoute()
const notices = useNotices()
const driveId = typeof route.query.drive === 'string' ? route.query.drive : null
const store = useDrive()
if (driveId) await store.load(driveId).catch(error => notices.problem(problemText(error)))
const drive = computed(() => (driveId && store.drive?.id === driveId ? store.drive : null))
/** The safety gate that keeps the drive from being driven; none without a drive on file. */
const gate = computed((): GateState | null => (drive.value ? heldBy(['power', 'disk'], store.way.gates) : null))

const board = useBoard()
const { hello, news, problem, reading, surface, volts } = board
const steppers = MECHANISMS.filter(m => layoutsOf(m.id).length > 0)
const mechanism = ref<MechanismId>(
  steppers.some(m => m.id === drive.value?.mechanism) ? drive.value!.mechanism : '3.5in',
)
const cylinders = ref(findMechanism(mechanism.value).geometry.cylinders.value)
const heads = ref<1 | 2>(2)
watch(mechanism, m => {
  cylinders.value = findMechanism(m).geometry.cylinders.value
})
const test = useBoardTest(board, mechanism)
const speed = computed(() => news.value?.speed ?? null)
const held = computed(() => gate.value !== null)
const VIEWS = { lines: 'Lines and speed', read: 'Read the disk', test: 'Test the drive' } as const
const view = ref<keyof typeof VIEWS>(driveId ? 'test' : 'lines')

/** What was done last as a file: of the test, or of the read. */
async function file(): Promise<File> {
  const made = view.value === 'test' ? test.file.value : await board.recording('disk read')
  if (!made) throw new Error('There is no recording yet.')
  return made
}
const ready = computed(
  () => !reading.value && (view.value === 'test' ? test.file.value !== null : view.value === 'read' && !!surface.value),
)
const { sending, keep: send, cancel } = useKeepReadTest()
const { keepTo, keep } = useKeepTo(driveId, async id => {
  const choices = { mapping: {}, inverted: false, code: 'auto', trusted: false } as const
  await send(id, { file: await file(), choices }, view.value === 'test' ? 'electronics' : 'prove')
  notices.done(view.value === 'test' ? 'On the log; the bench test shows it.' : 'On the log, with its rail.')
  await navigateTo(`/drives/${id}?view=${view.value === 'test' ? 'test' : 'case'}`)
})
async function save(): Promise<void> {
  const made = await file()
  saveBlob(made.name.replaceAll(' ', '-'), made)
}
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <h1 class="text-xl font-bold">
        Bench link<span v-if="drive" class="font-normal text-muted"> · {{ drive.tag }}</span>
      </h1>
      <FormField v-slot="{ id }" label="Drive type">
        <select :id="id" v-model="mechanism" class="field" :disabled="hello !== null || drive !== null">
          <option v-for="m in steppers" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <template v-if="hello">
        <p class="text-sm">
          <strong>{{ hello.board }}</strong><template v-if="hello.simulated"> · simulated</template>
        </p>
        <p v-if="volts" class="text-sm">
          <span v-for="(v, name) in volts" :key="name" class="block">{{ name }}: {{ v.toFixed(2) }} V</span>
        </p>
        <div class="grid gap-2">
          <button v-if="hello.volts.length" class="btn justify-center" @click="board.readVolts">Read voltages</button>
          <button class="btn justify-center" :disabled="reading" @click="board.end">Disconnect board</button>
        </div>
      </template>
      <div class="text-sm space-y-2 border-t border-line pt-3">
        <p>Take good disks out first. Keep sleeves and hair off the spindle. WRITE GATE is never driven from here.</p>
        <p>
          A board is small and easily built. What it says and hears is written in <strong>docs/bench-link.md</strong>;
          <code>wobrin bench-link --check</code> tries one.
        </p>
      </div>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0 space-y-4">
      <ProblemBand v-if="problem" :problem="problem" />
      <p v-if="gate && drive" class="text-sm border-l-5 border-stop pl-3">
        Safety gate “{{ lowerFirst(gate.gate.label) }}” of {{ drive.tag }} is closed: nothing is driven before it is
        open. <NuxtLink class="link" :to="`/drives/${drive.id}`">What it needs</NuxtLink>
      </p>
      <div v-if="!hello" class="rounded-box border-2 border-dashed border-line p-6">
        <p class="mb-1 text-lg"><strong>Connect a board at the drive’s interface,</strong> or try a simulated one.</p>
        <p class="hint mb-5">It shows the lines, times the index, reads the disk and tries the drive as a host does.</p>
        <BoardStart :board="board" :mechanism="mechanism" />
      </div>
      <template v-else>
        <p v-if="news?.ended" class="text-sm border-l-5 border-stop pl-3" role="alert">
          The board is gone: {{ news.ended }}. What it showed stays here.
        </p>
        <p v-if="news?.nonsense" class="text-sm border-l-5 border-nudge pl-3">Left out: {{ news.nonsense }}</p>
        <div class="flex flex-wrap gap-2 items-center">
          <div class="flex flex-wrap gap-2 grow" role="group" aria-label="What is done">
            <button
              v-for="(label, id) in VIEWS"
              :key="id"
              class="btn"
              :class="view === id && 'bg-tint! font-bold'"
              :aria-pressed="view === id"
              :disabled="reading || (id !== 'lines' && !hello.flux)"
              @click="view = id"
            >
              {{ label }}
            </button>
          </div>
          <template v-if="ready">
            <button v-if="!hello.simulated" class="btn btn-primary" :disabled="sending !== null" @click="keep">
              {{ driveId ? 'Save to log' : 'Save to a drive…' }}
            </button>
            <button class="btn" @click="save">Save recording</button>
          </template>
        </div>
        <KeepBand v-if="sending" :sending="sending" @end="cancel" />
        <p v-if="ready && hello.simulated" class="hint">
          A simulated drive is no evidence of a real one: its recording can be saved as a file, not to a log.
        </p>
        <div v-if="view === 'lines'" class="grid xl:grid-cols-2 gap-6 items-start">
          <BoardLines :hello="hello" :news="news" :busy="reading || held" @set="board.set" />
          <div class="space-y-4">
            <section aria-label="Spindle speed">
              <h2 class="section-title mb-1">Spindle speed by INDEX</h2>
              <p data-testid="board-rpm">
                <span class="text-4xl font-bold">{{ speed?.nowRpm?.toFixed(1) ?? '–' }}</span>
                <span class="text-muted ml-2">r/min</span>
              </p>
              <p class="hint">
                {{ speed ? speed.judged.verdict.reasons[0] : 'Set SELECT and MOTOR low, with a disk in.' }}
              </p>
            </section>
            <section v-if="hello.drives.includes('step')" aria-label="Heads">
              <h2 class="section-title mb-2">Heads</h2>
              <div class="flex flex-wrap gap-2">
                <button class="btn" :disabled="reading || held" @click="board.step('outward')">Step outward</button>
                <button class="btn" :disabled="reading || held" @click="board.step('inward')">Step inward</button>
              </div>
            </section>
          </div>
        </div>
        <BoardRead
          v-else-if="view === 'read'"
          v-model:cylinders="cylinders"
          v-model:heads="heads"
          :board="board"
          :mechanism="mechanism"
          :held="held"
        />
        <BoardTest
          v-else
          v-model:heads="heads"
          :board="board"
          :test="test"
          :held="held"
          @start="test.run(findMechanism(mechanism).geometry.cylinders.value, heads)"
        />
      </template>
    </div>
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      hint="The server reads it again."
      @close="keepTo = null"
      @kept="keepTo = null"
    />
  </div>
</template>
