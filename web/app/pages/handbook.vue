<script setup lang="ts">
import { AGENTS, neverOf } from '@wobrin/core/bench/cleaning'
import { MECHANISMS } from '@wobrin/core/drives'
import { CALLS, type CallKind } from '@wobrin/core/base/observations'
import { CALCULATORS } from '@wobrin/core/calculators/registry'
import { CAUTIONS, GATES, STATIONS } from '@wobrin/core/bench/stations'

useHead({ title: 'Handbook · Wobrin' })
// A page that is opened afresh at an anchor is drawn after the browser looked for it.
const route = useRoute()
const { all } = useTurns()
void all.then(() => {
  if (route.hash) document.getElementById(decodeURIComponent(route.hash.slice(1)))?.scrollIntoView()
})

const calls = Object.entries(CALLS) as [CallKind, (typeof CALLS)[CallKind]][]
</script>

<template>
  <div class="grid lg:grid-cols-[200px_1fr] gap-6 items-start">
    <nav class="lg:sticky lg:top-4 text-sm" aria-label="Handbook">
      <h1 class="text-2xl font-bold mb-3">Handbook</h1>
      <ul>
        <li><a href="#calls" class="block py-1.5 hover:underline underline-offset-2">The five calls</a></li>
        <li
          v-for="[id, text] in [
            ['stations', 'The eleven stations'],
            ['gates', 'Gates'],
            ['procedures', 'Changing parts, saving disks'],
            ['cleaning', 'What never goes where'],
            ['sums', 'The arithmetic, as used'],
          ]"
          :key="id"
        >
          <a :href="`#${id}`" class="block py-1.5 hover:underline underline-offset-2">{{ text }}</a>
        </li>
        <li
          v-for="[id, text] in [
            ['align', 'Alignment'],
            ['reading', 'Reading'],
          ]"
          :key="id"
        >
          <a :href="`#${id}`" class="block py-1.5 hover:underline underline-offset-2">{{ text }}</a>
        </li>
        <li><a href="#schools" class="block py-1.5 hover:underline underline-offset-2">Methods and sources</a></li>
        <li v-for="m in MECHANISMS" :key="m.id">
          <a :href="`#${m.id}`" class="block py-1.5 hover:underline underline-offset-2">{{ m.label }}</a>
        </li>
        <li><a href="#cautions" class="block py-1.5 hover:underline underline-offset-2">Cautions, by station</a></li>
      </ul>
    </nav>
    <div class="space-y-4 min-w-0">
      <section id="calls" class="panel p-6 scroll-mt-4">
        <h2 class="text-xl font-bold mb-3">The five calls</h2>
        <dl class="grid sm:grid-cols-[11rem_1fr] gap-y-2.5">
          <template v-for="[kind, c] in calls" :key="kind"
            ><dt class="font-bold flex items-center gap-2.5"><CallMark :kind="kind" decorative />{{ c.label }}</dt>
            <dd>{{ c.means }}</dd></template
          >
        </dl>
      </section>
      <section id="stations" class="panel p-6 scroll-mt-4">
        <h2 class="text-xl font-bold mb-3">The eleven stations</h2>
        <InTurn v-for="st in STATIONS" :key="st.id"><HandbookStation :station="st" /></InTurn>
      </section>
      <InTurn>
        <section id="gates" class="panel p-6 scroll-mt-4">
          <h2 class="text-xl font-bold mb-3">Safety gates</h2>
          <p class="mb-4 max-w-prose">
            What must not be done before something is known. A closed safety gate says what is missing; it is overridden
            with a written reason only, and the certificate carries that reason.
          </p>
          <dl class="space-y-4">
            <div v-for="g in GATES" :key="g.id">
              <dt class="font-bold">{{ g.label }}</dt>
              <dd>
                {{ g.because }}
                <ul class="list-disc pl-5 text-sm mt-1">
                  <li v-for="c in g.conditions" :key="c.id">{{ c.need }}</li>
                </ul>
              </dd>
            </div>
          </dl>
        </section>
        <section id="schools" class="panel p-6 scroll-mt-4 space-y-3">
          <h2 class="text-xl font-bold mb-3">Methods and sources</h2>
          <HandbookSchools />
          <p class="border-t border-line pt-4 text-sm">
            <strong>Where values come from.</strong> A standard is named by its number. <em>Common practice</em> is what
            restorers do, with no published source. <em>From memory</em> was recalled and not looked up; trust it
            accordingly.
          </p>
        </section>
      </InTurn>
      <InTurn>
        <section id="sums" class="panel p-6 scroll-mt-4">
          <h2 class="text-xl font-bold mb-3">The arithmetic, as used</h2>
          <dl class="grid sm:grid-cols-[12rem_1fr] gap-x-5 gap-y-3 text-sm">
            <template v-for="s in CALCULATORS" :key="s.id"
              ><dt class="font-bold">
                <NuxtLink class="link" :to="`/instruments/${s.id}`">{{ s.title }}</NuxtLink>
              </dt>
              <dd>
                <p v-for="f in s.formulas" :key="f">{{ f }}</p>
              </dd></template
            >
            <dt class="font-bold"><NuxtLink class="link" to="/instruments/host-fit">Host fit</NuxtLink></dt>
            <dd>
              Every setting of straps, wires and cuts is covered by a search whose bound never overrates what is left.
              Fewest musts missed, then fewest things noticed, then second-best wants, wires, straps moved. Two lines on
              one pin, a line on a pin that the host drives, one input on two pins or two ways at once cannot stand
              together. Where nothing fits, needs are left out one by one until the rest is the smallest contradiction.
            </dd>
          </dl>
        </section>
      </InTurn>
      <InTurn><HandbookProcedures /></InTurn>
      <InTurn><HandbookAlign /></InTurn>
      <InTurn><HandbookReading /></InTurn>
      <InTurn>
        <section id="cleaning" class="panel p-6 scroll-mt-4">
          <h2 class="text-xl font-bold mb-3">What never goes where</h2>
          <dl class="grid sm:grid-cols-[12rem_1fr] gap-x-5 gap-y-2 text-sm">
            <template v-for="a in AGENTS" :key="a.id"
              ><template v-if="neverOf(a).length"
                ><dt class="font-bold">{{ a.label }}</dt>
                <dd>{{ neverOf(a).join('; ') }}</dd></template
              ></template
            >
          </dl>
          <p class="hint mt-3">Common practice, no source.</p>
        </section>
      </InTurn>
      <InTurn v-for="m in MECHANISMS" :key="m.id"
        ><HandbookMechanism :id="m.id" :mechanism="m" class="scroll-mt-4"
      /></InTurn>
      <InTurn>
        <section id="cautions" class="panel p-6 scroll-mt-4">
          <h2 class="text-xl font-bold mb-3">Cautions, by station</h2>
          <p class="mb-4">
            Where law or licence governs the work, that comes first: mains wiring and picture tubes are for qualified
            people.
          </p>
          <dl class="grid sm:grid-cols-[11rem_1fr] gap-y-3">
            <template v-for="s in STATIONS" :key="s.id"
              ><template v-if="s.cautions.length"
                ><dt class="font-bold">{{ s.label }}</dt>
                <dd>
                  <p v-for="m in s.cautions" :key="m">{{ CAUTIONS[m].text }}</p>
                </dd></template
              ></template
            >
          </dl>
        </section>
      </InTurn>
      <InTurn><HandbookGlossary /></InTurn>
    </div>
  </div>
</template>
