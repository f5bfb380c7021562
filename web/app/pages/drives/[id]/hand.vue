<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { Camera, Hand, Hourglass, NotebookPen } from 'lucide-vue-next'

/** A drive in the hand: for a phone at the bench, with gloves and one thumb, on a connection that comes and goes. */
const route = useRoute('drives-id-hand')
const store = useDrive()
const notices = useNotices()
const id = route.params.id as string
await store.load(id).catch(error => {
  throw createError({ status: error.statusCode ?? 404, statusText: problemText(error), fatal: true })
})
const drive = computed(() => store.drive!)
useHead({ title: () => `${drive.value.tag} in the hand · Wobrin` })
const { toSend, refused, retry, drop } = useOutbox()
useIntervalFn(() => store.refresh().catch(() => {}), 20_000)
useEventListener(window, 'focus', () => store.refresh().catch(() => {}))

const closed = computed(() => store.progress.outcome !== null)
const TABS = [
  { id: 'next', label: 'Next', icon: Hand },
  { id: 'photo', label: 'Photo', icon: Camera },
  { id: 'wait', label: 'Wait', icon: Hourglass },
  { id: 'note', label: 'Note', icon: NotebookPen },
] as const
const tab = ref<(typeof TABS)[number]['id']>('next')

// Photos belong to the way back in: to what was found before it was undone.
const book = useAsFound(() => 'open')
const field = useTemplateRef('camera')
/** Keeps photos on this device at once; each goes to the log when the connection lets it. */
function photographed(event: Event): void {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  for (const file of files) {
    const body = { id: uuid(), at: new Date().toISOString(), kind: 'photo', station: 'open' }
    deliver(`/api/drives/${id}/log`, body, { blob: file, name: file.name }).then(
      entry => store.take(entry),
      error => notices.problem(problemText(error)),
    )
  }
}

const words = ref('')
function note(): void {
  const [title, ...rest] = words.value.trim().split('\n')
  if (!title) return
  words.value = ''
  store
    .add({
      kind: 'note',
      station: store.progress.current,
      title: title.slice(0, 300),
      detail: [title.slice(300), ...rest].join('\n').trim(),
    })
    .then(
      () => notices.done('On the log.'),
      error => notices.problem(problemText(error)),
    )
}
</script>

<template>
  <div class="max-w-xl mx-auto pb-28 space-y-3">
    <header class="flex items-center gap-3">
      <DriveTag :tag="drive.tag" />
      <h1 class="sr-only">{{ drive.tag }} in the hand</h1>
      <NuxtLink class="link ml-auto min-h-11 inline-flex items-center" :to="`/drives/${id}`">Whole page</NuxtLink>
    </header>
    <HandOutbox :to-send="toSend" :refused="refused" @retry="retry" @drop="drop" />
    <HandReadout />

    <HandNext v-if="tab === 'next'" :closed="closed" />
    <div v-else-if="tab === 'photo'" class="space-y-4">
      <button
        v-if="!closed"
        class="btn btn-primary w-full min-h-18 justify-center text-lg"
        type="button"
        @click="field?.click()"
      >
        <Camera class="size-6" />Take a photo
      </button>
      <p class="hint">Then tap what you see on it, to give it a number and a name.</p>
      <AsFoundSheet :book="book" :closed="closed" :sending="null" @photo="field?.click()" />
    </div>
    <HandWait v-else-if="tab === 'wait'" :closed="closed" />
    <form v-else class="space-y-3" @submit.prevent="note">
      <label class="block"
        ><span class="field-label">Note</span
        ><textarea v-model="words" class="field min-h-32 py-2" maxlength="4000" :disabled="closed" />
      </label>
      <button class="btn btn-primary w-full min-h-18 justify-center text-lg" :disabled="!words.trim() || closed">
        Save to log
      </button>
    </form>
    <input
      ref="camera"
      type="file"
      accept="image/*"
      capture="environment"
      class="sr-only"
      tabindex="-1"
      aria-label="Photo"
      data-testid="hand-photo"
      @change="photographed"
    />

    <nav class="fixed inset-x-0 bottom-0 z-30 bg-panel border-t border-line" aria-label="In the hand">
      <div class="max-w-xl mx-auto grid grid-cols-4">
        <button
          v-for="t in TABS"
          :key="t.id"
          type="button"
          class="min-h-18 flex flex-col items-center justify-center gap-1 text-sm border-t-4"
          :class="tab === t.id ? 'border-ink font-bold' : 'border-transparent text-muted'"
          :aria-pressed="tab === t.id"
          @click="tab = t.id"
        >
          <component :is="t.icon" class="size-6" aria-hidden="true" />{{ t.label }}
        </button>
      </div>
    </nav>
  </div>
</template>
