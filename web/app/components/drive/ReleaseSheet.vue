<script setup lang="ts">
import { FileText } from 'lucide-vue-next'
import { releaseDoubts, walk } from '@wobrin/core/bench/stations'
import { buildCertificate } from '@wobrin/core/release'
import { RUNGS } from '@wobrin/core/proof'
import { debtDoubts, partsThere, withPieces } from '@wobrin/core/parts'
import { OUTCOMES, type DriveFacts, type LogEntry, type Outcome } from '@wobrin/core/log'

const { drive, log } = defineProps<{ drive: DriveFacts; log: readonly LogEntry[]; outcome: Outcome | null }>()
const emit = defineEmits<{ release: [Outcome, string, string[]] }>()

const workshop = useWorkshop()
const disks = useDisks()
onMounted(() => disks.load().catch(() => {}))
const certificate = computed(() =>
  buildCertificate(drive, log, workshop.settings.name, new Date().toISOString(), disks.word),
)
const remark = ref('')

const WAYS = [
  ['released', 'Release it', 'It goes back to work, with what was shown and what was not.'],
  ['parts', 'Strip for parts', 'What is still good in it helps another.'],
  ['quarantined', 'Quarantine it', 'It may damage a disk or another drive.'],
  ['returned', 'Return it as it is', 'Not worth the hours, or not wanted.'],
] as const
const way = ref<(typeof WAYS)[number][0]>('released')

const parts = computed(() => partsThere(drive, log))
/** Safety gates that are still closed, and protection that always blocks: a release needs its reason then. */
const shut = computed(() => [...releaseDoubts(walk(drive, log, Date.now())), ...debtDoubts(log)])
const question = computed(() => {
  if (way.value === 'quarantined') return 'Why: needed, it stands on its label'
  return way.value !== 'released' ? 'Why' : shut.value.length ? 'Why: needed' : 'Next time'
})
/** What was tested or looked at is offered; what nobody knows is ticked by hand. */
const left = ref<string[]>([])
watch(way, () => {
  left.value = parts.value.filter(p => p.good && p.state !== 'not known').map(p => p.id)
})
/** Who ticks an assembly means all of it that is good. */
function tick(id: string, event: Event): void {
  const good = parts.value.filter(p => p.good && withPieces(id).includes(p.id)).map(p => p.id)
  const rest = left.value.filter(x => !good.includes(x))
  left.value = (event.target as HTMLInputElement).checked ? [...rest, ...good] : rest
}
const HINTS = {
  released: 'Belt is from this year; look again in two',
  parts: 'Why it is not worth the hours',
  quarantined: 'What it may do: clicks, tears, shorts',
  returned: 'Why it goes back as it is',
} as const
</script>

<template>
  <section aria-label="Release" class="space-y-6">
    <header class="flex items-start justify-between gap-4 flex-wrap">
      <div>
        <h2 class="text-2xl font-bold">{{ outcome ? `${OUTCOMES[outcome]}.` : 'What may be said of it' }}</h2>
        <p class="text-muted mt-1">
          Only what the log can verify.
          <strong v-if="certificate.claim" class="text-ink"
            >{{ RUNGS[certificate.claim].title
            }}{{ certificate.closedUp ? ', covers on' : ', tested with covers off only' }}.</strong
          >
        </p>
      </div>
      <NuxtLink class="btn" :to="`/drives/${drive.id}/certificate`"><FileText class="size-4" />Certificate</NuxtLink>
    </header>
    <div v-for="c in certificate.cautions" :key="c" class="border-l-5 border-nudge bg-nudge-tint px-4 py-3">
      {{ c }}
    </div>
    <div v-for="o in certificate.overrides" :key="o.at" class="border-l-5 border-nudge bg-nudge-tint px-4 py-3">
      The safety gate <strong>{{ o.gate.toLowerCase() }}</strong> was overridden: {{ o.reason }}
    </div>
    <div class="grid md:grid-cols-2 gap-6">
      <div>
        <h3 class="font-bold mb-2">Shown</h3>
        <ul class="list-disc pl-5 space-y-1.5 text-sm">
          <li v-for="s in certificate.shown" :key="s">{{ s }}</li>
        </ul>
        <p v-if="!certificate.shown.length" class="hint">Nothing yet. Measure its speed first.</p>
      </div>
      <div>
        <h3 class="font-bold mb-2">Not shown</h3>
        <ul class="list-disc pl-5 space-y-1.5 text-sm">
          <li v-for="s in certificate.notShown" :key="s">{{ s }}</li>
        </ul>
      </div>
    </div>
    <form
      v-if="!outcome"
      class="border-t border-line pt-5 space-y-4"
      @submit.prevent="emit('release', way, remark, way === 'parts' ? left : [])"
    >
      <fieldset class="grid sm:grid-cols-2 gap-3">
        <legend class="font-bold mb-2">Outcome</legend>
        <label
          v-for="[id, label, what] in WAYS"
          :key="id"
          class="panel p-3 flex gap-3 has-checked:border-ink has-checked:bg-tint has-focus-visible:outline-3 outline-leave"
        >
          <input v-model="way" type="radio" name="way" :value="id" class="mt-1 size-4 accent-ink shrink-0" />
          <span
            ><span class="block font-bold text-sm">{{ label }}</span
            ><span class="hint block">{{ what }}</span></span
          >
        </label>
      </fieldset>
      <fieldset v-if="way === 'parts'" data-testid="parts">
        <legend class="font-bold mb-1">What is still good in it</legend>
        <p class="hint mb-2">By what the log says. Ticked parts go to the Shelf; a bad one cannot be ticked.</p>
        <ul class="text-sm">
          <li v-for="p in parts" :key="p.id" class="border-t border-line" :class="p.within && 'pl-8'">
            <label class="flex gap-3 py-2 min-h-11 items-center" :class="!p.good && 'text-muted'"
              ><input
                type="checkbox"
                :checked="left.includes(p.id)"
                class="size-5 accent-ink shrink-0"
                :disabled="!p.good"
                @change="tick(p.id, $event)"
              /><span class="grow"
                ><strong>{{ p.label }}</strong
                ><span class="hint block">{{ p.says }}</span></span
              ><span class="whitespace-nowrap">{{ p.good ? p.state : 'bad' }}</span></label
            >
          </li>
        </ul>
      </fieldset>
      <p
        v-for="doubt in way === 'released' ? shut : []"
        :key="doubt"
        class="border-l-5 border-stop bg-stop-tint px-4 py-3"
      >
        {{ doubt }} Write why it is released all the same: the certificate carries it.
      </p>
      <label class="block"
        ><span class="field-label">{{ question }}</span
        ><input v-model="remark" class="field" maxlength="300" :placeholder="HINTS[way]"
      /></label>
      <button class="btn btn-primary">{{ WAYS.find(w => w[0] === way)![1] }}</button>
    </form>
  </section>
</template>
