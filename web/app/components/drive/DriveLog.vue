<script setup lang="ts">
import { byText } from '@wobrin/core/base/order'
import { measureElement, useVirtualizer } from '@tanstack/vue-virtual'
import { Camera, Hourglass, NotebookPen, Search } from 'lucide-vue-next'
import { erasedOn, type LogEntry } from '@wobrin/core/log'

const { log } = defineProps<{ log: readonly LogEntry[] }>()
const emit = defineEmits<{ note: []; wait: []; photo: []; finding: []; takeBack: [string] }>()

const adding = [
  ['f', 'Say what you found', Search, () => emit('finding')],
  ['n', 'Write a note', NotebookPen, () => emit('note')],
  ['p', 'Add a photo', Camera, () => emit('photo')],
  ['w', 'Start a wait', Hourglass, () => emit('wait')],
] as const
/** What of an entry was erased, and when. */
const erasedSaid = computed(
  () =>
    new Map(
      [...erasedOn(log)].map(([id, { what, at }]) => [
        id,
        `${what.length > 1 ? 'Words and photo' : what[0] === 'photo' ? 'Photo' : 'Words'} erased, ${dayOf(at)}`,
      ]),
    ),
)
const gone = computed(() => new Set(log.map(e => e.takesBack).filter(Boolean)))

/** Newest first, a heading before each day. */
const rows = computed(() => {
  const out: ({ day: string } | { entry: LogEntry })[] = []
  let day = ''
  for (const entry of [...log].sort((a, b) => byText(b.at, a.at) || b.seq - a.seq)) {
    // Said in words where it changes alone: a log of thousands has few days.
    const its = new Date(entry.at).toDateString()
    if (its !== day) out.push({ day: dayOf(entry.at) })
    day = its
    out.push({ entry })
  }
  return out
})

/** Only what is in sight is drawn, so that a log of thousands scrolls and the page types without lag. */
const box = useTemplateRef<HTMLElement>('box')
const virtual = useVirtualizer<HTMLElement, HTMLElement>(
  computed(() => ({
    count: rows.value.length,
    overscan: 8,
    getScrollElement: () => box.value,
    estimateSize: (i: number) => ('day' in rows.value[i]! ? 30 : 62),
    // Told with the layout of the page; to ask for it before makes the browser lay out the page once more.
    measureElement: (row, told, v) =>
      told ? measureElement(row, told, v) : v.measurementsCache[v.indexFromElement(row)]!.size,
    getItemKey: (i: number) => {
      const r = rows.value[i]!
      return 'day' in r ? r.day : r.entry.id
    },
  })),
)
const items = computed(() =>
  virtual.value.getVirtualItems().flatMap(v => {
    const row = rows.value[v.index]
    return row ? [{ v, row }] : []
  }),
)
const measure = (el: unknown) => {
  if (el instanceof HTMLElement) virtual.value.measureElement(el)
}
</script>

<template>
  <section aria-label="Log" class="flex flex-col max-h-[75vh] xl:max-h-[calc(100vh-2rem)] xl:sticky xl:top-4">
    <header class="flex items-center justify-between mb-1">
      <h2 class="section-title">Log</h2>
      <div class="flex -mr-2">
        <button
          v-for="[key, label, icon, run] in adding"
          :key="key"
          class="size-11 -my-2 grid place-items-center text-muted hover:text-ink"
          :aria-label="label"
          :aria-keyshortcuts="key"
          :title="`${label} (${key.toUpperCase()})`"
          @click="run"
        >
          <component :is="icon" class="size-[18px]" />
        </button>
      </div>
    </header>
    <div
      ref="box"
      class="overflow-y-auto min-h-0 grow -mr-3 pr-3"
      tabindex="0"
      role="region"
      aria-label="Entries, newest first"
    >
      <div class="relative w-full text-sm" :style="{ height: `${virtual.getTotalSize()}px` }" role="list">
        <div
          v-for="{ v, row } in items"
          :key="String(v.key)"
          :ref="measure"
          :data-index="v.index"
          class="absolute left-0 top-0 w-full"
          role="listitem"
          :style="{ transform: `translateY(${v.start}px)` }"
        >
          <h3 v-if="'day' in row" class="text-xs text-muted pt-2 border-b border-line pb-1">{{ row.day }}</h3>
          <DriveLogRow
            v-else
            :entry="row.entry"
            :gone="gone.has(row.entry.id)"
            :erased="erasedSaid.get(row.entry.id)"
            @take-back="emit('takeBack', row.entry.id)"
          />
        </div>
      </div>
    </div>
  </section>
</template>
