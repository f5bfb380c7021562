<script setup lang="ts">
import { Download, FileUp } from 'lucide-vue-next'
import type { FileKind, KnowledgeState } from '../../../shared/knowledge'

/** What the engine knows of faults: rates that this workshop's cases moved, and both files out and in. */
const { data: state } = await useFetch<KnowledgeState>('/api/knowledge')
const notices = useNotices()
const problem = ref('')
const KINDS: readonly { id: FileKind; label: string; file: string; what: string; accept: string }[] = [
  { id: 'rates', label: 'Rates of faults', file: 'CSV', what: 'one fault a line', accept: '.csv,text/csv' },
  {
    id: 'knowledge',
    label: 'Functions, parts and faults',
    file: 'JSON',
    what: 'lamp codes by model too',
    accept: '.json,application/json',
  },
  {
    id: 'procedures',
    label: 'How parts are changed',
    file: 'JSON',
    what: 'steps, tools, minutes, waits',
    accept: '.json,application/json',
  },
]
const SHOWN = 8

async function take(kind: FileKind, event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  problem.value = ''
  await $fetch<KnowledgeState>(`/api/knowledge/${kind}`, {
    method: 'PUT',
    query: { name: file.name },
    body: await file.text(),
    headers: { 'content-type': 'text/plain' },
  }).then(
    now => {
      state.value = now
      notices.done(`${file.name} is in force.`)
    },
    error => {
      problem.value = `${problemText(error)} What was in force stays in force.`
    },
  )
}
async function drop(kind: FileKind): Promise<void> {
  problem.value = ''
  await $fetch<KnowledgeState>(`/api/knowledge/${kind}`, { method: 'DELETE' }).then(
    now => {
      state.value = now
    },
    error => {
      problem.value = problemText(error)
    },
  )
}
const perThousand = (odds: number) => odds.toFixed(1)
</script>

<template>
  <section v-if="state" class="panel p-6 text-sm" aria-labelledby="known">
    <h2 id="known" class="font-bold text-base mb-1">What is known of faults and cures</h2>
    <p class="hint mb-3">
      <template v-if="state.cases">
        {{ state.cases }} {{ state.cases === 1 ? 'case was' : 'cases were' }} closed here. What was known before counts
        as 60 cases of each drive type; an identical drive counts four times.
      </template>
      <template v-else>
        A case that is closed by a cure moves these rates. None was closed here yet: the program’s list is in force.
      </template>
    </p>
    <table v-if="state.learned.length" class="w-full mb-4" data-testid="learned">
      <thead>
        <tr class="text-left hint">
          <th class="font-normal">In a thousand drives</th>
          <th class="font-normal text-right">listed</th>
          <th class="font-normal text-right">here</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in state.learned.slice(0, SHOWN)" :key="r.fault" class="border-t border-line">
          <td class="py-1 pr-2">{{ r.label }}</td>
          <td class="text-right tabular-nums">{{ perThousand(r.before) }}</td>
          <td class="text-right tabular-nums font-bold">{{ perThousand(r.now) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-for="p in state.problems" :key="p" class="mb-3 border-l-5 border-nudge pl-3">
      {{ p }} What was in force before stays.
    </p>
    <div v-for="k in KINDS" :key="k.id" class="border-t border-line py-3">
      <p>
        <strong>{{ k.label }}</strong> <span class="hint">{{ k.file }}, {{ k.what }}</span>
      </p>
      <p v-if="state.own[k.id]" class="hint">A file of this workshop is in force.</p>
      <div class="flex flex-wrap gap-2 mt-1.5">
        <a class="btn" :href="`/api/knowledge/${k.id}`"><Download class="size-4" />Export</a>
        <label class="btn cursor-pointer has-focus-visible:outline-2"
          ><FileUp class="size-4" />Import {{ k.file }}…<input
            type="file"
            class="sr-only"
            :accept="k.accept"
            :aria-label="`Import ${k.label}`"
            @change="take(k.id, $event)"
        /></label>
        <button v-if="state.own[k.id]" class="btn btn-quiet" type="button" @click="drop(k.id)">
          Use the program’s
        </button>
      </div>
    </div>
    <p v-if="problem" class="mt-2 text-stop" role="alert">{{ problem }}</p>
  </section>
</template>
