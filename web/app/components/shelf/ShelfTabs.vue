<script setup lang="ts">
/** Tabs of the shelf. */
defineProps<{ view: ShelfView }>()
</script>

<template>
  <nav aria-label="Views of the shelf" class="relative overflow-x-auto">
    <div class="inline-flex gap-1 border border-line rounded-box p-1 bg-panel">
      <NuxtLink
        v-for="t in SHELF_VIEWS"
        :key="t.id"
        class="inline-flex items-center min-h-10 px-3 rounded text-sm whitespace-nowrap"
        :class="view === t.id ? 'bg-ink text-panel font-bold' : 'hover:bg-tint'"
        :aria-current="view === t.id ? 'page' : undefined"
        :to="{ query: { view: t.id } }"
        replace
        >{{ t.label }}</NuxtLink
      >
    </div>
  </nav>
</template>
