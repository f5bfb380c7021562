<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { CalendarClock, Plus } from 'lucide-vue-next'
import type { Bench } from '../../shared/bench'

useTurns()
const { data: bench, error, refresh } = await useAsyncData('bench', () => $fetch<Bench>('/api/bench'))
const skipped = ref(0)

const open = computed(() => bench.value?.lines.filter(l => !l.outcome) ?? [])
const left = computed(() => bench.value?.lines.filter(l => l.outcome) ?? [])
const next = computed(() => bench.value?.next ?? [])
const waits = computed(() => bench.value?.waits ?? [])
// Waits run down while the page stands open.
useIntervalFn(() => refresh(), 30_000)
const now = computed(() => (next.value.length ? next.value[skipped.value % next.value.length]! : null))
const after = computed(() => next.value.filter(n => n !== now.value).slice(0, 4))

useHead({ title: 'Bench · Wobrin' })
</script>

<template>
  <div class="space-y-4">
    <h1 class="sr-only">Bench</h1>
    <div v-if="error" class="panel p-6" role="alert">
      <p class="mb-3">{{ problemText(error) }}</p>
      <button class="btn" @click="refresh()">Try again</button>
    </div>
    <BenchSetAside v-if="bench?.setAside.length" :drives="bench.setAside" />
    <div
      v-if="!error && now"
      class="grid gap-4 items-stretch"
      :class="waits.length ? 'lg:grid-cols-[1fr_20.5rem]' : ''"
    >
      <section class="panel p-6 grid md:grid-cols-[1fr_minmax(14rem,20rem)] gap-x-8 gap-y-6" aria-label="Do next">
        <div class="min-w-0">
          <h2 class="section-title mb-3">Do next</h2>
          <p class="flex items-center gap-3 mb-2 text-xl font-bold">
            <DriveTag :tag="now.tag" /><span>{{ now.title }}</span>
          </p>
          <p class="max-w-prose">
            {{ now.reason }} About <strong>{{ now.minutes }} min</strong>.
          </p>
          <div class="flex flex-wrap gap-3 mt-4">
            <NuxtLink
              class="btn btn-primary"
              :to="{ path: `/drives/${now.driveId}`, query: now.ofCase ? { view: 'case' } : { station: now.station } }"
              >Go to {{ now.tag }}</NuxtLink
            >
            <button v-if="next.length > 1" class="btn" @click="skipped++">Show another</button>
            <NuxtLink to="/drives/new" class="btn btn-quiet"><Plus class="size-4" />Receive a drive</NuxtLink>
          </div>
        </div>
        <div class="md:border-l border-line md:pl-6 min-w-0">
          <h3 class="text-sm font-bold mb-2">After that</h3>
          <ul class="text-sm space-y-1">
            <li v-for="n in after" :key="n.driveId">
              <NuxtLink :to="`/drives/${n.driveId}`" class="flex gap-2 py-1 hover:underline underline-offset-2">
                <span class="font-bold w-14 shrink-0">{{ n.tag }}</span><span class="grow truncate">{{ n.title }}</span
                ><span class="hint shrink-0">{{ n.minutes }} min</span>
              </NuxtLink>
            </li>
          </ul>
          <p v-if="!after.length" class="hint">Nothing else is open.</p>
          <NuxtLink to="/day" class="btn btn-quiet mt-2 -ml-3"><CalendarClock class="size-4" />Plan the day</NuxtLink>
        </div>
      </section>
      <BenchWaits v-if="waits.length" :waits="waits" />
    </div>
    <LazyBenchDoors v-else-if="!error" :title="left.length ? 'Nothing is open' : 'The bench is empty'" />

    <section v-if="open.length" class="panel px-6 pt-5 pb-3" aria-label="Drives at their stations">
      <BenchLines :lines="open"
        ><h2 class="section-title pb-2">
          {{ open.length }} open {{ open.length === 1 ? 'drive' : 'drives' }}
        </h2></BenchLines
      >
    </section>
    <section v-if="left.length" class="panel px-6 py-5" aria-label="Drives that have left">
      <h2 class="section-title mb-2">Left the bench</h2>
      <BenchLeft :lines="left" />
      <p v-if="bench && bench.leftInAll > left.length" class="hint mt-3">
        The latest {{ left.length }} of {{ bench.leftInAll }}; <kbd>/</kbd> finds the others.
      </p>
    </section>
  </div>
</template>
