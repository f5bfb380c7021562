<script setup lang="ts">
import type { DriveFacts } from '@wobrin/core/log'
import type { NewDrive } from '../../../shared/drive-facts'

useHead({ title: 'Receive a drive · Wobrin' })

const { data: next } = await useFetch<{ tag: string }>('/api/drives/next-tag')
const serverProblem = ref<{ field: string | null; text: string } | null>(null)
/** Made once, so that sending the form again after a lost answer receives one drive, not two. */
const id = crypto.randomUUID()

const suggestedTag = computed(() => next.value?.tag ?? 'SK-01')

async function receive(drive: NewDrive): Promise<void> {
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
  <div class="grid lg:grid-cols-[1fr_18rem] gap-4 items-start">
    <section class="panel p-6">
      <h1 class="text-2xl font-bold mb-1">Receive a drive</h1>
      <p class="hint mb-6">The tag and the kind are enough; the rest can follow.</p>
      <DriveForm action="Receive it" :suggested-tag="suggestedTag" :server-problem="serverProblem" @save="receive"
        ><NuxtLink to="/" class="btn">Cancel</NuxtLink></DriveForm
      >
    </section>
    <aside class="panel p-6 text-sm space-y-3">
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
