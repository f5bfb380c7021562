<script setup lang="ts">
import type { Sending } from '~/composables/useSending'

/** A recording on its way to the server: sent, in the queue there, judged again. All of it can be cancelled. */
const { sending } = defineProps<{ sending: Sending }>()
const emit = defineEmits<{ end: [] }>()

const line = computed<{ what: string; share: number | null }>(() => {
  const { sent, before, judged } = sending
  if (sent < 1) return { what: 'Sending the recording', share: sent }
  if (before)
    return { what: `In the queue: ${before === 1 ? 'one recording' : `${before} recordings`} first`, share: null }
  return { what: 'The server judges it', share: judged || null }
})
</script>

<template>
  <ProgressLine :share="line.share" :what="line.what" @end="emit('end')" />
</template>
