<script setup lang="ts">
/** A recording on its way to the server: sent first, which can be ended, then judged there again. */
const { sent } = defineProps<{ sent: number }>()
const emit = defineEmits<{ end: [] }>()
</script>

<template>
  <ProgressLine
    :share="sent < 1 ? sent : null"
    :what="sent < 1 ? 'Sending the recording' : 'Being judged'"
    :end="sent < 1 ? 'Stop sending' : ''"
    @end="emit('end')"
  />
</template>
