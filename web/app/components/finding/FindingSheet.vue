<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { findFinding, findQuestion, type StandingFinding } from '@wobrin/core/findings'
import { searchSayable, type Sayable } from '@wobrin/core/diagnosis'
import type { LastFinding } from '~/composables/useFindings'

/**
 * Something found, in two keystrokes: F opens this, a digit answers the question at hand; letters search all that can
 * be said of a drive: what was found, what it does wrong, and what a check showed.
 */
const { shown, question, last } = defineProps<{
  shown: boolean
  question: string | null
  findings: readonly StandingFinding[]
  last: LastFinding | null
  problem: string | null
}>()
const emit = defineEmits<{
  close: []
  pick: [finding: string]
  measure: [question: string, value: number]
  where: [place: string]
  complain: [complaint: string]
  answer: [check: string, value: string, of?: number]
}>()

const store = useDrive()
const words = ref('')
const picked = ref<string | null>(null)
const asked = computed(() => (question ? findQuestion(question) : null))
const hits = computed(() => (words.value ? searchSayable(words.value, store.way.situation, undefined, 9) : []))
/** A check that was chosen, whose answer is asked for. */
const answering = ref<Sayable | null>(null)
const asksWhere = computed(
  () =>
    picked.value !== null &&
    last?.entry.data?.type === 'finding' &&
    last.entry.data.finding === picked.value &&
    last.places.length > 0,
)
const choices = computed(() =>
  asksWhere.value || answering.value || words.value ? [] : (asked.value?.findings.map(f => f.id) ?? []),
)
const KINDS = { finding: 'found', complaint: 'complaint', check: 'check' } as const

watch(
  () => shown,
  () => {
    words.value = ''
    picked.value = null
    answering.value = null
  },
)
// Without a place to be told it is done.
watch(
  () => last,
  now => {
    if (shown && picked.value && now && !asksWhere.value) emit('close')
  },
)

function pick(id: string): void {
  picked.value = id
  emit('pick', id)
}
function choose(hit: Sayable): void {
  if (hit.kind === 'finding') pick(hit.id)
  else if (hit.kind === 'check') answering.value = hit
  else {
    emit('complain', hit.id)
    emit('close')
  }
}
function answer(value: string, of?: number): void {
  emit('answer', answering.value!.id, value, of)
  emit('close')
}
function place(p: string): void {
  picked.value = null
  emit('where', p)
  emit('close')
}

onKeyStroke(event => {
  if (!shown || event.ctrlKey || event.metaKey || event.altKey) return
  const typing = event.target instanceof HTMLInputElement
  // No finding begins with a digit: in an empty search field it answers the question at hand.
  const searching = typing && event.target.id === 'finding-search'
  const digit = /^[1-9]$/.test(event.key) ? Number(event.key) - 1 : -1
  if (digit >= 0 && asksWhere.value && last!.places[digit]) {
    event.preventDefault()
    place(last!.places[digit]!)
  } else if (digit >= 0 && (!typing || (searching && words.value === '')) && choices.value[digit]) {
    event.preventDefault()
    pick(choices.value[digit]!)
  } else if (event.key === 'Enter' && searching && words.value && hits.value[0]) {
    event.preventDefault()
    choose(hits.value[0])
  } else if (/^\p{L}$/u.test(event.key) && !typing && !asksWhere.value)
    document.getElementById('finding-search')?.focus()
})
</script>

<template>
  <ModalDialog :shown="shown" title="What did you find?" wide @close="emit('close')">
    <div v-if="asksWhere && last">
      <p class="mb-3">
        <CallMark :kind="last.entry.call?.kind ?? 'unknown'" decorative class="inline align-[-3px] mr-2" /><strong>{{
          last.entry.title
        }}</strong>
        is on the log. {{ last.entry.call?.reasons[0] }}
      </p>
      <p class="font-bold mb-2">Where?</p>
      <div class="grid sm:grid-cols-2 gap-2">
        <button v-for="(p, i) in last.places" :key="p" class="btn justify-between!" @click="place(p)">
          {{ p }}<kbd>{{ i + 1 }}</kbd>
        </button>
      </div>
      <button class="btn btn-quiet mt-3" @click="emit('close')">Skip location</button>
    </div>
    <div v-else-if="answering">
      <p class="font-bold mb-3">{{ answering.label }}</p>
      <CaseAnswers :answering="answeringOf({ check: answering.id })" @answer="answer" />
      <button class="btn btn-quiet mt-3" type="button" @click="answering = null">Back to the search</button>
    </div>
    <template v-else>
      <label class="block mb-4"
        ><span class="field-label">Search all that can be found</span
        ><input
          id="finding-search"
          v-model="words"
          class="field"
          placeholder="spins, flashing, jumper, whine, fish"
          autocomplete="off"
      /></label>
      <ul v-if="words" class="space-y-1.5" aria-label="Findings">
        <li v-for="(h, i) in hits" :key="`${h.kind} ${h.id}`">
          <button
            class="w-full flex items-center gap-3 min-h-11 px-3 py-1.5 text-left rounded-box border border-line hover:border-ink"
            @click="choose(h)"
          >
            <CallMark
              :kind="h.kind === 'finding' ? findFinding(h.id).finding.call : 'unknown'"
              :size="16"
              decorative
            /><span class="grow"
              ><span v-if="h.about" class="hint">{{ h.about }}{{ ' ' }}</span
              ><strong>{{ h.label }}</strong></span
            ><span class="hint text-xs">{{ KINDS[h.kind] }}</span
            ><kbd v-if="i === 0">Enter</kbd>
          </button>
        </li>
        <li v-if="!hits.length" class="hint">
          Nothing on this drive is called that. A note says anything: <kbd>N</kbd>
        </li>
      </ul>
      <FindingTiles
        v-else-if="asked"
        :question="asked"
        :findings="findings"
        keys
        @pick="pick"
        @measure="
          v => {
            picked = asked!.id
            emit('measure', asked!.id, v)
          }
        "
      />
      <p v-else class="hint">Type what you see, smell or hear.</p>
    </template>
    <p v-if="problem" class="text-sm text-stop mt-3" role="alert">{{ problem }}</p>
  </ModalDialog>
</template>
