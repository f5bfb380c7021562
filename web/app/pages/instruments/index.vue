<script setup lang="ts">
import MiniSearch from 'minisearch'
import { INSTRUMENTS, type InstrumentEntry } from '~/utils/instrument-list'

useHead({ title: 'Instruments · Wobrin' })

const search = new MiniSearch<InstrumentEntry>({
  idField: 'to',
  fields: ['asks', 'title', 'also'],
  searchOptions: { prefix: true, fuzzy: 0.2, boost: { title: 3, asks: 2 }, combineWith: 'AND' },
})
const all = INSTRUMENTS.flatMap(g => g.list)
search.addAll(all)
const words = ref('')
const byPlace = new Map(all.map(i => [i.to, i]))
/** What fits all words; where nothing does, what fits any of them. */
const hits = computed(() => {
  if (!words.value.trim()) return null
  const strict = search.search(words.value)
  return (strict.length ? strict : search.search(words.value, { combineWith: 'OR' }))
    .slice(0, 12)
    .map(h => byPlace.get(h.id as string)!)
})
const shown = computed(() => (hits.value ? [{ title: 'Found', list: hits.value }] : INSTRUMENTS))
const first = () => {
  const to = hits.value?.[0]?.to
  if (to) void navigateTo(to)
}
</script>

<template>
  <div>
    <h1 class="text-2xl font-bold mb-1">Instruments</h1>
    <p class="text-muted mb-3">
      A quick measurement with no drive on file. What is worth keeping can be filed to a drive afterwards.
    </p>
    <form class="mb-4" role="search" @submit.prevent="first">
      <label class="block"
        ><span class="field-label">What do you want to know?</span
        ><input
          v-model="words"
          class="field text-lg"
          type="search"
          autocomplete="off"
          placeholder="belt, capacitor, stuck line, off track, luck, straps"
      /></label>
    </form>
    <div :class="!hits && 'lg:columns-2 gap-4'" aria-live="polite">
      <section v-for="s in shown" :key="s.title" class="panel px-5 py-3 mb-4 break-inside-avoid" :aria-label="s.title">
        <h2 class="text-lg font-bold mb-1">{{ s.title }}</h2>
        <ul :class="hits && 'lg:columns-2 gap-x-8'">
          <li v-for="(i, n) in s.list" :key="i.to" class="break-inside-avoid">
            <NuxtLink
              :to="i.to"
              class="flex justify-between items-center gap-4 py-1.5 min-h-11 border-t border-line group"
              ><span class="font-bold leading-snug group-hover:underline underline-offset-2">{{ i.asks }}</span
              ><span class="hint text-right shrink-0"
                >{{ i.title }} <kbd v-if="hits && n === 0">Enter</kbd></span
              ></NuxtLink
            >
          </li>
        </ul>
        <p v-if="s.list.length === 0" class="hint py-2">No instrument has these words. Try another word for it.</p>
      </section>
    </div>
  </div>
</template>
