<script setup lang="ts">
const { open: openKeys } = useKeysDialog()
const { open: openFind } = useFindDialog()
const route = useRoute()

const inHand = useInHand()

const places = [
  { to: '/', label: 'Bench', under: (p: string) => p === '/' || p === '/day' || p.startsWith('/drives') },
  { to: '/instruments', label: 'Instruments', under: (p: string) => p.startsWith('/instruments') },
  { to: '/shelf', label: 'Shelf', under: (p: string) => p.startsWith('/shelf') },
  { to: '/handbook', label: 'Handbook', under: (p: string) => p.startsWith('/handbook') },
  { to: '/workshop', label: 'Workshop', under: (p: string) => p.startsWith('/workshop') },
]
</script>

<template>
  <header class="border-b border-line mb-4">
    <a href="#main" class="sr-only focus:not-sr-only">To the content</a>
    <div class="mx-auto max-w-[1280px] px-4 sm:px-6 flex items-stretch gap-x-6 flex-wrap">
      <NuxtLink to="/" class="flex items-center gap-2.5 min-h-13 font-bold text-lg" aria-label="Wobrin, to the bench">
        <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
          <circle cx="11" cy="11" r="9.5" fill="none" stroke="currentColor" stroke-width="2.2" />
          <circle cx="11" cy="11" r="3.4" fill="currentColor" />
        </svg>
        Wobrin
      </NuxtLink>
      <nav
        class="flex sm:gap-2 -mb-px overflow-x-auto max-sm:order-last max-sm:w-full"
        :class="inHand && 'max-sm:hidden'"
        aria-label="Pages"
      >
        <NuxtLink
          v-for="place in places"
          :key="place.to"
          :to="place.to"
          class="flex items-center px-1 max-sm:min-h-11 sm:px-2 pt-[3px] border-b-3"
          :class="place.under(route.path) ? 'border-ink text-ink' : 'border-transparent text-muted hover:text-ink'"
          :aria-current="place.under(route.path) ? 'page' : undefined"
        >
          {{ place.label }}
        </NuxtLink>
      </nav>
      <div class="ml-auto flex items-center gap-1 text-sm text-muted">
        <button class="min-h-11 px-2 flex items-center gap-1.5 hover:text-ink" @click="openFind">
          Find <kbd>/</kbd>
        </button>
        <button class="min-h-11 px-2 hidden sm:flex items-center gap-1.5 hover:text-ink" @click="openKeys">
          Keys <kbd>?</kbd>
        </button>
      </div>
    </div>
  </header>
</template>
