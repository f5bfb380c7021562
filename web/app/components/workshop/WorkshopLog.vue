<script setup lang="ts">
import { ShieldCheck, TriangleAlert } from 'lucide-vue-next'
import type { LogCheckState } from '../../../shared/log-check'

/** Whether the logs are as they were written: each entry is sealed together with the one before it. */
const { data: check, refresh } = await useFetch<LogCheckState>('/api/workshop/log-check')
const notices = useNotices()
const checking = ref(false)
const running = computed(() => checking.value || check.value?.running === true)

async function again(): Promise<void> {
  checking.value = true
  await $fetch('/api/workshop/log-check', { method: 'POST' }).catch(error => notices.problem(problemText(error)))
  checking.value = false
  await refresh()
}
const said = computed(() => {
  const c = check.value
  if (!c?.at) return c?.problems.length ? '' : 'Not checked since the server started.'
  const erased = c.erased ? ` ${c.erased} ${c.erased === 1 ? 'drive was' : 'drives were'} erased.` : ''
  return c.problems.length
    ? `Checked ${longTime(c.at)}: not every entry is as it was written.`
    : `Checked ${longTime(c.at)}: all ${c.entries} entries of ${c.drives} drives are as they were written.${erased}`
})
</script>

<template>
  <section class="panel p-6 text-sm" aria-labelledby="log-check">
    <h2 id="log-check" class="font-bold text-base mb-1">Logs</h2>
    <p class="hint mb-2">
      Each entry is sealed together with the one before it. What is changed, removed or put in past Wobrin shows here.
    </p>
    <p v-if="said" class="mb-2 flex gap-2" role="status" data-testid="log-check">
      <component
        :is="check?.problems.length ? TriangleAlert : ShieldCheck"
        v-if="check?.at"
        class="size-4 mt-0.5 shrink-0"
        :class="check.problems.length ? 'text-stop' : 'text-leave'"
        aria-hidden="true"
      />{{ said }}
    </p>
    <ul v-if="check?.problems.length" class="mb-2 space-y-1.5" role="alert">
      <li v-for="p in check.problems.slice(0, 8)" :key="p" class="border-l-4 border-stop pl-2">{{ p }}</li>
      <li v-if="check.problems.length > 8" class="hint">and {{ check.problems.length - 8 }} more</li>
    </ul>
    <p v-if="check?.problems.length" class="hint mb-2">
      A backup from before holds the entries as they were. <code>npx wobrin verify</code> lists all of it.
    </p>
    <button class="btn" :disabled="running" @click="again">{{ running ? 'Checking…' : 'Check the logs' }}</button>
  </section>
</template>
