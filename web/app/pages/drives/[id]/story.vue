<script setup lang="ts">
import { ArrowLeft, Printer } from 'lucide-vue-next'
import type { DriveStory } from '../../../../shared/story'

// A long log makes a long document: what is below is drawn after what is seen first.
const { all } = useTurns()
const route = useRoute('drives-id-story')
const { data: story, error } = await useFetch<DriveStory>(`/api/drives/${route.params.id}/story`)
useHead({ title: () => `Case of ${story.value?.drive.tag ?? ''} · Wobrin` })
const KINDS = { check: 'checked', found: 'found', done: 'done', fitted: 'fitted' } as const
const STATES = { open: 'open', cured: 'gone', 'not seen': 'not seen here' } as const
const print = () => all.then(() => window.print())
/** A change of less than a tenth of a percent is none. */
const times = (x: number) =>
  Math.abs(x - 1) < 0.001 ? 'as often as before' : `${x.toFixed(2)} times as often as before`
</script>

<template>
  <div v-if="error" class="panel p-6" role="alert">{{ problemText(error) }}</div>
  <div v-else-if="story" class="max-w-[860px] mx-auto">
    <div class="flex flex-wrap gap-3 mb-4 no-print">
      <NuxtLink class="btn" :to="{ path: `/drives/${route.params.id}`, query: { view: 'case' } }"
        ><ArrowLeft class="size-4" />The case</NuxtLink
      >
      <button class="btn btn-primary ml-auto" @click="print"><Printer class="size-4" />Print</button>
    </div>
    <article class="panel px-8 sm:px-12 py-8 space-y-5 print:border-0 print:p-0">
      <header>
        <p class="hint">{{ story.workshop || 'Workshop without a name' }}</p>
        <h1 class="text-2xl font-bold mt-2">The case of {{ story.drive.tag }}</h1>
        <p class="text-muted">
          {{
            [story.mechanism, `${story.drive.maker} ${story.drive.model}`.trim(), story.drive.year]
              .filter(Boolean)
              .join(' · ')
          }}
        </p>
        <p v-if="story.drive.simulated" class="mt-2 border-l-5 border-muted bg-tint px-4 py-2">
          <strong>A simulated drive.</strong> Nothing in here says anything of a real one.
        </p>
        <p class="hint mt-1">
          Received {{ longTime(story.drive.receivedAt)
          }}<template v-if="story.drive.ownerWords">: “{{ story.drive.ownerWords }}”</template>
        </p>
      </header>
      <section>
        <h2 class="font-bold mb-1">What it did wrong, and what it was</h2>
        <ul class="text-sm">
          <li v-for="c in story.complaints" :key="c.id" class="border-b border-line py-1.5">
            <p class="flex justify-between gap-4">
              <strong>{{ c.label }}</strong><span class="hint">{{ STATES[c.state] }}</span>
            </p>
            <p>{{ c.says }}</p>
          </li>
        </ul>
        <p v-if="!story.complaints.length" class="hint">Nothing was complained of.</p>
      </section>
      <section v-if="story.tried.length">
        <h2 class="font-bold mb-1">What was tried</h2>
        <ol class="text-sm">
          <InTurn v-for="(part, i) in inParts(story.tried)" :key="i" :at-once="i === 0">
            <li
              v-for="t in part"
              :key="t.at + t.title"
              class="grid grid-cols-[5.5rem_5rem_1fr] gap-2 border-b border-line py-1"
            >
              <span class="hint">{{ shortTime(t.at) }}</span><span class="text-muted">{{ KINDS[t.kind] }}</span
              ><span>{{ t.title }}</span>
            </li>
          </InTurn>
        </ol>
      </section>
      <section v-if="story.spent.minutes >= 1">
        <h2 class="font-bold mb-1">What it took</h2>
        <p class="text-sm">
          About {{ (story.spent.minutes / 60).toFixed(1) }} h of hands in {{ story.spent.sittings }}
          {{ story.spent.sittings === 1 ? 'sitting' : 'sittings' }}, by the times of its log. The lists expected
          {{ (story.spent.expected / 60).toFixed(1) }} h for what was done.
        </p>
      </section>
      <section v-if="story.moved.length">
        <h2 class="font-bold mb-1">What the workshop learned</h2>
        <ul class="text-sm">
          <li v-for="m in story.moved" :key="m.fault" class="border-b border-line py-1 flex justify-between gap-4">
            <span>{{ m.label }}</span><span class="hint">expected {{ times(m.times) }} this case</span>
          </li>
        </ul>
      </section>
    </article>
  </div>
</template>
