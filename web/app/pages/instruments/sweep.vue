<script setup lang="ts">
import { Maximize2, Volume2, VolumeX } from 'lucide-vue-next'
import type { SourceId } from '@wobrin/core/base/observations'
import { hasOffsetCost } from '@wobrin/core/calculators/alignment'
import { countHead, type SweepPosition } from '@wobrin/core/instruments/alignment'
import type { MechanismId } from '@wobrin/core/drives'
import { beforeSweep } from '@wobrin/core/bench/stations'
import type { Adjuster } from '@wobrin/core/simulator'
import type { CalculatorResult } from '@wobrin/core/calculators/calculator'

useHead({ title: 'Adjuster sweep · Wobrin' })

const route = useRoute()
const notices = useNotices()
const workshop = useWorkshop()
const driveId = computed(() => (typeof route.query.drive === 'string' ? route.query.drive : null))
const { drive, order, disks, load } = useDriveForAlign(driveId)
await load().catch(error => notices.problem(problemText(error)))

const mechanism = ref<MechanismId>('3.5in')
const sweep = useSweep(mechanism)
const { rows, setup, result, amiss, setTo, recheck, checked, call } = sweep
const hand = useSimulatedHand()
const board = useBoard()
const bus = useBusRecording(useDriveWorker())
const tone = useTone(
  () => workshop.settings.tone.volume,
  () => workshop.settings.tone.octaveShare,
)
const disk = ref('')
const across = ref(false)
const way = ref<'typed' | 'read'>('typed')
const entry = useTemplateRef('entry')
const source = useTemplateRef('source')

watch(
  drive,
  d => {
    if (!d || !hasOffsetCost(d.mechanism)) return
    mechanism.value = d.mechanism
    const points = order.value?.verdict.adjuster
    if (points) setup.adjuster = points
  },
  { immediate: true },
)
watch(
  () => setup.adjuster,
  a => {
    if (rows.value.length === 0) setup.two = a !== 'upper' && a !== 'lower'
  },
  { immediate: true },
)
const one = computed(() => (setup.adjuster === 'upper' ? ('Upper' as const) : ('Lower' as const)))
// With two adjusters moved, one head alone judges what moves both.
watch(
  () => [setup.adjuster, order.value?.plan] as const,
  ([adjuster, plan]) => {
    setup.by = plan?.find(p => p.adjuster === adjuster)?.by ?? ''
  },
)
const advice = computed(() => (order.value ? beforeSweep(order.value, setup.adjuster) : { stops: [], says: [] }))
const trusted = computed(
  () => disks.view.value?.standings.filter(s => s.mechanism === mechanism.value && !s.retired) ?? [],
)

const share = (p: SweepPosition) =>
  (p.lower.good + (p.upper?.good ?? 0)) / (p.lower.expected + (p.upper?.expected ?? 0))
function tried(p: SweepPosition, source: SourceId): void {
  sweep.add(p, source)
  // By ear: steady where all sectors read, lower and beating the fewer there are.
  tone.follow(1 - 0.12 * (1 - share(p)), 1, 0.002)
}
async function power(story: string): Promise<void> {
  sweep.clear()
  const { umPerUnit, heads } = await hand.power(mechanism.value, story, simulatedAdjuster())
  Object.assign(setup, {
    scale: 'marks',
    from: '-10',
    to: '10',
    stood: '0',
    two: heads === 2,
    umPerUnit: setup.adjuster === 'sensor' || setup.adjuster === 'tab' ? null : Math.round(umPerUnit),
  })
}
/** What is moved, as an adjuster of a simulated drive. */
const simulatedAdjuster = () => (setup.adjuster === 'tab' ? 'sensor' : (setup.adjuster as Adjuster))
async function readByBoard(position: number, cylinder: number): Promise<void> {
  const simulated = board.hello.value?.simulated ?? false
  if (simulated) await board.adjust(simulatedAdjuster(), position)
  const heads = setup.two ? ([0, 1] as const) : ([setup.adjuster === 'upper' ? 1 : 0] as const)
  const counts = await board.readPosition(cylinder, heads, setup.expected)
  if (!counts) return
  setup.expected = Math.max(setup.expected, ...counts.map(c => c.expected))
  tried({ position, lower: counts[0]!, upper: counts[1] ?? null }, simulated ? 'simulated' : 'instrument')
}
const readThere = async (position: number) => tried(await hand.tryAt(position), 'simulated')
function setIt(position: number): void {
  setTo.value = position
  if (hand.on.value) void hand.set(position)
  else if (board.hello.value?.simulated) void board.adjust(simulatedAdjuster(), position)
}
async function tighten(): Promise<void> {
  recheck.value = await hand.tighten()
}

