<script setup lang="ts">
import type { LastFinding } from '~/composables/useFindings'
import type { LogEntry } from '@wobrin/core/log'

/** A drive's first screen: what it does wrong, what works, what it may be, and what to check next. */
const { view, closed, last } = defineProps<{
  view: DriveCaseView
  closed: boolean
  last: LastFinding | null
}>()
const emit = defineEmits<{
  looks: []
  takeBack: [id: string]
  where: [place: string]
  photo: [of: string]
}>()
const store = useDrive()
const diagnosis = computed(() => view.found.value?.diagnosis ?? null)
const { asked, ask } = useCaseAsked(
  () => view.found.value,
  () => view.busy.value,
)

const shown = ref<{ function?: string; fault?: string }>({})
const box = computed(() => diagnosis.value?.works.find(w => w.id === shown.value.function) ?? null)
const cause = computed(() => diagnosis.value?.causes.find(c => c.fault === shown.value.fault) ?? null)
const back = () => {
  shown.value = {}
}
const choose = (id: string) => {
  shown.value = shown.value.function === id ? {} : { function: id }
}

const complaining = ref(false)
const across = ref(false)
useAfterPaint('CaseComplaintDialog', 'CaseCheckCalculator', 'CaseAcross')
/** The check whose calculator is open. */
const working = ref<string | null>(null)
function worked(entry: LogEntry): void {
  working.value = null
  store.take(entry)
}
const next = useTemplateRef('next')

const practice = usePractice()
/** Something was complained of, and nothing is any more. */
const settled = computed(
  () => view.stories.value.length > 0 && view.stories.value.every(s => s.state !== 'open') && !asked.value?.cure,
)
/** Asks the simulated drive itself, and puts what it answers on the log. */
async function tryIt(): Promise<void> {
  const check = asked.value?.check
  if (check && !asked.value?.settles && !asked.value?.looks)
    await practice.answer(check, (value, of) => view.give(check, value, of))
}

function answer(value: string, of?: number): void {
  // Until the last answer shows, the check on the screen is not the one that would be answered.
  if (!asked.value || asked.value.looks || view.busy.value) return
  // What was chosen shows at once; what it changes, once it is on the log.
  marked.value = asked.value.answering.answers.findIndex(a => a.id === value)
  void view.reply(asked.value, value, of)
}
const { marked, mark, save, keys } = useMarkedAnswer(
  () => asked.value,
  answer,
  digit => next.value?.type(digit),
  () => closed,
)
/** The entry made last in this sitting, unless it was taken back. */
const logged = computed((): LogEntry | null => {
  const entry = view.kept.value ?? last?.entry ?? null
  return entry && !store.log.some(e => e.takesBack === entry.id) ? entry : null
})

useShortcuts({
  ...keys,
  a: () => {
    across.value = true
  },
  t: () => {
    if (!closed && practice.able.value) void tryIt()
  },
  s: () => {
    if (!closed) emit('looks')
  },
})
</script>

<template>
  <div class="space-y-3">
    <CaseComplaints
      :stories="view.stories.value"
      :words="store.drive?.ownerWords ?? ''"
      :closed="closed"
      :found="view.found.value"
      @add="complaining = true"
      @settle="view.settle"
    />
    <div v-if="diagnosis" class="grid gap-3 md:grid-cols-2 xl:grid-cols-[1fr_20.5rem] items-stretch">
      <CaseMap
        class="panel px-4 pt-2.5 pb-1 min-w-0 order-3 md:order-none md:col-span-2 xl:col-span-1"
        :works="diagnosis.works"
        :chosen="box?.id ?? null"
        @choose="choose"
      />
      <div class="panel px-4 py-3 min-w-0 xl:relative order-2 md:order-none" data-testid="beside">
        <div class="xl:absolute xl:inset-0 xl:overflow-y-auto xl:px-4 xl:py-3" tabindex="-1">
          <CaseFunction v-if="box" :box="box" @back="back" @check="ask" />
          <CaseWhy v-else-if="cause" :cause="cause" :next="diagnosis.next" @back="back" @check="ask" />
          <CaseSuspects
            v-else
            :diagnosis="diagnosis"
            @why="
              fault => {
                shown = { fault }
              }
            "
          />
        </div>
      </div>
      <div
        v-if="!closed"
        :aria-busy="view.busy.value"
        class="panel px-5 py-2.5 space-y-1.5 order-1 md:order-none xl:col-span-2 min-w-0"
      >
        <CaseNext
          ref="next"
          :diagnosis="diagnosis"
          :held="view.found.value!.held"
          :asked="asked"
          :closed="closed"
          :marked="marked"
          :practice="practice.able.value"
          :trying="practice.trying.value"
          @try-it="tryIt"
          @answer="answer"
          @ask="ask"
          @looks="emit('looks')"
          @work="check => (working = check)"
        >
          <CaseClosed v-if="settled" :stories="view.stories.value" :practice="practice" />
        </CaseNext>
        <CaseLogged
          v-if="logged"
          :entry="logged"
          :consequences="last?.entry.id === logged.id ? last.consequences : []"
          :places="last?.entry.id === logged.id ? last.places : []"
          @take-back="emit('takeBack', logged.id)"
          @where="place => emit('where', place)"
          @photo="emit('photo', logged.id)"
        />
      </div>
    </div>
    <LazyCaseComplaintDialog
      v-if="complaining"
      :shown="complaining"
      :chosen="view.stories.value.filter(s => s.state === 'open').map(s => s.id)"
      @close="complaining = false"
      @complain="view.complain"
    />
    <LazyCaseCheckCalculator v-if="working" :check="working" @close="working = null" @kept="worked" />
    <LazyCaseAcross
      v-if="diagnosis && across"
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
