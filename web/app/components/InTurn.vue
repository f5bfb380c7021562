<script setup lang="ts">
/** A part of a long page, drawn when its turn comes. */
const turn = useTurn()
</script>

<template><slot v-if="turn" /></template>
