<script setup lang="ts">
import type { ModelPool } from '@wobrin/core/bench/pool'

/** Drives of one model: which of them can be made to work with the good parts of the others. */
const { data: models, error } = useFetch<ModelPool[]>('/api/pool', { server: false, lazy: true })

const idOf = (m: ModelPool, tag: string) => m.drives.find(d => d.tag === tag)!.id
/** Parts to be tested first, drive by drive. */
const toTest = (m: ModelPool) =>
  m.drives
    .map(d => ({ ...d, parts: m.countsOn.filter(u => u.tag === d.tag).map(u => u.part) }))
    .filter(d => d.parts.length > 0)
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="pool">
    <h2 id="pool" class="text-lg font-bold">Which of these make one?</h2>
    <p class="hint max-w-prose">
      Open and stripped drives of one model: which can be made to work with the good parts of the others. A part of
      which nothing bad was found is counted on, even where a case suspects it.
    </p>
    <p v-if="error" role="alert" class="mt-2">{{ problemText(error) }}</p>
    <p v-else-if="models && !models.length" class="mt-2">No drive would be helped by a part of another of its model.</p>
    <article v-for="m in models" :key="m.name" class="border-t border-line py-3 mt-3" :aria-label="m.name">
      <p class="text-sm text-muted mb-1">{{ m.name }}</p>
      <p v-for="w in m.pool.works" :key="w.drive" class="flex flex-wrap items-center gap-x-2.5 gap-y-1 py-1">
        <NuxtLink :to="`/drives/${idOf(m, w.drive)}`"><DriveTag :tag="w.drive" /></NuxtLink>
        <template v-for="(donor, part) in w.from" :key="part">
          <span
            >takes the <strong>{{ part }}</strong> of</span
          ><NuxtLink :to="`/drives/${idOf(m, donor)}`"><DriveTag :tag="donor" /></NuxtLink>
        </template>
      </p>
      <p class="hint mt-1">
        Moving takes about {{ m.pool.minutes }} min (from memory). Look at a part before it goes in; what was moved is
        to be proved again.
      </p>
      <p v-for="d in toTest(m)" :key="d.id" class="hint mt-1">
        Test first on {{ d.tag }}: {{ d.parts.join(', ') }}. Nobody has tested it yet.
      </p>
    </article>
  </section>
</template>
