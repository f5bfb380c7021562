<script setup lang="ts">
import { findCalculator } from '@wobrin/core/calculators/registry'

/** Names the calculator that answers a check. It comes by itself: with it come all calculators there are. */
defineProps<{ calculator: string }>()
defineEmits<{ open: [] }>()
</script>

<template>
  <button class="link text-sm" type="button" @click="$emit('open')">
    Work it out: {{ findCalculator(calculator).title }}…
  </button>
</template>
