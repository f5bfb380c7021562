<script setup lang="ts">
/** A part of a long page, drawn when its turn comes; the first of several may be drawn at once. */
const { atOnce = false } = defineProps<{ atOnce?: boolean }>()
const turn = atOnce || useTurn()
</script>

<template><slot v-if="turn" /></template>
