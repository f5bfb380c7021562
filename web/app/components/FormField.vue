<script setup lang="ts">
defineProps<{ label: string; problem?: string; hint?: string }>()
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="field-label">{{ label }}</label>
    <slot :id="id" />
    <p v-if="problem" class="text-sm text-stop mt-1" role="alert">{{ problem }}</p>
    <p v-else-if="hint" class="hint mt-1">{{ hint }}</p>
  </div>
</template>
