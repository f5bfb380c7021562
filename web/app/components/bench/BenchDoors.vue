<script setup lang="ts">
/** Four ways to begin, where nothing is open. */
defineProps<{ title: string }>()
const practice = usePractice()
const attempt = useAttempt()
const busy = ref(false)
async function begin(): Promise<void> {
  busy.value = true
  await attempt(practice.begin)
  busy.value = false
}
const DOOR =
  'panel p-5 flex flex-col gap-3 text-left hover:border-ink focus-visible:border-ink min-h-56 disabled:opacity-60'
</script>

<template>
  <section aria-label="Ways to begin">
    <h2 class="text-2xl font-bold mt-2">{{ title }}</h2>
    <p class="mb-4 text-muted">Where do you want to begin?</p>
    <div class="grid gap-4 sm:grid-cols-2 xl:grid-cols-4">
      <NuxtLink to="/drives/new" :class="DOOR">
        <BenchDoorPicture door="wrong" />
        <strong class="text-lg leading-tight">A drive does something wrong</strong>
        <span class="hint">Say what it is and what it does. The first check is proposed at once.</span>
      </NuxtLink>
      <NuxtLink to="/instruments" :class="DOOR">
        <BenchDoorPicture door="measure" />
        <strong class="text-lg leading-tight">Something to measure now</strong>
        <span class="hint">Speed, a belt, a sensor, a switch: without a drive on file.</span>
      </NuxtLink>
      <button type="button" :class="DOOR" :disabled="busy" @click="begin">
        <BenchDoorPicture door="practise" />
        <strong class="text-lg leading-tight">Practise on a simulated drive</strong>
        <span class="hint">A drive with a hidden fault answers your checks. Find it.</span>
      </button>
      <NuxtLink to="/workshop#out" :class="DOOR">
        <BenchDoorPicture door="archive" />
        <strong class="text-lg leading-tight">Import an archive</strong>
        <span class="hint">A workshop, or one drive, from a file that Wobrin wrote.</span>
      </NuxtLink>
    </div>
  </section>
</template>
