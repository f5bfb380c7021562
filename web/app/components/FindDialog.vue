<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { MECHANISMS, findMechanism } from '@wobrin/core/mechanisms'
import { SUMS } from '@wobrin/core/instruments'
import type { DriveFacts } from '@wobrin/core/proving'

interface Found { readonly to: string, readonly title: string, readonly detail: string }

const { shown, close } = useFindDialog()
const query = ref('')
const drives = ref<Found[]>([])

const pages: Found[] = [
  { to: '/instruments/speed', title: 'Speed', detail: 'instrument' },
  { to: '/instruments/strobe', title: 'Strobe companion', detail: 'instrument' },
  { to: '/instruments/read-test', title: 'Read test', detail: 'instrument · margins, sectors, both heads, image' },
  { to: '/instruments/sweep', title: 'Adjuster sweep', detail: 'instrument · align by a reference disk' },
  { to: '/instruments/wire', title: 'On the wire', detail: 'instrument · interface lines, simulated drive, seeks, wiggle' },
  ...SUMS.map(s => ({ to: `/instruments/${s.id}`, title: s.title, detail: `instrument · ${s.purpose}` })),
  { to: '/instruments/host-fit', title: 'Host fit', detail: 'instrument · straps, ready, disk change, pins' },
  { to: '/shelf', title: 'Shelf', detail: 'belts at hand, belts to order' },
  { to: '/drives/new', title: 'Receive a drive', detail: 'bench' },
  { to: '/workshop', title: 'Workshop settings', detail: 'mains, schools, tone, theme' },
  ...MECHANISMS.map(m => ({ to: `/handbook#${m.id}`, title: m.label, detail: 'handbook' })),
]

/** Fetched before it is asked for, so that quick keys find what they name; and again, for another tablet may have received one. */
async function fetchDrives(): Promise<void> {
  const all = await $fetch<DriveFacts[]>('/api/drives').catch(() => null)
  if (all) drives.value = all.map(drive => ({
    to: `/drives/${drive.id}`, title: `${drive.tag} · ${[drive.maker, drive.model].filter(Boolean).join(' ')}`, detail: [findMechanism(drive.mechanism).label, drive.host, drive.serial, drive.ownerWords].filter(Boolean).join(' · '),
  }))
}
onMounted(fetchDrives)
watch(shown, (open) => {
  if (!open) return
  query.value = ''
  fetchDrives()
})

const found = computed(() => {
  const words = query.value.toLowerCase().split(/\s+/).filter(Boolean)
  return [...drives.value, ...pages].filter(f => words.every(w => `${f.title} ${f.detail}`.toLowerCase().includes(w))).slice(0, 9)
})

function go(item: Found | null): void {
  if (!item) return
  close()
  navigateTo(item.to)
}
</script>

<template>
  <ModalDialog :shown="shown" title="Find" wide @close="close">
    <Combobox :model-value="null" @update:model-value="go">
      <ComboboxInput class="field" placeholder="A tag, a model, an owner’s word, a mechanism" aria-label="Find" autocomplete="off" @change="query = $event.target.value" />
      <ComboboxOptions static class="mt-3 -mx-2">
        <ComboboxOption v-for="item in found" :key="item.to" v-slot="{ active }" :value="item" as="template">
          <li class="px-3 py-2 min-h-11 rounded-box flex gap-3 items-center" :class="active && 'bg-tint'">
            <span class="font-bold shrink-0">{{ item.title }}</span><span class="hint truncate">{{ item.detail }}</span>
          </li>
        </ComboboxOption>
        <li v-if="found.length === 0" class="px-3 py-2 hint">Nothing has these words.</li>
      </ComboboxOptions>
    </Combobox>
  </ModalDialog>
</template>
