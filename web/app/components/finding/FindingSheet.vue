<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { findQuestion, searchFindings, type StandingFinding } from '@wobrin/core/findings'
import type { LastFinding } from '~/composables/useFindings'

/** Something found, in two keystrokes: F opens this, a digit answers the question at hand; letters search them all. */
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
}>()

const store = useDrive()
const words = ref('')
const picked = ref<string | null>(null)
const asked = computed(() => (question ? findQuestion(question) : null))
const hits = computed(() => searchFindings(words.value, store.way.situation, 9))
const asksWhere = computed(
  () =>
    picked.value !== null &&
    last?.entry.data?.type === 'finding' &&
    last.entry.data.finding === picked.value &&
    last.places.length > 0,
)
const choices = computed(() =>
  asksWhere.value ? [] : words.value ? hits.value.map(h => h.finding.id) : (asked.value?.findings.map(f => f.id) ?? []),
)

watch(
  () => shown,
  () => {
    words.value = ''
    picked.value = null
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
  } else if (event.key === 'Enter' && searching && words.value && choices.value[0]) {
    event.preventDefault()
    pick(choices.value[0])
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
    <template v-else>
      <label class="block mb-4"
        ><span class="field-label">Search all findings</span
        ><input
          id="finding-search"
          v-model="words"
          class="field"
          placeholder="fish, green, loose, lacquer"
          autocomplete="off"
      /></label>
      <ul v-if="words" class="space-y-1.5" aria-label="Findings">
        <li v-for="(h, i) in hits" :key="h.finding.id">
          <button
            class="w-full flex items-center gap-3 min-h-11 px-3 py-1.5 text-left rounded-box border border-line hover:border-ink"
            @click="pick(h.finding.id)"
          >
            <CallMark :kind="h.finding.call" :size="16" decorative /><span class="grow"
              ><span class="hint">{{ h.question.ask }}</span> <strong>{{ h.finding.label }}</strong></span
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
