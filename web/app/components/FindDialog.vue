<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { MECHANISMS, findMechanism } from '@wobrin/core/drives'
import { CALCULATORS } from '@wobrin/core/calculators/registry'
import { watchDebounced } from '@vueuse/core'
import type { Finds } from '../../shared/finds'

interface Found {
  readonly to: string
  readonly title: string
  readonly detail: string
}

const { shown, close } = useFindDialog()
const query = ref('')
const drives = ref<Found[]>([])

const pages: Found[] = [
  { to: '/instruments/speed', title: 'Speed', detail: 'instrument' },
  { to: '/instruments/strobe', title: 'Strobe companion', detail: 'instrument' },
  { to: '/instruments/read-test', title: 'Read test', detail: 'instrument · margins, sectors, both heads, image' },
  { to: '/instruments/sweep', title: 'Adjuster sweep', detail: 'instrument · align by a reference disk' },
  { to: '/instruments/blame', title: 'Disk or drive', detail: 'instrument · disks that read here and not there' },
  { to: '/instruments/write-test', title: 'Write test', detail: 'instrument · protect, format, patterns, home' },
  {
    to: '/instruments/wire',
    title: 'Interface lines',
    detail: 'instrument · interface lines, simulated drive, seeks, wiggle',
  },
  ...CALCULATORS.map(s => ({ to: `/instruments/${s.id}`, title: s.title, detail: `instrument · ${s.purpose}` })),
  { to: '/instruments/host-fit', title: 'Host fit', detail: 'instrument · straps, ready, disk change, pins' },
  { to: '/shelf', title: 'Shelf', detail: 'parts, wants, donors, reference disks, belts' },
  { to: '/drives/new', title: 'Receive a drive', detail: 'bench' },
  { to: '/workshop', title: 'Workshop settings', detail: 'mains, methods, tone, theme' },
  ...MECHANISMS.map(m => ({ to: `/handbook#${m.id}`, title: m.label, detail: 'handbook' })),
]

const entries = ref<Found[]>([])

/**
 * Drives that were last worked on are there before they are asked for, so that quick keys find what they name; what
 * is typed is then looked
 * for among all drives and all entries.
 */
async function fetchFinds(q = ''): Promise<void> {
  const finds = await $fetch<Finds>('/api/find', { query: { q } }).catch(() => null)
  if (!finds || q !== query.value) return
  const known = new Set(drives.value.map(d => d.to))
  drives.value = [
    ...(q ? drives.value : []),
    ...finds.drives
      .map(d => ({
        to: `/drives/${d.id}`,
        title: `${d.tag} · ${[d.maker, d.model].filter(Boolean).join(' ')}`,
        detail: [findMechanism(d.mechanism).label, d.host, d.serial, d.ownerWords].filter(Boolean).join(' · '),
      }))
      .filter(d => !q || !known.has(d.to)),
  ]
  entries.value = finds.entries.map(e => ({
    to: `/drives/${e.driveId}?station=${e.station}#${e.id}`,
    title: e.tag,
    detail: `${shortTime(e.at)}: ${[e.title, e.detail].filter(Boolean).join('. ')}`,
  }))
}
onMounted(() => fetchFinds())
watch(shown, open => {
  if (!open) return
  query.value = ''
  void fetchFinds()
})
watchDebounced(query, q => fetchFinds(q), { debounce: 80 })

const found = computed(() => {
  const words = query.value.toLowerCase().split(/\s+/).filter(Boolean)
  const here = [...drives.value, ...pages]
    .filter(f => words.every(w => `${f.title} ${f.detail}`.toLowerCase().includes(w)))
    .slice(0, 9)
  return words.length ? [...here, ...entries.value].slice(0, 12) : here
})

/** A field that loses its focus chooses what is marked in it; that is no choice of the person. */
const left = ref(false)
function go(item: Found | null): void {
  if (!item || left.value) return
  close()
  void navigateTo(item.to)
}
</script>

<template>
  <ModalDialog :shown="shown" title="Find" wide @close="close">
    <Combobox :model-value="null" @update:model-value="go">
      <ComboboxInput
        class="field"
        placeholder="A tag, a model, an owner’s word, a word of the log"
        aria-label="Find"
        autocomplete="off"
        @keydown.esc="close"
        @blur.capture="left = true"
        @focus="left = false"
        @change="query = $event.target.value"
      />
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
