<script setup lang="ts">
import { MEMORY_TOPIC_IDS, MEMORY_TOPICS, type MemoryTopic, type ModelSheet } from '@wobrin/core/drives/models'
import type { WhatItWas } from '@wobrin/core/bench/identical'

/** What is remembered of a model: how it opens, its belt, its plugs, its traps, and what it was last time. */
const { sheet } = defineProps<{ sheet: ModelSheet; was: readonly WhatItWas[] }>()
const emit = defineEmits<{ keep: [sheet: ModelSheet]; open: [file: File]; save: [] }>()
const store = useDrive()
const topic = ref<MemoryTopic>('opening')
const text = ref('')
const topics = computed(() =>
  MEMORY_TOPIC_IDS.map(id => ({ id, said: sheet.memory.filter(m => m.topic === id) })).filter(t => t.said.length),
)
function add(): void {
  if (!text.value.trim()) return
  const entry = { topic: topic.value, text: text.value.trim(), from: store.drive!.tag }
  emit('keep', { ...sheet, memory: [...sheet.memory, entry] })
  text.value = ''
}
const pin = ref({ plug: '', pin: '', signal: '' })
const pinReady = computed(() => Object.values(pin.value).every(v => v.trim() !== ''))
function addPin(): void {
  if (!pinReady.value) return
  const { plug, pin: number, signal } = pin.value
  const same = (p: ModelSheet['pins'][number]) => p.plug === plug.trim() && p.pin === number.trim()
  const entry = { plug: plug.trim(), pin: number.trim(), signal: signal.trim(), from: store.drive!.tag }
  emit('keep', { ...sheet, pins: [...sheet.pins.filter(p => !same(p)), entry] })
  pin.value = { plug: plug.trim(), pin: '', signal: '' }
}
const pins = computed(() =>
  [...sheet.pins].sort((a, b) => a.plug.localeCompare(b.plug) || a.pin.localeCompare(b.pin, 'en', { numeric: true })),
)
const file = useTemplateRef('file')
function pick(event: Event): void {
  const field = event.target as HTMLInputElement
  const picked = field.files?.[0]
  field.value = ''
  if (picked) emit('open', picked)
}
</script>

<template>
  <section class="panel px-5 py-4 min-w-0 space-y-4" aria-label="What is known of this model" data-testid="memory">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2 class="text-lg font-bold">{{ [sheet.maker, sheet.model].filter(Boolean).join(' ') }}</h2>
      <p class="text-sm flex gap-4">
        <button class="link min-h-8" type="button" @click="file?.click()">Import sheet…</button>
        <button class="link min-h-8" type="button" @click="emit('save')">Export sheet</button>
        <input
          ref="file"
          type="file"
          accept=".json,application/json"
          class="sr-only"
          tabindex="-1"
          aria-label="Model sheet"
          data-testid="sheet-file"
          @change="pick"
        />
      </p>
    </div>
    <div v-if="was.length">
      <h3 class="section-title mb-1">What it was last time</h3>
      <ul class="text-sm">
        <li v-for="w in was.slice(0, 4)" :key="`${w.tag} ${w.complaint}`" class="border-t border-line py-1.5">
          <span class="font-bold">{{ w.cause }}</span>
          <span class="hint block">{{ w.tag }}: {{ w.complaint }}</span>
        </li>
      </ul>
    </div>
    <div>
      <h3 class="section-title mb-1">Remembered of this model</h3>
      <dl class="text-sm">
        <div v-for="t in topics" :key="t.id" class="border-t border-line py-1.5">
          <dt class="hint">{{ MEMORY_TOPICS[t.id] }}</dt>
          <dd v-for="m in t.said" :key="m.text" class="flex gap-3 justify-between">
            <span>{{ m.text }}</span><span class="hint text-xs whitespace-nowrap pt-0.5">{{ m.from }}</span>
          </dd>
        </div>
      </dl>
      <p v-if="!topics.length" class="hint text-sm">
        Nothing yet. What you write here is offered with the next drive of this model.
      </p>
      <form class="grid gap-2 sm:grid-cols-[10rem_1fr_auto] items-end mt-2" @submit.prevent="add">
        <label class="text-sm"
          >Topic<select v-model="topic" class="field block">
            <option v-for="id in MEMORY_TOPIC_IDS" :key="id" :value="id">{{ MEMORY_TOPICS[id] }}</option>
          </select></label
        >
        <label class="text-sm">Text<input v-model="text" class="field block" maxlength="1000" /></label>
        <button class="btn min-h-11" type="submit" :disabled="!text.trim()">Add</button>
      </form>
    </div>
    <div>
      <h3 class="section-title mb-1">Plugs and pins</h3>
      <table v-if="pins.length" class="text-sm w-full">
        <thead class="sr-only">
          <tr>
            <th>Plug</th>
            <th>Pin</th>
            <th>Signal</th>
            <th>From</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in pins" :key="`${p.plug} ${p.pin}`" class="border-t border-line">
            <td class="py-1 pr-3">{{ p.plug }}</td>
            <td class="py-1 pr-3 tabular-nums">{{ p.pin }}</td>
            <td class="py-1 pr-3 font-bold w-full">{{ p.signal }}</td>
            <td class="py-1 hint text-xs whitespace-nowrap">{{ p.from }}</td>
          </tr>
        </tbody>
      </table>
      <form class="grid gap-2 grid-cols-[1fr_4.5rem_1.4fr_auto] items-end mt-2" @submit.prevent="addPin">
        <label class="text-sm">Plug<input v-model="pin.plug" class="field block" maxlength="40" /></label>
        <label class="text-sm">Pin<input v-model="pin.pin" class="field block" maxlength="20" /></label>
        <label class="text-sm">Signal<input v-model="pin.signal" class="field block" maxlength="80" /></label>
        <button class="btn min-h-11" type="submit" :disabled="!pinReady">Add</button>
      </form>
    </div>
  </section>
</template>
