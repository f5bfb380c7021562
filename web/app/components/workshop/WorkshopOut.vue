<script setup lang="ts">
import { formatDistanceToNow } from 'date-fns'
import { Archive, FileUp, Save } from 'lucide-vue-next'
import type { Backup, Imported } from '../../../shared/archive'

/** The whole workshop out as open files, and in again; copies of the database. */
const emit = defineEmits<{ changed: [] }>()
const { data: backups, refresh } = await useFetch<Backup[]>('/api/workshop/backups')
const notices = useNotices()
const sending = ref<number | null>(null)
const problem = ref('')
const read = shallowRef<Imported | null>(null)
let stop: AbortController | null = null

const { choose, picked } = useFilePicker(async file => {
  problem.value = ''
  read.value = null
  sending.value = 0
  stop = new AbortController()
  try {
    read.value = await sendFile<Imported>(
      '/api/workshop/import',
      file,
      share => {
        sending.value = share
      },
      stop.signal,
    )
    emit('changed')
  } catch (error) {
    if (!stop.signal.aborted) problem.value = problemText(error)
  }
  sending.value = null
})
const said = computed(() => {
  if (!read.value) return ''
  const { drives, log_entries: log } = read.value.tables
  const added = Object.values(read.value.tables).reduce((n, t) => n + t.added, 0)
  const left = read.value.missing.filter(m => m.why === 'left out').length
  const gone = read.value.missing.length - left
  const without =
    (gone
      ? ` ${gone} ${gone === 1 ? 'recording or photo was' : 'recordings and photos were'} missing or damaged where it was made: they did not come along.`
      : '') + (left ? ` ${left} ${left === 1 ? 'photo was' : 'photos were'} left out where it was made.` : '')
  const there = drives!.there + log!.there
  const came = added
    ? `${drives!.added} drives and ${log!.added} log entries came in${there ? `; ${drives!.there} drives and ${log!.there} entries were here already` : ''}.`
    : 'Everything in it was here already.'
  const { erased } = read.value
  const kept = erased.length
    ? ` ${erased.join(', ')} ${erased.length === 1 ? 'was' : 'were'} erased here and stayed out; an archive of one drive alone brings it back.`
    : ''
  return came + without + kept
})
/** Every backup was checked when it was made. */
const lastSaid = computed(() => {
  const last = backups.value?.[0]
  return last
    ? `Last good backup: ${longTime(last.at)}, ${formatDistanceToNow(new Date(last.at), { addSuffix: true })}.`
    : 'There is no backup yet.'
})
const backing = ref(false)
async function backup(): Promise<void> {
  backing.value = true
  problem.value = ''
  await $fetch<Backup>('/api/workshop/backups', { method: 'POST' }).then(
    b => {
      notices.done(`Backup made: ${b.name}.`)
    },
    error => {
      problem.value = problemText(error)
    },
  )
  backing.value = false
  await refresh()
}
</script>

<template>
  <section class="panel p-6 text-sm" aria-labelledby="out">
    <h2 id="out" class="font-bold text-base mb-1">Export and import</h2>
    <p class="hint mb-3">
      One ZIP of open files: tables as JSON Lines and CSV, recordings and photos as they came, a checksum of each. What
      is read in is added; nothing here is overwritten. Photos are as the camera made them: they may hold the place, the
      time and the camera.
    </p>
    <div class="flex flex-wrap gap-2">
      <a class="btn" href="/api/workshop/archive"><Archive class="size-4" />Export all</a>
      <a class="btn" href="/api/workshop/archive?photos=no">Export without photos</a>
      <input
        ref="input"
        type="file"
        accept=".zip,application/zip"
        class="sr-only"
        tabindex="-1"
        aria-label="Archive"
        data-testid="archive"
        @change="picked"
      />
      <button class="btn" :disabled="sending !== null" @click="choose"><FileUp class="size-4" />Import archive…</button>
    </div>
    <ProgressLine
      v-if="sending !== null"
      class="mt-3"
      :share="sending < 1 ? sending : null"
      :what="sending < 1 ? 'Sending the archive' : 'Reading the archive'"
      @end="stop?.abort()"
    />
    <p v-if="said" class="mt-3" role="status" data-testid="imported">{{ said }}</p>
    <p v-if="problem" class="mt-3 text-stop" role="alert">{{ problem }}</p>
    <h3 class="font-bold mt-5 mb-1">Backups of the database</h3>
    <p class="mb-1" data-testid="last-backup">{{ lastSaid }}</p>
    <p class="hint mb-2">
      Made by itself once a day and before every import; kept are the latest of 7 days, 4 weeks and 12 months.
    </p>
    <button class="btn" :disabled="backing" @click="backup"><Save class="size-4" />Make one now</button>
    <WorkshopBackups v-if="backups?.length" :backups="backups" class="mt-2" />
    <WorkshopSecondPlace :made="backups?.length ?? 0" />
  </section>
</template>
