<script setup lang="ts">
const workshop = useWorkshop()
const { open: openKeys, shown: keys } = useKeysDialog()
const { open: openFind, shown: find } = useFindDialog()

/** Dialogs come after the page itself, or when they are called for. */
const drawn = useAfterPaint()

await workshop.load()

useTheme(() => workshop.settings.theme)
useShortcuts({
  '?': openKeys,
  '/': openFind,
  b: () => navigateTo('/'),
})
</script>

<template>
  <div class="min-h-screen">
    <NetworkBand class="no-print" />
    <AppHeader class="no-print" />
    <main id="main" class="mx-auto max-w-[1280px] px-4 sm:px-6 pb-10">
      <NuxtPage />
    </main>
    <LazyKeysDialog v-if="drawn || keys" />
    <LazyFindDialog v-if="drawn || find" />
    <Notices />
  </div>
</template>
