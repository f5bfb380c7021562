<script setup lang="ts">
import type { ModelPool } from '@wobrin/core/bench/pool'
import type { Bench } from '../../../shared/bench'

/** What can be made of drives of one model with the good parts of the others. */
const allowed = ref<string[]>([])
const {
  data: models,
  error,
  status,
} = await useFetch<ModelPool[]>('/api/pool', {
  key: 'pool',
  query: { allowed: computed(() => allowed.value.join(',')) },
})
const { data: bench } = await useFetch<Bench>('/api/bench', { key: 'bench-for-parts' })
/** Drives in use: parts are taken from one only where that is allowed. */
const used = computed(() => bench.value?.lines.filter(l => l.outcome === 'released').map(l => l.drive) ?? [])
const toTest = (m: ModelPool['makes'][number]) => [
  ...m.takes.filter(t => t.untested).map(t => `${t.label} of ${t.from.tag}`),
  ...m.countsOn.map(c => `its own ${c}`),
]
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="pool">
    <h2 id="pool" class="text-lg font-bold">Which of these make one?</h2>
    <p class="hint max-w-prose">
      Drives of one model and parts of the shelf: the most drives, by what they are worth, that work in the end, with
      the fewest parts moved. A part that a case suspects is not counted on.
    </p>
    <details v-if="used.length" class="mt-2 text-sm">
      <summary class="min-h-9">
        Drives in use that may give parts: {{ allowed.length ? allowed.length : 'none' }}
      </summary>
      <div class="flex flex-wrap gap-x-5">
        <label v-for="d in used" :key="d.id" class="inline-flex gap-2 items-center min-h-11"
          ><input v-model="allowed" type="checkbox" :value="d.id" class="size-5 accent-ink" />{{ d.tag }}</label
        >
      </div>
    </details>
    <p v-if="error" role="alert" class="mt-2">{{ problemText(error) }}</p>
    <p v-else-if="models && !models.length" class="mt-2">No drive would be helped by a part of another of its model.</p>
    <article
      v-for="m in models"
      :key="m.name"
      class="border-t border-line py-3 mt-3"
      :class="{ 'opacity-60': status === 'pending' }"
      :aria-label="m.name"
    >
      <h3 class="text-sm text-muted mb-1">{{ m.name }}</h3>
      <div v-for="w in m.makes" :key="w.drive.id" class="py-1.5">
        <p class="flex flex-wrap items-center gap-x-2.5 gap-y-1">
          <NuxtLink :to="`/drives/${w.drive.id}?view=parts`"><DriveTag :tag="w.drive.tag" /></NuxtLink>
          <template v-for="t in w.takes" :key="t.part">
            <span
              >takes the <strong>{{ t.label }}</strong> of</span
            ><template v-if="t.from.spare">{{ t.from.tag }}</template
            ><NuxtLink v-else :to="`/drives/${t.from.id}?view=parts`"><DriveTag :tag="t.from.tag" /></NuxtLink>
          </template>
        </p>
        <p v-if="toTest(w).length" class="hint mt-1">
          Nobody has tested: {{ toTest(w).join(', ') }}. Test these first.
        </p>
        <details class="text-sm mt-1">
          <summary class="min-h-8 text-muted">To show afterwards: {{ w.again.length }}</summary>
          <ul class="list-disc pl-5">
            <li v-for="a in w.again" :key="a">{{ a }}</li>
          </ul>
        </details>
      </div>
      <p class="hint mt-1">
        Moving takes about {{ m.minutes }} min (from memory).
        <template v-if="m.left.length"
          >{{ m.left.map(d => d.tag).join(', ') }}
          {{ m.left.length === 1 ? 'stays as donor' : 'stay as donors' }}.</template
        >
        {{ m.proved ? 'No other choice is better.' : 'A better choice may exist.' }}
      </p>
    </article>
  </section>
</template>
