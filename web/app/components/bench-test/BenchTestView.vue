<script setup lang="ts">
import { benchTest, isOpen } from '@wobrin/core/bench/bench-test'
import { UNTRIED } from '@wobrin/core/diagnosis/readings'
import type { Asked } from '~/composables/useCaseAsked'

/** The bench test of a drive: what to try, what to expect, what was seen, and what that comes to. */
const { view, closed } = defineProps<{ view: DriveCaseView; closed: boolean }>()
const emit = defineEmits<{ looks: [] }>()
const store = useDrive()
const practice = usePractice()
const sheet = computed(() => benchTest(store.drive!, store.log, store.way.gates))
const diagnosis = computed(() => view.found.value?.diagnosis ?? null)

/** The point that was chosen, else the first one that is open. */
const chosen = ref<string | null>(null)
const current = computed(
  () =>
    sheet.value.points.find(p => p.point.check === chosen.value) ??
    sheet.value.points.find(p => p.point.check === sheet.value.next) ??
    sheet.value.points.find(p => p.held) ??
    null,
)
const asked = computed((): Asked | null => (current.value ? testAsked(current.value.point) : null))

/** The first open point behind one; an answer leads on to it. */
function onFrom(check: string): void {
  const { points } = sheet.value
  const at = points.findIndex(p => p.point.check === check)
  const open = points.slice(at + 1).find(isOpen)
  chosen.value = open?.point.check ?? null
}
async function give(check: string, value: string, of?: number): Promise<void> {
  await view.answer(check, value, of)
  onFrom(check)
}
async function skip(check: string): Promise<void> {
  await view.read(`${UNTRIED}${check}`, 'could not try', 'hand')
  onFrom(check)
}
function answer(value: string, of?: number): void {
  if (current.value && !current.value.held && !closed) void give(current.value.point.check, value, of)
}
const couldNot = () => {
  if (current.value && !current.value.held && !closed) void skip(current.value.point.check)
}
async function tryIt(): Promise<void> {
  const check = current.value?.point.check
  if (!check || current.value!.held || closed) return
  await practice.answer(
    check,
    (value, of) => give(check, value, of),
    () => skip(check),
  )
}

const point = useTemplateRef('point')
const { marked, mark, save, keys } = useMarkedAnswer(
  () => asked.value,
  answer,
  digit => point.value?.type(digit),
  () => closed,
)
const across = ref(false)
const why = ref<string>()
const cause = computed(() => diagnosis.value?.causes.find(c => c.fault === why.value) ?? null)

useShortcuts({
  ...keys,
  '0': couldNot,
  a: () => {
    across.value = true
  },
  t: () => {
    if (practice.able.value) void tryIt()
  },
  s: () => {
    if (!closed) emit('looks')
  },
})
</script>

<template>
  <div
    class="grid gap-3 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] xl:grid-cols-[minmax(0,7fr)_minmax(0,5fr)] items-start"
  >
    <BenchTestList
      class="panel px-3 py-3 order-2 md:order-none md:max-h-[calc(100dvh-9.5rem)] md:overflow-y-auto"
      :sheet="sheet"
      :current="current?.point.check ?? null"
      @choose="check => (chosen = check)"
    />
    <div class="space-y-3 min-w-0 md:sticky md:top-3">
      <BenchTestPoint
        v-if="current && asked"
        ref="point"
        class="panel px-5 py-4"
        :result="current"
        :asked="asked"
        :closed="closed"
        :marked="marked"
        :practice="practice.able.value"
        :trying="practice.trying.value"
        @answer="answer"
        @could-not="couldNot"
        @try-it="tryIt"
        @level="view.read"
        @looks="emit('looks')"
      />
      <section v-else class="panel px-5 py-4">
        <h2 class="text-xl font-bold">Every point was tried</h2>
        <p class="text-sm mt-1">
          {{ sheet.wrong ? 'What was wrong points to what stands below.' : 'Nothing was wrong.' }} Choose a point to try
          it again.
        </p>
      </section>
      <p v-if="!closed && !practice.able.value" class="px-5 text-sm">
        <NuxtLink class="link" :to="`/instruments/bench-link?drive=${store.drive!.id}`"
          >Try it through a board at its interface</NuxtLink
        >: select, motor, index, track zero, disk change and a track of each zone in one go.
      </p>
      <section v-if="diagnosis && (sheet.wrong > 0 || view.stories.value.length)" class="panel px-5 py-3">
        <CaseWhy
          v-if="cause"
          :cause="cause"
          :next="diagnosis.next"
          @back="why = undefined"
          @check="check => ((chosen = check), (why = undefined))"
        />
        <CaseSuspects v-else :diagnosis="diagnosis" :most="3" @why="fault => (why = fault)" />
      </section>
    </div>
    <CaseAcross
      v-if="diagnosis"
      :shown="across"
      :diagnosis="diagnosis"
      :asked="asked"
      :marked="marked"
      @close="across = false"
      @answer="answer"
      @mark="mark"
      @save="save"
    />
  </div>
</template>
