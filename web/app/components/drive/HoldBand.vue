<script setup lang="ts">
import type { Hold } from '@wobrin/core/bench/stations'

/** What keeps a step from being done, and the way on: look, wait, read, or pass with a reason. */
const { hold } = defineProps<{ hold: Hold; closed: boolean }>()
const emit = defineEmits<{ look: [question: string]; looks: []; pass: []; acknowledge: []; over: [] }>()
</script>

<template>
  <div
    v-if="hold.kind === 'gate'"
    class="border-l-5 border-stop bg-stop-tint px-4 py-3"
    role="status"
    data-testid="gate"
  >
    <p>
      <CallMark kind="stop" decorative class="inline align-[-3px] mr-2" /><strong class="mr-2">Stop</strong>The safety
      gate <strong>{{ hold.gate.gate.label.toLowerCase() }}</strong> is closed. {{ hold.gate.gate.because }}
    </p>
    <ul class="mt-2">
      <li v-for="m in hold.gate.missing" :key="m.id" class="flex items-center gap-3 border-t border-line py-1.5">
        <span class="grow text-sm">{{ m.sentence }}</span>
        <button v-if="m.question && !closed" class="btn" @click="emit('look', m.question)">
          {{ m.kind === 'forbids' ? 'Record finding…' : 'Look' }}
        </button>
      </li>
    </ul>
    <div v-if="!closed" class="flex flex-wrap gap-x-5 items-center mt-1">
      <button class="btn" @click="emit('looks')">All safety looks…</button>
      <button class="text-sm text-muted link min-h-11" @click="emit('pass')">Override gate…</button>
    </div>
  </div>
  <div
    v-else-if="hold.kind === 'wait'"
    class="border-l-5 border-muted bg-tint px-4 py-3"
    role="status"
    data-testid="held"
  >
    <p>
      <strong>{{ hold.wait.what }}</strong> holds this step until <strong>{{ endOf(hold.wait.endsAt) }}</strong>.
    </p>
    <button v-if="!closed" class="btn mt-2" @click="emit('over')">End wait now</button>
  </div>
  <div v-else class="border-l-5 border-stop bg-stop-tint px-4 py-3" role="status" data-testid="caution">
    <p><strong class="mr-2">Before you go on</strong>{{ hold.caution.text }}</p>
    <button v-if="!closed" class="btn btn-primary mt-3" @click="emit('acknowledge')">I have read this</button>
  </div>
</template>
