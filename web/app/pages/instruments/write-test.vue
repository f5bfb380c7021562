<script setup lang="ts">
import { proxy } from 'comlink'
import { layoutsOf, MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import type { WriteTestResult } from '@wobrin/core/log'
import { judgeWriteTest } from '@wobrin/core/proof'
import { DRIVE_STORIES, QUICK_STORIES } from '@wobrin/core/simulator'
import type { WriteWorker } from '~/workers/write.worker'

useHead({ title: 'Write test · Wobrin' })
const worker = useWorker<WriteWorker>(
  () => new Worker(new URL('../../workers/write.worker.ts', import.meta.url), { type: 'module' }),
)
const mechanism = ref<MechanismId>('3in')
const story = ref('sound')
const progress = ref<{ share: number; what: string } | null>(null)
const done = shallowRef<{ mechanism: MechanismId; story: string; result: WriteTestResult } | null>(null)
const problem = ref('')
const judged = computed(() => done.value && judgeWriteTest(done.value.mechanism, done.value.result))
const classes = MECHANISMS.filter(m => layoutsOf(m.id).length || m.id === 'quick-disk')
const stories = computed(() => (mechanism.value === 'quick-disk' ? QUICK_STORIES : DRIVE_STORIES))
watch(stories, list => {
  if (!list.some(s => s.id === story.value)) story.value = 'sound'
})

async function run(): Promise<void> {
  problem.value = ''
  progress.value = { share: 0, what: 'spinning up' }
  const [m, s] = [mechanism.value, story.value]
  const answer = await worker().test(
    m,
    s,
    proxy((share: number, what: string) => {
      if (progress.value) progress.value = { share, what }
    }),
  )
  progress.value = null
  if ('ok' in answer) done.value = { mechanism: m, story: s, result: answer.ok }
  else if ('problem' in answer) problem.value = answer.problem
}
const ORDER = [
  [
    'Write protect',
    'A protected disk goes in, the host writes, and the disk must read as before. Then its tab is opened, and it must be written.',
  ],
  [
    'Format',
    'Every cylinder, both heads, verified; timed. First and last cylinder and the second head are counted by themselves.',
  ],
  ['Home', 'Track zero must be found again, and cylinder 0 must name itself.'],
  [
    'Pattern, and another over it',
    'Pseudo-random bytes are read back and compared. What shines through from under the second pattern is weak erase: old data remains, or a disk once written by wider heads.',
  ],
] as const
</script>

<template>
  <div class="grid xl:grid-cols-[1fr_22rem] gap-4 items-start">
    <section class="panel p-5 sm:px-6 space-y-5" aria-labelledby="write">
      <div>
        <h1 id="write" class="text-2xl font-bold">Write test</h1>
        <p class="text-muted">
          What a host can tell of writing, tried on the simulated drive. Its own disk goes in; nothing of it counts for
          a real one.
        </p>
      </div>
      <form class="flex flex-wrap items-end gap-3" @submit.prevent="run">
        <FormField v-slot="{ id }" label="Drive type"
          ><select :id="id" v-model="mechanism" class="field w-auto">
            <option v-for="m in classes" :key="m.id" :value="m.id">{{ m.label }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Simulated state"
          ><select :id="id" v-model="story" class="field w-auto">
            <option v-for="s in stories" :key="s.id" :value="s.id">{{ s.label }}</option>
          </select></FormField
        >
        <button class="btn btn-primary" :disabled="progress !== null">Write and read back</button>
      </form>
      <ProgressLine
        v-if="progress"
        :share="progress.share"
        :what="`Write test, ${progress.what}`"
        @end="worker().stop()"
      />
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <template v-if="judged && done">
        <CallBand :call="judged.call" />
        <ProveWriteChecks :checks="judged.checks" />
        <p
          v-if="done.story !== 'sound' && !judged.checks.some(c => c.state === 'failed')"
          class="border-l-5 border-nudge bg-nudge-tint px-4 py-3"
        >
          This drive is not sound, and passed all the same: <strong>a drive reads its own writing</strong>. Only another
          drive, or a disk that another wrote, tells.
        </p>
      </template>
      <template v-else-if="!progress">
        <p class="text-muted">Choose a state, and see what a write test finds of it, and what it does not.</p>
        <ProveWriteExample />
      </template>
    </section>
    <section class="panel p-5" aria-labelledby="order">
      <h2 id="order" class="text-lg font-bold mb-1">What is done</h2>
      <ol>
        <li v-for="([title, what], i) in ORDER" :key="title" class="border-t border-line py-2.5 flex gap-3">
          <span class="text-muted">{{ i + 1 }}</span><span
            ><strong>{{ title }}</strong
            ><span class="hint block">{{ what }}</span></span
          >
        </li>
      </ol>
    </section>
  </div>
</template>
