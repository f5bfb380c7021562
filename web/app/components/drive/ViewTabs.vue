<script setup lang="ts">
/** The two views of a drive: its case, and its stations. */
defineProps<{ view: 'case' | 'stations'; station: string }>()
const TABS = [
  { id: 'case', label: 'Case' },
  { id: 'stations', label: 'Stations' },
] as const
/** After a tap the keys act on the view, not on the tab that was tapped. */
function leave(event: MouseEvent): void {
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
</script>

<template>
  <nav aria-label="Views of the drive" class="flex gap-1 border border-line rounded-box p-1 bg-panel">
    <NuxtLink
      v-for="t in TABS"
      :key="t.id"
      class="inline-flex items-center min-h-9 px-4 rounded text-sm"
      :class="view === t.id ? 'bg-ink text-panel font-bold' : 'hover:bg-tint'"
      :aria-current="view === t.id ? 'page' : undefined"
      :to="{ query: t.id === 'stations' ? { station } : { view: 'case' } }"
      replace
      @click="leave"
      >{{ t.label }}</NuxtLink
    >
  </nav>
</template>
