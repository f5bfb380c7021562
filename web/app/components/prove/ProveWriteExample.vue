<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { proxy } from 'comlink'
import { judgeWriteTest, type JudgedWriteTest } from '@wobrin/core/proof'
import type { WriteWorker } from '~/workers/write.worker'

/** A worked example of a write test: the simulated drive, written as the page opens. */
const MECHANISM = '3in'
const STORY = 'both-off'
const worker = useWorker<WriteWorker>(
  () => new Worker(new URL('../../workers/write.worker.ts', import.meta.url), { type: 'module' }),
)
const judged = shallowRef<JudgedWriteTest | null>(null)
useTimeoutFn(async () => {
  const answer = await worker().test(
    MECHANISM,
    STORY,
    proxy(() => {}),
  )
  if ('ok' in answer) judged.value = judgeWriteTest(MECHANISM, answer.ok)
}, 400)
</script>

<template>
  <section aria-label="Worked example" class="space-y-3">
    <p>
      <strong>Worked example.</strong> A simulated 3-inch drive with both heads off track writes, and reads back what it
      wrote.
    </p>
    <p v-if="!judged" class="hint">It is being written…</p>
    <template v-else>
      <CallBand :call="judged.call" />
      <ProveWriteChecks :checks="judged.checks" />
    </template>
  </section>
</template>
