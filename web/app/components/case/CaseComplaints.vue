<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown, Plus } from 'lucide-vue-next'
import type { ComplaintStory, DriveCase } from '@wobrin/core/bench/case'

/** What the drive does wrong, each complaint with its state; open ones first. */
const { stories, closed, found } = defineProps<{
  stories: readonly ComplaintStory[]
  words: string
  closed: boolean
  found: DriveCase | null
}>()
const emit = defineEmits<{ add: []; settle: [id: string, state: 'seen' | 'now and then' | 'cured' | 'not seen'] }>()
const STATES = { told: 'not tried here', 'seen here': 'seen here', 'now and then': 'now and then' } as const
const WAYS = [
  { state: 'seen', label: 'Log: seen here too' },
  { state: 'now and then', label: 'Log: now and then' },
  { state: 'cured', label: 'Log: gone' },
  { state: 'not seen', label: 'Log: not seen here' },
] as const
const shown = computed(() => [...stories].sort((a, b) => Number(a.state !== 'open') - Number(b.state !== 'open')))
const stateOf = (s: ComplaintStory) =>
  s.state === 'open' ? STATES[s.seen] : s.state === 'cured' ? 'gone' : 'not seen here'
</script>

<template>
  <section class="flex flex-wrap items-center gap-2" aria-label="Complaints">
    <Menu v-for="s in shown" :key="s.id" as="div" class="relative">
      <MenuButton
        class="inline-flex items-center gap-2 min-h-11 px-3 rounded-box border text-sm text-left"
        :class="s.state === 'open' ? 'border-ink bg-panel font-bold' : 'border-line bg-transparent text-muted'"
        :disabled="closed"
        :title="s.says"
      >
        <span :class="{ 'line-through': s.state !== 'open' }">{{ s.label }}</span>
        <span class="hint font-normal whitespace-nowrap">{{ stateOf(s) }}</span>
        <ChevronDown v-if="!closed" class="size-4 shrink-0" aria-hidden="true" />
      </MenuButton>
      <MenuItems class="absolute z-30 mt-1 min-w-52 panel shadow-lg py-1">
        <MenuItem v-for="w in WAYS" :key="w.state" v-slot="{ active }">
          <button
            class="w-full text-left px-3 min-h-11 text-sm"
            :class="{ 'bg-tint': active }"
            type="button"
            @click="emit('settle', s.id, w.state)"
          >
            {{ w.label }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
    <button v-if="!closed" class="btn" type="button" @click="emit('add')">
      <Plus class="size-4" />{{ stories.length ? 'Add complaint…' : 'Say what it does wrong…' }}
    </button>
    <p v-if="words" class="hint grow basis-24 w-0 truncate" :title="words">“{{ words }}”</p>
    <CaseGoal :closed="closed" :found="found" class="ml-auto" />
  </section>
</template>
