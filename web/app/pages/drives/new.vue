<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { isMechanismId } from '@wobrin/core/drives'
import type { DriveFacts } from '@wobrin/core/log'
import type { Arrival } from '../../../shared/drive-facts'

useHead({ title: 'Receive a drive · Wobrin' })

const route = useRoute()
const { data: next } = await useFetch<{ tag: string }>('/api/drives/next-tag')
const serverProblem = ref<{ field: string | null; text: string } | null>(null)
/** Made once, so that sending the form again after a lost answer receives one drive, not two. */
const id = uuid()

const suggestedTag = computed(() => next.value?.tag ?? 'SK-01')
const kind = computed(() => {
  const asked = String(route.query.kind ?? '')
  return isMechanismId(asked) ? asked : undefined
})

async function receive(drive: Arrival): Promise<void> {
  serverProblem.value = null
  try {
    const received = await $fetch<DriveFacts>('/api/drives', { method: 'POST', body: { ...drive, id } })
    useNotices().done(`${received.tag} is on the bench.`)
    await navigateTo(`/drives/${received.id}`)
  } catch (error) {
    serverProblem.value = { field: problemField(error), text: problemText(error) }
  }
}
</script>

<template>
  <div class="grid lg:grid-cols-[1fr_16rem] gap-4 items-start">
    <section class="panel px-6 py-4">
      <h1 class="text-2xl font-bold mb-2">Receive a drive</h1>
      <DriveArrivalForm :suggested-tag="suggestedTag" :kind="kind" :server-problem="serverProblem" @save="receive"
        ><NuxtLink to="/" class="btn">Cancel</NuxtLink></DriveArrivalForm
      >
    </section>
    <aside class="panel p-5 text-sm space-y-3">
      <h2 class="font-bold">Before anything else</h2>
      <p>
        Is a disk stuck in it? If it holds data, rescue comes before repair: manual eject hole, straightened clip, power
        off.
      </p>
      <p>No power yet. Power winds a decayed belt round the spindle as sticky rubber.</p>
      <p>A cartridge drive that clicks: nothing good goes in. A cartridge from it: into no other drive.</p>
    </aside>
  </div>
</template>
