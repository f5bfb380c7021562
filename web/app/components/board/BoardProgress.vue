<script setup lang="ts">
/** How far a board has read. */
const { board } = defineProps<{ board: Board }>()
const { reading, surface } = board
</script>

<template>
  <ProgressLine
    v-if="reading"
    :share="surface ? surface.done / surface.all : 0"
    what="Reading the disk"
    end="Stop reading"
    @end="board.stop"
  />
</template>
