<script setup lang="ts">
import { SUMS } from '@wobrin/core/instruments'

useHead({ title: 'Instruments · Wobrin' })

const instruments: { to: string, title: string, what: string, needs: string }[] = [
  { to: '/instruments/speed', title: 'Speed', what: 'A recording of the index line, or of any mark on the spindle, becomes a call: leave it, nudge it, mend it.', needs: 'Logic analyser or sound card' },
  { to: '/instruments/strobe', title: 'Strobe companion', what: 'How many bars stand still at a speed, what a creeping pattern says, and a disc to print.', needs: 'A lamp on the mains' },
  ...SUMS.map(s => ({ to: `/instruments/${s.id}`, title: s.title, what: s.purpose, needs: s.fields.filter(f => f.required).map(f => f.label.toLowerCase()).join(', ') || 'What is known of it' })),
]
</script>

<template>
  <div>
    <h1 class="text-2xl font-bold mb-1">Instruments</h1>
    <p class="text-muted mb-5">A quick measurement with no drive on file. What is worth keeping can be filed to a drive afterwards.</p>
    <ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-4">
      <li v-for="i in instruments" :key="i.to">
        <NuxtLink :to="i.to" class="panel block p-5 h-full hover:border-ink">
          <h2 class="text-lg font-bold">{{ i.title }}</h2><p class="mt-1">{{ i.what }}</p><p class="hint mt-3">{{ i.needs }}</p>
        </NuxtLink>
      </li>
    </ul>
  </div>
</template>
