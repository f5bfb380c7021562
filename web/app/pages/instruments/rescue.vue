<script setup lang="ts">
import { Cable, FileUp, LifeBuoy } from 'lucide-vue-next'
import type { TrackPlace } from '@wobrin/core/instruments/bench-link'
import { likelyClass } from '@wobrin/core/instruments/interface'

useHead({ title: 'Rescue · Wobrin' })

const { shown, facts, progress, problem, add, tell, remove, stop, files } = useRescue()
const board = useBoard()
const byBoard = ref(false)
let boardReads = 0
/** What a board read is one more recording, made in the drive that is plugged into it. */
async function readByBoard(tracks: readonly TrackPlace[], turns: number): Promise<void> {
  if (!(await board.readTracks(tracks, turns))) return
  const file = await board.recording(`board read ${++boardReads}`)
  if (!file || !(await add([file]))) return
  if (board.hello.value?.simulated) await tell(facts.value.length - 1, { drive: 'simulated' })
}
const field = useTemplateRef<HTMLInputElement>('field')
const over = ref(false)
const selected = ref<{ readonly cylinder: number; readonly head: 0 | 1 } | null>(null)

function picked(event: Event): void {
  const input = event.target as HTMLInputElement
  void add([...(input.files ?? [])])
  input.value = ''
}
function drop(event: DragEvent): void {
  over.value = false
  void add([...(event.dataTransfer?.files ?? [])])
}
const choose = () => field.value?.click()
useShortcuts({ m: choose })

const mechanism = computed(() => (shown.value && likelyClass(shown.value.tracks, null)) ?? '3.5in')
const heads = computed(() => (shown.value?.tracks.some(t => t.head === 1) ? 2 : 1))
const first = computed(() => shown.value?.next[0] ?? null)
const numbers = (ids: readonly number[]) => ids.map(id => (id < 0 ? 'not named' : id)).join(', ')
const expected = (n: number) =>
  n > 0 ? ` Expected: about ${n < 1.5 ? n.toFixed(1) : Math.round(n)} of ${shown.value!.totals.missing}.` : ''

