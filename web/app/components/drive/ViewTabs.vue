<script setup lang="ts">
/** Tabs of the views of a drive. */
defineProps<{ view: DriveView; station: string }>()
/** After a tap the keys act on the view, not on the tab that was tapped. */
function leave(event: MouseEvent): void {
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
</script>

<template>
  <nav aria-label="Views of the drive" class="flex gap-1 border border-line rounded-box p-1 bg-panel">
    <NuxtLink
      v-for="t in DRIVE_VIEWS"
      :key="t.id"
      class="inline-flex items-center min-h-9 px-2 sm:px-3 rounded text-sm whitespace-nowrap"
      :class="view === t.id ? 'bg-ink text-panel font-bold' : 'hover:bg-tint'"
      :aria-current="view === t.id ? 'page' : undefined"
      :to="{ query: t.id === 'stations' ? { station } : { view: t.id } }"
      replace
      @click="leave"
      >{{ t.label }}</NuxtLink
    >
  </nav>
</template>
