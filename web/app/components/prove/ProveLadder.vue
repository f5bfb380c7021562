<script setup lang="ts">
import { Check, X } from 'lucide-vue-next'
import type { DriveFacts, LogEntry } from '@wobrin/core/log'
import { ladderOf, NEEDS, planFor, RUNGS, type NeedId, type ProofTest } from '@wobrin/core/proof'

/** What the drive may claim so far, rung by rung, and the shortest way to what its owner needs. */
const { drive, log, closed } = defineProps<{
  drive: DriveFacts
  log: readonly LogEntry[]
  closed: boolean
}>()
const emit = defineEmits<{ kept: [LogEntry]; write: [] }>()
const disks = useDisks()
onMounted(() => disks.load().catch(() => {}))

const need = ref<NeedId>('archive')
const ladder = computed(() => ladderOf(drive, log, disks.trusts))
const plan = computed(() => planFor(need.value, ladder.value))
const counting = shallowRef<ProofTest | null>(null)
const DISKS = {
  sacrificial: 'a sacrificial disk',
  trusted: 'a reference disk',
  alignment: 'an analogue alignment disk',
} as const
const readers = computed(() => disks.view.value?.drives.filter(d => d.id !== drive.id) ?? [])
const where = (t: ProofTest) =>
  (
    ({
      speed: `/drives/${drive.id}?station=speed`,
      home: `/drives/${drive.id}?station=align`,
      protect: `/drives/${drive.id}?station=first-power`,
      radial: `/instruments/scope?drive=${drive.id}`,
    }) as Record<string, string>
  )[t.id] ?? `/instruments/read-test?drive=${drive.id}&station=prove`
</script>

<template>
  <section aria-label="What may be claimed">
    <h3 class="text-lg font-bold mb-2">What may be claimed</h3>
    <CallBand :call="ladder.call" />
    <ol class="mt-4">
      <li
        v-for="(r, n) in ladder.rungs"
        :key="r.id"
        class="border-t border-line py-2.5 grid grid-cols-[auto_1fr] gap-x-3"
      >
        <span
          class="size-6 rounded-full border grid place-items-center text-xs mt-0.5"
          :class="r.reached ? 'bg-leave border-leave text-panel' : 'border-muted'"
          ><Check v-if="r.reached" class="size-4" aria-label="reached" /><template v-else>{{ n + 1 }}</template></span
        >
        <div>
          <p class="font-bold">{{ RUNGS[r.id].title }}</p>
          <p class="hint">{{ r.reached ? RUNGS[r.id].hides : RUNGS[r.id].shows }}</p>
          <ul class="text-sm mt-1">
            <li v-for="t in r.tests.filter(x => x.state !== 'not done')" :key="t.test.id" class="flex gap-2 py-0.5">
              <component
                :is="t.state === 'passed' ? Check : X"
                class="size-4 shrink-0 mt-0.5"
                :class="t.state === 'passed' ? 'text-leave' : 'text-nudge'"
                :aria-label="t.state"
              /><span
                ><strong>{{ t.test.title }}.</strong> {{ t.says }}</span
              >
            </li>
          </ul>
        </div>
      </li>
    </ol>
    <div class="border-t border-line pt-3 flex flex-wrap items-end gap-3">
      <FormField v-slot="{ id }" label="What the owner needs"
        ><select :id="id" v-model="need" class="field w-auto">
          <option v-for="(x, id2) in NEEDS" :key="id2" :value="id2">{{ x.label }}</option>
        </select></FormField
      >
      <p class="text-sm pb-2.5" data-testid="plan">
        <template v-if="plan.tests.length"
          ><strong
            >{{ plan.tests.length }} {{ plan.tests.length === 1 ? 'test' : 'tests' }}, about
            {{ plan.minutes }} min</strong
          >
          with {{ plan.disks.map(d => DISKS[d]).join(', then ') }}.</template
        ><strong v-else>That is verified.</strong>
      </p>
    </div>
    <ol v-if="plan.tests.length" class="text-sm mt-2">
      <li
        v-for="(t, i) in plan.tests"
        :key="t.id"
        class="flex flex-wrap gap-x-3 items-center border-t border-line py-1.5"
      >
        <span class="w-5 text-right text-muted">{{ i + 1 }}</span><span class="grow basis-64"
          ><strong>{{ t.title }}</strong> <span class="hint">{{ t.how }}</span></span
        ><template v-if="t.counted && !closed"
          ><button v-if="t.id !== 'interchange'" class="link text-sm min-h-11" @click="emit('write')">Write test</button
          ><button class="btn" @click="counting = t">Count it</button></template
        ><NuxtLink v-else-if="!t.counted" class="btn" :to="where(t)">Go there</NuxtLink>
      </li>
    </ol>
    <ProveCountDialog
      :test="counting"
      :drive-id="drive.id"
      :readers="readers"
      @close="counting = null"
      @kept="
        e => {
          counting = null
          emit('kept', e)
        }
      "
    />
  </section>
</template>
