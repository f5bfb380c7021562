<script setup lang="ts">
const workshop = useWorkshop()
const { open: openKeys } = useKeysDialog()
const { open: openFind } = useFindDialog()

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
    <AppHeader class="no-print" />
    <main id="main" class="mx-auto max-w-[1280px] px-4 sm:px-6 pb-10">
      <NuxtPage />
    </main>
    <KeysDialog />
    <FindDialog />
    <Notices />
  </div>
</template>
