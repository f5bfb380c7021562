<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { Plus } from 'lucide-vue-next'
import type { DiskInput, DiskView } from '../../../shared/disks'

/** Reference disks: what others are judged by, and whether it may be. */
const disks = useDisks()
const attempt = useAttempt()
const notices = useNotices()
const adding = ref(false)
await disks.load()

const view = computed(() => disks.view.value!)
const decided = computed(() => view.value.disagreements.filter(d => d.odd !== null))
const undecided = computed(() => view.value.disagreements.filter(d => d.odd === null))
async function put(disk: DiskInput): Promise<void> {
  await $fetch(`/api/disks/${uuid()}`, { method: 'PUT', retry: 2, body: disk })
  await disks.load()
  adding.value = false
  notices.done(`${disk.name} is on the shelf.`)
}
const say = (disk: string, kind: 'verified' | 'retired' | 'back', detail: string) =>
  attempt(async () => {
    disks.view.value = await $fetch<DiskView>(`/api/disks/${disk}/events`, {
      method: 'POST',
      retry: 2,
      body: { id: uuid(), at: new Date().toISOString(), kind, detail },
    })
  })
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="disks">
    <div class="flex flex-wrap items-start justify-between gap-4 mb-3">
      <div>
        <h2 id="disks" class="text-lg font-bold">Reference disks</h2>
        <p class="hint">
          Who wrote each, how that drive was verified, and what it all rests on. A disk whose own margin falls is
          retired.
        </p>
        <p class="hint">
          A disk that is mouldy, sheds or squeals goes into no drive before it was made fit:
          <NuxtLink class="link" to="/handbook#procedures">how it is done</NuxtLink>.
        </p>
      </div>
      <button class="btn" :aria-expanded="adding" @click="adding = !adding"><Plus class="size-4" />Add a disk</button>
    </div>
    <DiskForm v-if="adding" class="mb-5" :view="view" :save="put" />
    <div v-for="d in decided" :key="d.disks.join()" class="mb-3"><CallBand :call="d.call" /></div>
    <div v-if="undecided.length" class="mb-3">
      <CallBand v-if="undecided.length === 1" :call="undecided[0]!.call" />
      <CallBand
        v-else
        :call="{
          kind: 'unknown',
          reasons: [
            `${undecided.length} pairs of disks disagree in ${[...new Set(undecided.flatMap(d => d.drives))].join(', ')}.`,
          ],
          next: 'Weigh all of it together.',
        }"
      />
      <p class="mt-1.5 text-sm"><NuxtLink class="link" to="/instruments/blame">Disk or drive?</NuxtLink></p>
    </div>
    <DiskCard
      v-for="s in view.standings"
      :key="s.disk.id"
      :standing="s"
      @say="(kind, detail) => say(s.disk.id, kind, detail)"
    />
    <p v-if="!view.standings.length && !adding">
      No reference disk is on the shelf yet.
      <span class="text-muted"
        >Write one on a verified drive, verify it there, and add it: then every reading of it counts.</span
      >
    </p>
  </section>
</template>
