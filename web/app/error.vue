<script setup lang="ts">
import type { NuxtError } from '#app'

defineProps<{ error: NuxtError }>()
</script>

<template>
  <main class="mx-auto max-w-[640px] p-8">
    <h1 class="text-2xl font-bold mb-2">
      {{ error.status === 404 ? 'There is nothing here' : 'This page could not be shown' }}
    </h1>
    <p class="mb-6">
      {{ error.status === 404 ? 'The drive or page may have been renamed.' : error.message }} Nothing that was entered
      is lost.
    </p>
    <button class="btn btn-primary" @click="clearError({ redirect: '/' })">Back to the bench</button>
  </main>
</template>