async function fromRecording(position: number, file: File): Promise<void> {
  if (!(await bus.open(file)) || !bus.report.value) return
  const [lower, upper] = [
    countHead(bus.report.value.tracks, setup.adjuster === 'upper' ? 1 : 0),
    setup.two ? countHead(bus.report.value.tracks, 1) : null,
  ]
  if (!lower || (setup.two && !upper))
    bus.problem.value = `No sector of the ${lower ? 'upper' : 'lower'} head is in ${file.name}; a failed position still shows its headers, or type 0 for it.`
  else tried({ position, lower, upper }, 'recording')
}

const said = computed(() => amiss.value ?? bus.problem.value ?? board.problem.value)
const readout = computed<CalculatorResult | null>(() => {
  if (!call.value || !result.value) return null
  const { common, tryNext } = result.value
  const shown =
    tryNext !== null
      ? {
          key: 'sweep.next',
          label: `Try next, ${sweep.name.value}`,
          value: Number(tryNext.toPrecision(3)),
          unit: setup.scale,
          how: '',
        }
      : {
          key: 'sweep.centre',
          label: `Set the ${sweep.name.value} to`,
          value: Number((setTo.value ?? common?.centre ?? 0).toPrecision(3)),
          unit: setup.scale,
          how: '',
        }
  return { call: call.value, lines: [], observations: [shown] }
})

const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
const { post } = useLogPost()
async function send(id: string): Promise<void> {
  await post(id, 'sweeps', {
    ...sweep.data.value,
    disk: disk.value || null,
    simulated: rows.value.some(r => r.source === 'simulated'),
  })
  notices.done('On the log, with every position.')
  await navigateTo(`/drives/${id}?station=align`)
}
function keep(): void {
  if (driveId.value) send(driveId.value).catch(error => notices.problem(problemText(error)))
  else keepTo.value = send
}

const act = computed(() =>
  result.value?.tryNext === null
    ? setTo.value === null
      ? 'It is set'
      : 'Done'
    : hand.on.value || board.hello.value
      ? 'Set and read'
      : 'Back to the counts',
)
/** By foot: what is worth doing next, whichever way it is read. */
function pedal(): void {
  if (result.value && result.value.tryNext === null && result.value.common && setTo.value === null)
    setIt(Number(result.value.common.centre.toPrecision(3)))
  else if (setTo.value !== null || (across.value && !hand.on.value && !board.hello.value)) across.value = false
  else if (way.value === 'typed') entry.value?.pedal()
  else source.value?.pedal()
}
function back(): void {
  const last = rows.value.findLast(r => !r.struck)
  if (setTo.value !== null) setTo.value = recheck.value = null
  else if (last) sweep.strike(last.id)
}
useShortcuts({
  PageDown: pedal,
  PageUp: back,
  a: () => {
    if (readout.value) across.value = true
  },
  e: tone.toggle,
})
// A foot is as good while the counts are typed: those keys type nothing.
const inField = (event: KeyboardEvent) => {
  if (event.key === 'PageDown') {
    event.preventDefault()
    pedal()
  }
}

