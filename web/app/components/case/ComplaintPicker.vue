<script setup lang="ts">
import { Search } from 'lucide-vue-next'
import { complaintsOn, findComplaint, searchSayable } from '@wobrin/core/diagnosis'
import { situationOf } from '@wobrin/core/findings'
import type { MechanismId } from '@wobrin/core/drives'

/** Complaints as tiles that filter while one types; several may be chosen, and free words are kept too. */
const {
  mechanism,
  chosen,
  most = 12,
} = defineProps<{
  mechanism: MechanismId
  chosen: readonly string[]
  most?: number
}>()
const emit = defineEmits<{ toggle: [id: string] }>()
const words = defineModel<string>('words', { default: '' })
const id = useId()

/** Shown before anything is typed: what is met most, the commonest first (from memory). */
const USUAL = [
  'reads-nothing',
  'no-spin',
  'not-recognised',
  'reads-sometimes',
  'reads-some-disks',
  'no-eject',
  'no-home',
  'noise-click',
  'dead',
  'write-errors',
  'spins-always',
  'never-tried',
]

const all = computed(() => complaintsOn(mechanism))
/** All words together first, then each by itself; words that point to no complaint leave the usual ones. */
const found = computed(() => {
  const typed = words.value.trim()
  if (!typed) return null
  const situation = situationOf({ mechanism }, [])
  const hits = [typed, ...typed.split(/\s+/)].flatMap(w => searchSayable(w, situation, ['complaint'], most))
  return [...new Set(hits.map(h => h.id))].map(id => findComplaint(id)!).filter(c => all.value.includes(c))
})
const shown = computed(() => {
  const rest = found.value?.length ? found.value : USUAL.flatMap(id => all.value.find(c => c.id === id) ?? [])
  const picked = chosen.map(c => findComplaint(c)!)
  return [...picked, ...rest.filter(c => !chosen.includes(c.id))].slice(0, Math.max(most, picked.length))
})
function first(): void {
  const hit = found.value?.find(c => !chosen.includes(c.id))
  if (hit) emit('toggle', hit.id)
}
</script>

<template>
  <div>
    <label :for="id" class="field-label">What does it do wrong?</label>
    <div class="relative mb-2">
      <Search class="size-4 absolute left-3 top-3.5 text-muted" aria-hidden="true" />
      <input
        :id="id"
        v-model="words"
        class="field pl-9!"
        autocomplete="off"
        maxlength="500"
        placeholder="In the words of its owner or its host"
        @keydown.enter.prevent="first"
      />
    </div>
    <p v-if="words.trim() && !found?.length" class="hint mb-2">
      No complaint has these words. They are kept as they are; choose the nearest tile.
    </p>
    <div class="grid gap-2 grid-cols-[repeat(auto-fill,minmax(14rem,1fr))]" role="group" aria-label="Complaints">
      <button
        v-for="c in shown"
        :key="c.id"
        type="button"
        class="min-h-12 px-3 py-1.5 text-left text-sm leading-tight rounded-box border"
        :class="
          chosen.includes(c.id) ? 'border-ink border-2 bg-tint font-bold' : 'border-line bg-panel hover:border-ink'
        "
        :aria-pressed="chosen.includes(c.id)"
        @click="emit('toggle', c.id)"
      >
        {{ c.label }}
      </button>
    </div>
  </div>
</template>
