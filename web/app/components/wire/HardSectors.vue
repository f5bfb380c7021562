<script setup lang="ts">
import type { HardSectored } from '@wobrin/core/instruments/interface'

/** What lies after each sector hole. Nothing of it is judged: the layout is the host's own. */
const { hard } = defineProps<{ hard: HardSectored }>()
const us = (x: number | null) => (x === null ? '' : `${x.toFixed(0)} µs`)
</script>

<template>
  <section aria-label="Sector holes">
    <h2 class="section-title mb-1">{{ hard.sectors }} sector holes, {{ hard.code }}</h2>
    <p class="hint mb-3">
      Raw bytes from the first bit after the run of zeros. What they mean, and their check, is the host’s own: nothing
      here says that a sector is good.
    </p>
    <div class="overflow-x-auto">
      <table class="w-full text-sm">
        <thead>
          <tr class="text-left hint">
            <th class="pr-4 font-normal">Sector</th>
            <th class="pr-4 font-normal text-right">Begins after its hole</th>
            <th class="pr-4 font-normal text-right">Differs by</th>
            <th class="pr-4 font-normal text-right">Bytes</th>
            <th class="font-normal">The first of them</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in hard.rows" :key="r.sector" class="border-t border-line">
            <td class="py-1.5 pr-4">{{ r.sector }}</td>
            <td class="pr-4 text-right">{{ us(r.startUs) || 'not found' }}</td>
            <td class="pr-4 text-right">{{ us(r.spreadUs) }}</td>
            <td class="pr-4 text-right">{{ r.length || '' }}</td>
            <td class="font-mono text-xs whitespace-nowrap">{{ r.bytes }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
