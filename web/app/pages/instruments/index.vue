<script setup lang="ts">
import { SUMS } from '@wobrin/core/instruments'
import type { StationId } from '@wobrin/core/observations'

useHead({ title: 'Instruments · Wobrin' })

const alone = [
  { to: '/instruments/speed', title: 'Speed', what: 'A recording of the index line, or of any mark on the spindle, becomes a call: leave it, nudge it, mend it.', needs: 'Logic analyser or sound card' },
  { to: '/instruments/strobe', title: 'Strobe companion', what: 'How many bars stand still at a speed, what a creeping pattern says, and a disc to print.', needs: 'A lamp on the mains' },
]
const at = (station: StationId) => SUMS.filter(s => s.station === station).map(s => ({
  to: `/instruments/${s.id}`, title: s.title, what: s.purpose, needs: s.fields.filter(f => f.required).map(f => f.label.toLowerCase()).join(', '),
}))
const groups = [{ title: 'Speed', instruments: alone }, { title: 'Drive train', instruments: at('drive-train') }, { title: 'Electronics', instruments: at('electronics') }]
</script>

<template>
  <div>
    <h1 class="text-2xl font-bold mb-1">Instruments</h1>
    <p class="text-muted mb-5">A quick measurement with no drive on file. What is worth keeping can be filed to a drive afterwards.</p>
    <section v-for="g in groups" :key="g.title" class="mb-6" :aria-label="g.title">
      <h2 class="section-title mb-2">{{ g.title }}</h2>
      <ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-4">
        <li v-for="i in g.instruments" :key="i.to">
          <NuxtLink :to="i.to" class="panel block p-5 h-full hover:border-ink">
            <h3 class="text-lg font-bold">{{ i.title }}</h3><p class="mt-1">{{ i.what }}</p><p v-if="i.needs" class="hint mt-3">{{ i.needs }}</p>
          </NuxtLink>
        </li>
      </ul>
    </section>
  </div>
</template>
