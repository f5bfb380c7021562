<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import type { AsFoundItem } from '@wobrin/core/log'
import type { useAsFound } from '~/composables/useAsFound'

/** Photos, marks on them, and everything that was written down before it was undone. */
const { book } = defineProps<{
  book: ReturnType<typeof useAsFound>
  closed: boolean
  sending: { name: string; share: number } | null
}>()
const emit = defineEmits<{ photo: []; drop: [File[]]; stop: [] }>()

const { record, list, photos } = book
const shownId = ref<string | null>(null)
const photo = computed(
  () =>
    photos.value.find(p => p.entry.id === shownId.value) ??
    photos.value.find(p => record.value.some(r => r.item.mark?.photo === p.entry.id)) ??
    photos.value.at(-1) ??
    null,
)
// A photo that was just taken is the one to mark.
watch(
  () => photos.value.length,
  (now, before) => {
    if (now > before) shownId.value = photos.value.at(-1)!.entry.id
  },
)
const editing = ref<{ mark: AsFoundItem['mark'] } | null>(null)
const over = ref(false)

async function save(item: Partial<AsFoundItem>, undone: boolean): Promise<void> {
  const entry = await book.mark(item)
  editing.value = null
  if (undone && item.kind !== 'loose') await book.undo(entry.id)
}
function dropped(event: DragEvent): void {
  over.value = false
  const files = [...(event.dataTransfer?.files ?? [])]
  if (files.length) emit('drop', files)
}
const TABS = computed(() => [
  'Photos and marks',
  `Written down (${record.value.length})`,
  `Put back (${list.value.left} to go)`,
])
</script>

<template>
  <section aria-label="As found" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="dropped">
    <TabGroup>
      <div class="flex flex-wrap items-center gap-x-5 border-b border-line mb-4">
        <h3 class="text-lg font-bold mr-2">As found</h3>
        <TabList class="flex flex-wrap gap-x-5"
          ><Tab v-for="label in TABS" :key="label.split(' (')[0]" v-slot="{ selected }" as="template"
            ><button
              class="min-h-11 border-b-3 -mb-px text-sm"
              :class="selected ? 'border-ink font-bold' : 'border-transparent text-muted'"
            >
              {{ label }}
            </button></Tab
          ></TabList
        >
      </div>
      <TabPanels>
        <TabPanel :tabindex="-1">
          <div v-if="photo">
            <AsFoundPhotoMarks
              :photo="photo"
              :record="record"
              :closed="closed"
              @mark="
                (x, y) => {
                  editing = { mark: { photo: photo!.entry.id, x, y } }
                }
              "
            />
            <div class="flex flex-wrap gap-2 mt-3 items-center">
              <button
                v-for="p in photos"
                :key="p.entry.id"
                class="rounded-box border-2 overflow-hidden size-16"
                :class="p === photo ? 'border-ink' : 'border-line'"
                :aria-label="`${p.entry.title}, ${longTime(p.entry.at)}`"
                :aria-pressed="p === photo"
                @click="shownId = p.entry.id"
              >
                <img
                  :src="`/api/photos/${p.sha}?size=small`"
                  alt=""
                  class="w-full h-full object-cover"
                  loading="lazy"
                />
              </button>
              <button v-if="!closed" class="btn" aria-keyshortcuts="p" @click="emit('photo')">
                Add a photo <kbd>P</kbd>
              </button>
              <button v-if="!closed" class="btn" @click="editing = { mark: null }">Write down without a photo</button>
            </div>
            <p v-if="!closed" class="hint mt-2">
              Tap the photo where a plug, strap, screw, tie, wire or loose part is, or use the arrow keys and Enter; its
              number is for the tape on the part.
            </p>
          </div>
          <div
            v-else
            class="border-2 border-dashed rounded-box p-6 text-center"
            :class="over ? 'border-ink' : 'border-line'"
          >
            <p class="mb-3">
              Nothing is recorded yet. Take a photo before anything is undone, then mark what you see on it.
            </p>
            <div v-if="!closed" class="flex justify-center flex-wrap gap-3">
              <button class="btn btn-primary" aria-keyshortcuts="p" @click="emit('photo')">
                Take a photo <span class="font-normal opacity-80">P</span></button
              ><button class="btn" @click="editing = { mark: null }">Write down without a photo</button>
            </div>
            <p class="hint mt-3">A picture can be dropped here too.</p>
          </div>
          <ProgressLine
            v-if="sending"
            class="mt-3"
            :share="sending.share"
            :what="`Sending ${sending.name}`"
            @end="emit('stop')"
          />
        </TabPanel>
        <TabPanel :tabindex="-1"
          ><AsFoundTables
            :record="record"
            :closed="closed"
            @undo="(id, broke) => book.undo(id, broke)"
            @add="editing = { mark: null }"
        /></TabPanel>
        <TabPanel :tabindex="-1"><AsFoundPutBack :book="book" :closed="closed" /></TabPanel>
      </TabPanels>
    </TabGroup>
    <AsFoundItemDialog
      :shown="editing !== null"
      :mark="editing?.mark ?? null"
      :record="record"
      :save="save"
      @close="editing = null"
    />
  </section>
</template>
