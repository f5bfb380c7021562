<script setup lang="ts">
import { CloudOff, CloudUpload } from 'lucide-vue-next'
import type { Waiting } from '../../utils/outbox'

/** What waits for a connection, and what the server refused. */
const { toSend, refused } = defineProps<{ toSend: readonly Waiting[]; refused: readonly Waiting[] }>()
const emit = defineEmits<{ retry: []; drop: [id: string] }>()
const entries = (n: number) => `${n} ${n === 1 ? 'entry' : 'entries'}`
/** Sending takes a moment; only what lasts longer is worth a word. */
const SHOWN_AFTER_MS = 1200
const late = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => toSend.length > 0,
  some => {
    clearTimeout(timer)
    late.value = false
    if (some) timer = setTimeout(() => (late.value = true), SHOWN_AFTER_MS)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(timer))
</script>

<template>
  <div role="status" data-testid="outbox">
    <p v-if="late" class="flex items-center gap-3 rounded-box bg-nudge-tint px-3 py-2 text-sm">
      <CloudOff class="size-6 shrink-0 text-nudge" aria-hidden="true" />
      <span class="grow"
        ><strong>{{ entries(toSend.length) }} on this device.</strong> Sent in order when the connection is back.</span
      >
      <button class="btn shrink-0" @click="emit('retry')"><CloudUpload class="size-4" />Send now</button>
    </p>
    <p v-for="w in refused" :key="w.body.id" class="mt-2 rounded-box bg-stop-tint px-3 py-2 text-sm">
      <strong>Refused:</strong> {{ w.refused }}
      <button class="btn ml-2" @click="emit('drop', w.body.id)">Discard entry</button>
    </p>
  </div>
</template>
