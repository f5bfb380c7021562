<script setup lang="ts">
/** Long work as a line: what is being done, how far it is, and a way to end it. */
const {
  share,
  what,
  end = 'Cancel',
} = defineProps<{
  /** 0 to 1; null where nobody knows how far. */
  share: number | null
  what: string
  /** Words on the button; no button where empty. */
  end?: string
}>()
const emit = defineEmits<{ end: [] }>()
</script>

<template>
  <div class="flex items-center gap-4 min-h-11" role="status">
    <span class="text-sm">{{ what }}</span><progress
      :value="share ?? undefined"
      max="1"
      class="grow h-2 min-w-16 accent-leave"
      :aria-label="what"
    /><span v-if="share !== null" class="text-sm w-12 text-right">{{ Math.round(100 * share) }} %</span>
    <button v-if="end" class="btn" @click="emit('end')">{{ end }}</button>
  </div>
</template>
