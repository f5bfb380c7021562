<script setup lang="ts">
import { heldByDefault, USUAL_WAITS, type Step } from '@wobrin/core/bench/stations'

const {
  shown,
  undone,
  current,
  preset = null,
  save,
} = defineProps<{
  shown: boolean
  undone: readonly Step[]
  current: string | null
  preset?: { what: string; minutes: number } | null
  save: (what: string, minutes: number, holds: string | null) => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()

const what = ref('')
const amount = ref(30)
const unit = ref(1)
/** 'usual': whatever such a wait usually holds. */
const holds = ref('usual')
const problem = ref<string | null>(null)
watch(
  () => shown,
  now => {
    if (!now) return
    holds.value = 'usual'
    problem.value = null
    what.value = preset?.what ?? ''
    unit.value = preset && preset.minutes % 60 === 0 ? 60 : 1
    amount.value = preset ? preset.minutes / unit.value : 30
  },
  { immediate: true },
)

const ids = computed(() => undone.map(s => s.id))
const heldBy = (usual: readonly string[] | null) =>
  holds.value === 'usual' ? heldByDefault(usual, ids.value, current) : holds.value || null
/** A usual wait that a step proposed holds what such a wait holds. */
const presetHolds = computed(() => USUAL_WAITS.find(w => w.what === what.value.trim())?.holds ?? null)
const title = (id: string | null) => undone.find(s => s.id === id)?.title ?? null

async function start(words: string, minutes: number, usual: readonly string[] | null): Promise<void> {
  problem.value = await save(words, minutes, heldBy(usual)).then(() => null, problemText)
}
</script>

<template>
  <ModalDialog :shown="shown" title="Start a wait" wide @close="emit('close')">
    <label class="block mb-4"
      ><span class="field-label">It holds</span>
      <select v-model="holds" class="field">
        <option value="usual">what it usually holds</option>
        <option v-for="s in undone" :key="s.id" :value="s.id">{{ s.title }}</option>
        <option value="">the whole drive</option>
      </select>
    </label>
    <p v-if="!preset" class="hint mb-2">
      Usual times (common practice); those of glue and oil are a guess: the product’s own sheet counts.
    </p>
    <ul v-if="!preset" class="grid sm:grid-cols-2 gap-2 mb-5">
      <li v-for="w in USUAL_WAITS" :key="w.what">
        <button
          class="w-full min-h-14 px-3 py-2 rounded-box border border-line hover:border-ink text-left text-sm"
          @click="start(w.what, w.minutes, w.holds)"
        >
          <span class="flex justify-between gap-3"
            ><strong>{{ w.what }}</strong
            ><span class="hint">{{ duration(w.minutes) }}</span></span
          ><span class="hint text-xs block">{{
            title(heldBy(w.holds)) ? `holds: ${title(heldBy(w.holds))}` : 'holds the whole drive'
          }}</span>
        </button>
      </li>
    </ul>
    <form
      class="grid grid-cols-[1fr_5rem_8rem] gap-3 items-end"
      :class="!preset && 'border-t border-line pt-4'"
      @submit.prevent="start(what.trim(), amount * unit, presetHolds)"
    >
      <label
        ><span class="field-label">{{ preset ? 'What' : 'Another wait' }}</span
        ><input v-model="what" class="field" maxlength="80" required
      /></label>
      <label
        ><span class="field-label">For</span
        ><input v-model.number="amount" class="field" type="number" min="1" max="9999" required
      /></label>
      <label
        ><span class="sr-only">Unit</span
        ><select v-model.number="unit" class="field">
          <option :value="1">minutes</option>
          <option :value="60">hours</option>
          <option :value="1440">days</option>
        </select></label
      >
      <p class="col-span-3 hint text-sm" data-testid="holds">
        {{ title(heldBy(presetHolds)) ? `It holds: ${title(heldBy(presetHolds))}` : 'It holds the whole drive.' }}
      </p>
      <div class="col-span-3 flex gap-3">
        <button class="btn btn-primary">Start it</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
    <p v-if="problem" class="text-sm text-stop mt-3" role="alert">{{ problem }}</p>
  </ModalDialog>
</template>
