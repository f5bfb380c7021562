<script setup lang="ts">
import { ArrowLeft } from 'lucide-vue-next'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import { PROOFS } from '@wobrin/core/proof'
import type { DiskView } from '../../../shared/disks'

/** One reference disk: its call, the chain that its word rests on, and how its margin has held. */
const { standing } = defineProps<{ standing: DiskView['standings'][number] }>()
const emit = defineEmits<{ say: [kind: 'verified' | 'retired' | 'back', detail: string] }>()
const why = ref<string | null>(null)
const percent = (x: number) => `${Math.round(x * 100)} %`
const rests = {
  standard: 'an analogue alignment disk',
  factory: 'a disk as sold',
  nothing: 'nothing verified',
  itself: 'itself',
} as const
function retire(): void {
  emit('say', 'retired', why.value ?? '')
  why.value = null
}
</script>

<template>
  <article class="border-t border-line py-4" :aria-label="standing.disk.name">
    <div class="flex flex-wrap gap-x-3 items-baseline">
      <CallMark :kind="standing.call.kind" :size="16" class="self-center" />
      <h3 class="font-bold text-lg">{{ standing.disk.name }}</h3>
      <span class="text-muted"
        >{{ findMechanism(standing.mechanism as MechanismId).label }} · written {{ standing.disk.writtenAt }} by
        {{ standing.wroteIt }}</span
      >
    </div>
    <p class="mt-1">
      {{ standing.call.reasons[0] }} <strong>{{ standing.call.next }}</strong>
    </p>
    <ol class="flex flex-wrap items-center gap-x-2 gap-y-1 mt-2 text-sm" aria-label="Chain of trust">
      <template v-for="(l, i) in standing.chain" :key="l.disk"
        ><li v-if="i" aria-hidden="true" class="text-muted"><ArrowLeft class="size-4" /></li>
        <li class="border border-line rounded-box px-2.5 py-1">
          <strong class="mr-1">{{ l.name }}</strong>
          <span class="hint">by {{ l.by || 'nobody knows who' }}, {{ PROOFS[l.proof] }}</span>
        </li></template
      >
      <li aria-hidden="true" class="text-muted"><ArrowLeft class="size-4" /></li>
      <li
        class="px-2.5 py-1 rounded-box"
        :class="standing.rests === 'standard' || standing.rests === 'factory' ? 'bg-leave-tint' : 'bg-tint'"
      >
        rests on {{ rests[standing.rests] }}
      </li>
    </ol>
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2 mt-2 text-sm">
      <span
        >{{ standing.uses }} {{ standing.uses === 1 ? 'reading' : 'readings' }} on the logs<SourceMarks
          :sources="standing.sources"
          words
      /></span>
      <span v-if="standing.first !== null"
        >least margin in verified drives {{ percent(standing.first)
        }}<template v-if="standing.latest !== standing.first">
          at first, now {{ percent(standing.latest!) }}</template
        ></span
      >
      <span v-else class="hint">no verified drive has read it yet</span>
      <span v-if="standing.verified">verified {{ standing.verified.slice(0, 10) }}</span>
      <span class="grow" />
      <template v-if="why === null"
        ><button v-if="standing.retired" class="link min-h-11" @click="emit('say', 'back', '')">
          Take it back into use</button
        ><template v-else
          ><button
            class="link min-h-11"
            @click="emit('say', 'verified', 'Read without error on the drive that wrote it.')"
          >
            Log: read without error on the drive that wrote it</button
          ><button class="link min-h-11" @click="why = ''">Retire it</button></template
        ></template
      >
      <form v-else class="flex gap-2 items-center" @submit.prevent="retire">
        <input
          v-model="why"
          class="field w-56"
          placeholder="why?"
          aria-label="Why it is retired"
          maxlength="300"
        /><button class="btn">Retire it</button
        ><button type="button" class="link min-h-11" @click="why = null">Cancel</button>
      </form>
    </div>
  </article>
</template>