async function save(what: 'image' | 'list' | 'json'): Promise<void> {
  const made = await files()
  if (what === 'image') saveBlob('disk.img', made.image)
  else if (what === 'list') saveText('disk.img.sectors.csv', made.list, 'text/csv')
  else saveText('rescue.json', made.json, 'application/json')
}
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end gap-4">
      <div class="grow basis-64">
        <h1 class="text-2xl font-bold">Rescue</h1>
        <p class="text-muted">Several recordings of one failing disk, merged sector by sector.</p>
      </div>
      <template v-if="shown">
        <button v-if="!byBoard" class="btn" @click="byBoard = true"><Cable class="size-4" />Read by a board</button>
        <button class="btn btn-primary" aria-keyshortcuts="m" @click="choose">
          <FileUp class="size-4" />Add recordings
        </button>
      </template>
    </header>
    <input
      ref="field"
      type="file"
      multiple
      class="sr-only"
      tabindex="-1"
      aria-label="Recordings of the disk"
      data-testid="recordings"
      @change="picked"
    />

    <section
      v-if="!shown && !progress"
      class="rounded-box border-2 border-dashed p-6 grid md:grid-cols-[1fr_1fr] gap-8"
      :class="over ? 'border-leave bg-leave-tint' : 'border-line'"
      aria-label="Begin"
      @dragover.prevent="over = true"
      @dragleave="over = false"
      @drop.prevent="drop"
    >
      <div>
        <p class="mb-1 text-lg"><strong>Drop the recordings of the disk here,</strong> or open them.</p>
        <p class="hint mb-5">
          Each is a read of the whole disk or of some tracks: of the interface lines, or of READ DATA alone over one
          track. VCD or CSV, gzip too. They are read on this machine.
        </p>
        <div class="flex flex-wrap gap-3">
          <button class="btn btn-primary" aria-keyshortcuts="m" @click="choose">
            <FileUp class="size-4" />Open recordings
          </button>
          <button v-if="!byBoard" class="btn" @click="byBoard = true"><Cable class="size-4" />Read by a board</button>
        </div>
      </div>
      <ul class="space-y-2 text-sm list-disc pl-5">
        <li>Read the disk once, for several revolutions a track, before anything else is tried with it.</li>
        <li>A sector that no revolution read is decided from all its readings together; its own check must pass.</li>
        <li>Another drive, or the same drive with clean heads, often reads what this one does not.</li>
        <li>Where the margins fall from read to read, the disk or the head wears: take the disk out.</li>
      </ul>
    </section>

    <RescueBoard
      v-if="byBoard"
      :board="board"
      :mechanism="mechanism"
      :missing="shown?.missing ?? null"
      :busy="progress !== null"
      @read="readByBoard"
      @close="byBoard = false"
    />
    <ProgressLine v-if="progress" :share="progress.share" :what="progress.what" end="Stop reading" @end="stop" />
    <ProblemBand v-if="problem" :problem="problem" />

    <template v-if="shown">
      <section class="panel p-5 grid md:grid-cols-[auto_1fr] gap-x-8 gap-y-4 items-center" aria-label="Result">
        <div>
          <p class="text-4xl font-bold leading-none" data-testid="rescued">
            {{ spaced(shown.totals.good) }}<span class="text-xl font-normal"> of {{ spaced(shown.sectors) }}</span>
          </p>
          <p class="hint mt-1">
            sectors; {{ shown.totals.missing ? `${shown.totals.missing} missing` : 'none missing' }}
          </p>
        </div>
        <div v-if="first" class="flex gap-3">
          <CallMark v-if="first.kind === 'stop'" kind="stop" :size="28" decorative />
          <LifeBuoy v-else class="size-7 shrink-0 text-leave" aria-hidden="true" />
          <div>
            <p>
              <strong>{{ first.kind === 'done' ? 'Complete.' : 'Next:' }}</strong> {{ first.says
              }}{{ expected(first.expected) }}
            </p>
            <p v-for="n in shown.next.slice(1, 3)" :key="n.kind" class="hint mt-1">
              Or: {{ n.says }}{{ expected(n.expected) }}
            </p>
          </div>
        </div>
        <ul class="md:col-span-2 text-sm space-y-1">
          <li v-if="shown.totals.combined">
            {{ shown.totals.combined }} put together from several readings; their checks pass, no single revolution read
            them.
          </li>
          <li v-if="shown.totals.disputed">
            <strong>{{ shown.totals.disputed }} were read without error with different data.</strong> Are all recordings
            of one disk, and was it written between them?
          </li>
        </ul>
      </section>

      <section class="panel px-5 py-4" aria-label="Surface">
        <RailReadRail
          v-model:selected="selected"
          :tracks="shown.tracks"
          :mechanism="mechanism"
          :heads="heads"
          :before="null"
        />
      </section>

      <section class="panel px-5 pt-5 pb-2" aria-label="Attempts">
        <h2 class="section-title mb-1">Attempts, in their order</h2>
        <RescueAttempts :attempts="shown.attempts" :facts="facts" @tell="tell" @remove="remove" />
      </section>
      <div class="grid md:grid-cols-2 gap-4 items-start">
        <section class="panel p-5" aria-label="Missing sectors">
          <h2 class="section-title mb-2">Missing sectors</h2>
          <p v-if="!shown.missing.length" class="hint">None.</p>
          <ul v-else class="text-sm max-h-64 overflow-y-auto" tabindex="0" aria-label="Missing sectors by track">
            <li v-for="t in shown.missing" :key="`${t.cylinder} ${t.head}`" class="border-t border-line py-1.5">
              Cylinder {{ t.cylinder }}, head {{ t.head }}: <span class="text-muted">{{ numbers(t.ids) }}</span>
            </li>
          </ul>
        </section>
        <section class="panel p-5" aria-label="Save what was rescued">
          <h2 class="section-title mb-2">Save what was rescued</h2>
          <div class="flex flex-wrap gap-2">
            <button class="btn" @click="save('image')">Save disk image</button>
            <button class="btn" @click="save('list')">Save sector list</button>
            <button class="btn" @click="save('json')">Save report</button>
          </div>
          <p v-if="shown.totals.missing" class="hint mt-2">
            What is missing is filled in the image and named in the sector list.
          </p>
        </section>
      </div>
    </template>
  </div>
</template>