function typeByHand(): void {
  way.value = 'typed'
  hand.off()
  void board.end()
}
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end gap-x-3 gap-y-3">
      <div class="grow basis-64">
        <h1 class="text-2xl font-bold">
          Adjuster sweep<span v-if="drive" class="font-normal text-muted"> · {{ drive.tag }}</span>
        </h1>
        <p class="text-muted">
          A reference disk read at one position after another: where each head reads, and where the adjuster belongs.
        </p>
      </div>
      <button class="btn" :aria-pressed="tone.on.value" aria-keyshortcuts="e" @click="tone.toggle">
        <component :is="tone.on.value ? Volume2 : VolumeX" class="size-4" />By ear <kbd>E</kbd>
      </button>
      <button class="btn" :disabled="!readout" aria-keyshortcuts="a" @click="across = true">
        <Maximize2 class="size-4" />Across the bench <kbd>A</kbd>
      </button>
      <button class="btn btn-primary" :disabled="rows.length === 0 || advice.stops.length > 0" @click="keep">
        {{ driveId ? 'Save to log' : 'Save to a drive…' }}
      </button>
    </header>
    <AlignSweepAdvice v-if="driveId" :stops="advice.stops" :says="advice.says" :drive-id="driveId" />
    <div class="grid lg:grid-cols-[300px_1fr] gap-4 items-start" @keydown="inField">
      <aside class="panel p-4 space-y-4">
        <div>
          <div class="flex gap-2 mb-3" role="group" aria-label="How a position is read">
            <button
              class="btn grow px-2!"
              :class="way === 'typed' && 'bg-tint! font-bold'"
              :aria-pressed="way === 'typed'"
              @click="typeByHand"
            >
              By hand</button
            ><button
              class="btn grow px-2!"
              :class="way === 'read' && 'bg-tint! font-bold'"
              :aria-pressed="way === 'read'"
              @click="way = 'read'"
            >
              From the drive
            </button>
          </div>
          <AlignSweepEntry
            v-if="way === 'typed'"
            ref="entry"
            :unit="setup.scale"
            :two="setup.two"
            :one="one"
            :expected="setup.expected"
            :next="result?.tryNext ?? null"
            @tried="p => tried(p, 'host')"
          />
          <AlignSweepSource
            v-else
            ref="source"
            :board="board"
            :mechanism="mechanism"
            :busy="hand.busy.value || board.reading.value"
            :on="hand.on.value"
            :next="result?.tryNext ?? null"
            :unit="setup.scale"
            :progress="bus.progress.value?.share ?? null"
            @file="fromRecording"
            @power="power"
            @read="readThere"
            @board="readByBoard"
          />
        </div>
        <details v-if="rows.length" class="border-t border-line pt-3">
          <summary class="min-h-8 text-sm"><strong>What is moved:</strong> {{ sweep.name.value }}</summary>
          <AlignSweepSetup v-model:mechanism="mechanism" class="mt-2" :setup="setup" :fixed="drive !== null" started />
        </details>
        <p v-if="said" class="text-sm text-stop" role="alert" data-testid="problem">{{ said }}</p>
      </aside>
      <div class="panel p-5 min-w-0 space-y-4">
        <CallBand v-if="call" :call="call" />
        <AlignSweepBand
          :rows="rows"
          :result="result"
          :two="setup.two"
          :one="one"
          :unit="setup.scale"
          :travel="sweep.travel.value"
          :stood="sweep.stood.value"
          :set-to="setTo"
          :after="recheck?.position ?? null"
        />
        <AlignSweepExample v-if="!driveId && rows.length === 0" class="border-t border-line pt-4" />
        <template v-if="rows.length">
          <AlignSweepFinish
            v-if="result?.common && (result.tryNext === null || setTo !== null)"
            :result="result"
            :two="setup.two"
            :unit="setup.scale"
            :expected="setup.expected"
            :set-to="setTo"
            :live="hand.on.value"
            :busy="hand.busy.value"
            @set="setIt"
            @tighten="tighten"
            @checked="
              c => {
                recheck = c
              }
            "
          />
          <dl v-if="result?.common" class="grid grid-cols-2 sm:grid-cols-4 gap-4 text-sm border-t border-line pt-4">
            <div>
              <dt class="text-muted">Reads from</dt>
              <dd class="text-lg font-bold">{{ mark(result.common.from) }} {{ setup.scale }}</dd>
            </div>
            <div>
              <dt class="text-muted">to</dt>
              <dd class="text-lg font-bold">{{ mark(result.common.to) }} {{ setup.scale }}</dd>
            </div>
            <div>
              <dt class="text-muted">Middle</dt>
              <dd class="text-lg font-bold">
                {{ mark(result.common.centre) }} ± {{ mark(result.common.uncertainty) }}
              </dd>
            </div>
            <div>
              <dt class="text-muted">{{ checked?.shift != null ? 'Moved by tightening' : 'Tried' }}</dt>
              <dd class="text-lg font-bold">
                {{
                  checked?.shift != null
                    ? `${mark(checked.shift)} ${setup.scale}`
                    : `${rows.filter(r => !r.struck).length} positions`
                }}
              </dd>
            </div>
          </dl>
          <AlignSweepTable :rows="rows" :two="setup.two" :one="one" :unit="setup.scale" @strike="sweep.strike" />
          <button class="btn btn-quiet" @click="sweep.clear">Start again</button>
        </template>
        <section v-else class="border-t border-line pt-4" aria-label="What is moved">
          <h2 class="font-bold mb-3">What is moved</h2>
          <AlignSweepSetup v-model:mechanism="mechanism" wide :setup="setup" :fixed="drive !== null" />
          <FormField v-if="trusted.length" v-slot="{ id }" label="Disk that is read" class="mt-3 sm:w-72"
            ><select :id="id" v-model="disk" class="field">
              <option value="">not one of the shelf</option>
              <option v-for="s in trusted" :key="s.disk.id" :value="s.disk.id">
                {{ s.disk.name }}{{ s.trusted ? '' : ' (not verified)' }}
              </option>
            </select></FormField
          >
        </section>
        <p class="hint border-t border-line pt-4">
          Clean heads and the right speed first; one adjuster at a time, the sensor before the heads; come to each
          position from the same side. A sweep shows that this drive agrees with the one that wrote the disk. Only an
          analogue alignment disk measures against the standard.
        </p>
      </div>
    </div>
    <SumAcross :shown="across" :result="readout" :act="act" @close="across = false" @keep="pedal" />
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      hint="The server works it out again."
      @close="keepTo = null"
      @kept="keepTo = null"
    />
  </div>
</template>
