<script setup lang="ts">
useHead({ title: 'Shelf · Wobrin' })
const route = useRoute('shelf')
const view = computed(() => shelfViewOf(route.query.view))
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <div>
        <h1 class="text-2xl font-bold">Shelf</h1>
        <p class="text-muted">What is at hand, what the drives on the bench want, and what disks are judged by.</p>
      </div>
      <ShelfTabs :view="view" />
    </header>
    <ShelfParts v-if="view === 'parts'" />
    <ShelfWanted v-else-if="view === 'wanted'" />
    <DonorPool v-else-if="view === 'pool'" />
    <DonorShelf v-else-if="view === 'donors'" />
    <DiskShelf v-else-if="view === 'disks'" />
    <ShelfBelts v-else />
  </div>
</template>
