<script setup lang="ts">
import { Check, X } from 'lucide-vue-next'
import { lowerFirst } from '@wobrin/core/base/observations'
import { claimable, safetySheet, type SafetyLook } from '@wobrin/core/bench/stations'

/** The looks that keep the next safety gate closed, on one sheet; “all fine” is one tap, each look an entry. */
const { shown, pick } = defineProps<{ shown: boolean; pick: (finding: string) => Promise<boolean> }>()
const emit = defineEmits<{ close: []; look: [question: string]; pass: [] }>()
const store = useDrive()
const coversOff = ref(false)
/** Looks that were taken out of “all fine”. */
const skipped = ref<ReadonlySet<string>>(new Set())
/** The sheet while what was claimed is logged: its rows stay where they are until all of it is, under a finger too. */
const held = shallowRef<ReturnType<typeof safetySheet> | null>(null)
const busy = computed(() => held.value !== null)

const sheet = computed(() => held.value ?? safetySheet(store.way.gates))
const claims = computed(() =>
  sheet.value ? claimable(sheet.value, coversOff.value).filter(l => !skipped.value.has(l.id)) : [],
)
const SENSES = { seen: 'look', heard: 'listen', smelt: 'smell', felt: 'feel', measured: 'measure' } as const
const canClaim = (l: SafetyLook) => l.fine !== null && l.found === null && (coversOff.value || !l.inside)
/** Ways in which a look may be fine, where no single word says it. */
const ways = (l: SafetyLook) => (l.fine ? [] : l.question.findings.filter(f => f.call === 'leave'))

function toggle(id: string): void {
  const now = new Set(skipped.value)
  if (!now.delete(id)) now.add(id)
  skipped.value = now
}
/** Each look is an entry of its own. */
async function claim(): Promise<void> {
  held.value = sheet.value
  for (const { fine } of claims.value) if (!(await pick(fine!.id))) break
  held.value = null
}
/** One look by itself. */
async function say(finding: string): Promise<void> {
  held.value = sheet.value
  await pick(finding)
  held.value = null
}
/** What keeps checks of a case back; the gate before a good disk does not. */
const CHECKS: ReadonlySet<string> = new Set(['first-power', 'insert-disk'])
// Once the gates before the checks are open the way is free: nothing has to be closed by hand.
watch(
  () => sheet.value?.gate.gate.id ?? null,
  (now, before) => {
    if (shown && before && CHECKS.has(before) && (!now || !CHECKS.has(now))) emit('close')
  },
)
watch(
  () => shown,
  open => {
    if (open) skipped.value = new Set()
  },
)
</script>

<template>
  <ModalDialog
    :shown="shown"
    :title="sheet ? `Safety looks: ${lowerFirst(sheet.gate.gate.label)}` : 'Safety looks'"
    wide
    @close="emit('close')"
  >
    <template v-if="sheet">
      <p class="mb-3">{{ sheet.gate.gate.because }}</p>
      <label v-if="sheet.looks.some(l => l.inside)" class="flex items-center gap-2 min-h-11 text-sm mb-1"
        ><input v-model="coversOff" type="checkbox" class="size-5" />
        <span><strong>The covers are off.</strong> Nothing behind a closed cover is claimed.</span></label
      >
      <ul class="border-t border-line" data-testid="looks">
        <li
          v-for="l in sheet.looks"
          :key="l.id"
          class="flex flex-wrap gap-x-4 gap-y-1 items-center border-b border-line min-h-12 py-1 text-sm"
        >
          <div class="grow min-w-0 basis-64">
            <p>
              {{ l.question.ask }} <span class="hint">{{ SENSES[l.question.sense] }}</span>
            </p>
            <p v-if="l.found" class="text-sm font-bold">{{ l.found.label }}. {{ l.found.next }}</p>
            <p v-else-if="l.inside && !coversOff" class="hint">Behind the cover: not looked at.</p>
            <p v-else-if="l.fine" class="hint">Fine means: {{ lowerFirst(l.fine.label) }}.</p>
          </div>
          <div class="flex flex-wrap gap-2 justify-end">
            <button
              v-if="canClaim(l)"
              type="button"
              class="btn font-normal!"
              :class="skipped.has(l.id) ? 'border-line! text-muted!' : 'bg-tint'"
              :aria-pressed="!skipped.has(l.id)"
              :disabled="busy"
              @click="toggle(l.id)"
            >
              <Check v-if="!skipped.has(l.id)" class="size-4" /><X v-else class="size-4" />{{
                skipped.has(l.id) ? 'Not looked at' : 'Fine'
              }}
            </button>
            <button
              v-for="f in ways(l)"
              :key="f.id"
              type="button"
              class="btn font-normal!"
              :disabled="busy"
              @click="say(f.id)"
            >
              {{ f.label }}
            </button>
            <button type="button" class="btn font-normal!" :disabled="busy" @click="emit('look', l.question.id)">
              {{ l.found ? 'Look again…' : 'Not fine…' }}
            </button>
          </div>
        </li>
      </ul>
      <ul v-if="sheet.beside.length" class="text-sm mt-3 border-l-5 border-stop pl-3">
        <li v-for="s in sheet.beside" :key="s">{{ s }}</li>
      </ul>
      <div class="flex flex-wrap gap-3 mt-4">
        <button class="btn btn-primary" type="button" :disabled="!claims.length || busy" @click="claim">
          All fine: log {{ claims.length }} {{ claims.length === 1 ? 'look' : 'looks' }}
        </button>
        <button class="btn" type="button" @click="emit('close')">Close</button>
        <button class="btn btn-quiet ml-auto" type="button" @click="emit('pass')">Override gate…</button>
      </div>
      <p v-if="claims.length" class="hint mt-2">
        It logs: {{ claims.map(l => `${lowerFirst(l.question.topic)}: ${lowerFirst(l.fine!.label)}`).join('; ') }}.
      </p>
    </template>
    <template v-else>
      <p class="mb-4">Every safety gate before a good disk is open.</p>
      <button class="btn" type="button" @click="emit('close')">Close</button>
    </template>
  </ModalDialog>
</template>
