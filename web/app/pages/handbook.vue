<script setup lang="ts">
import { MECHANISMS } from '@wobrin/core/mechanisms'
import { CALLS, type CallKind } from '@wobrin/core/observations'
import { CAUTIONS, STATIONS } from '@wobrin/core/procedures'

useHead({ title: 'Handbook · Wobrin' })
// A page that is opened afresh at an anchor is drawn after the browser looked for it.
const route = useRoute()
onMounted(() => { if (route.hash) document.getElementById(decodeURIComponent(route.hash.slice(1)))?.scrollIntoView() })

const calls = Object.entries(CALLS) as [CallKind, typeof CALLS[CallKind]][]
</script>

<template>
  <div class="grid lg:grid-cols-[200px_1fr] gap-6 items-start">
    <nav class="lg:sticky lg:top-4 text-sm" aria-label="Handbook">
      <h1 class="text-2xl font-bold mb-3">Handbook</h1>
      <ul>
        <li><a href="#calls" class="block py-1.5 hover:underline underline-offset-2">The five calls</a></li>
        <li><a href="#schools" class="block py-1.5 hover:underline underline-offset-2">Schools and sources</a></li>
        <li v-for="m in MECHANISMS" :key="m.id"><a :href="`#${m.id}`" class="block py-1.5 hover:underline underline-offset-2">{{ m.label }}</a></li>
        <li><a href="#cautions" class="block py-1.5 hover:underline underline-offset-2">Cautions, by station</a></li>
      </ul>
    </nav>
    <div class="space-y-4 min-w-0">
      <section id="calls" class="panel p-6 scroll-mt-4">
        <h2 class="text-xl font-bold mb-3">The five calls</h2>
        <dl class="grid sm:grid-cols-[11rem_1fr] gap-y-2.5">
          <template v-for="[kind, c] in calls" :key="kind"><dt class="font-bold flex items-center gap-2.5"><CallMark :kind="kind" decorative />{{ c.label }}</dt><dd>{{ c.means }}</dd></template>
        </dl>
      </section>
      <section id="schools" class="panel p-6 scroll-mt-4 space-y-3">
        <h2 class="text-xl font-bold">Schools and sources</h2>
        <p><strong>Speed.</strong> One school leaves a spindle alone anywhere inside the wide band, since every touch risks the trimmer. The other dials it in to the narrow band, since the next drive may be off the other way. Choose yours in <NuxtLink class="link" to="/workshop">Workshop</NuxtLink>.</p>
        <p><strong>Variation.</strong> A speed that is right on the mean and uneven within is a mechanical fault: belt, pulley, bearing. No trimmer cures it.</p>
        <p><strong>Where values come from.</strong> A standard is named by its number. <em>Common practice</em> is what restorers do, with no published source. <em>From memory</em> was recalled and not looked up; trust it accordingly.</p>
      </section>
      <HandbookMechanism v-for="m in MECHANISMS" :id="m.id" :key="m.id" :mechanism="m" class="scroll-mt-4" />
      <section id="cautions" class="panel p-6 scroll-mt-4">
        <h2 class="text-xl font-bold mb-3">Cautions, by station</h2>
        <p class="mb-4">Where law or licence governs the work, that comes first: mains wiring and picture tubes are for qualified people.</p>
        <dl class="grid sm:grid-cols-[11rem_1fr] gap-y-3">
          <template v-for="s in STATIONS" :key="s.id"><template v-if="s.cautions.length"><dt class="font-bold">{{ s.label }}</dt><dd><p v-for="m in s.cautions" :key="m">{{ CAUTIONS[m].text }}</p></dd></template></template>
        </dl>
      </section>
    </div>
  </div>
</template>
