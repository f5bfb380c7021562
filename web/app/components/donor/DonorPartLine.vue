<script setup lang="ts">
import type { DonorPart } from '../../../shared/parts'

/** A part of a donor, and where it went. */
defineProps<{ part: DonorPart }>()
const emit = defineEmits<{ take: [] }>()
</script>

<template>
  <p class="flex gap-3 items-center">
    <span class="grow"
      ><strong>{{ part.label }}</strong
      ><span class="hint block">{{
        part.wentTo ? `went into ${part.wentTo}` : `${part.state}: ${part.says}`
      }}</span></span
    ><button v-if="!part.wentTo" class="link min-h-11" type="button" @click="emit('take')">Use part…</button>
  </p>
</template>
