<script setup lang="ts">
import { STATES } from '@wobrin/core/signals/codes'
import type { SectorReading, TrackReading } from '@wobrin/core/instruments/interface'

const { track } = defineProps<{ track: TrackReading }>()

function words(s: SectorReading): string {
  if (s.state === 'missing') return 'missing: no header in any turn'
  if (s.state === 'foreign') return `header of cylinder ${s.names}`
  if (s.state === 'weak')
    return s.weakBytes
      ? `unstable: ${s.weakBytes} ${s.weakBytes === 1 ? 'byte differs' : 'bytes differ'} between revolutions`
      : `unstable: without error in ${s.whole} of ${s.seen} revolutions`
  return STATES[s.state].label
}
</script>

<template>
  <div>
    <h2 class="section-title mb-2">Its sectors</h2>
    <p v-if="!track.sectors.length" class="hint">No sector was found on it.</p>
    <div v-else class="max-h-80 overflow-y-auto relative" tabindex="0" role="region" aria-label="Sectors of the track">
      <table class="w-full text-sm">
        <thead class="text-muted text-left sticky top-0 bg-panel">
          <tr>
            <th class="font-normal py-1 w-10">Id</th>
            <th class="font-normal text-right pr-5 w-20">Margin</th>
            <th class="font-normal">State</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in track.sectors" :key="i" class="border-t border-line">
            <td class="py-1.5">{{ s.id < 0 ? '?' : s.id }}</td>
            <td class="text-right pr-5">
              {{ s.margin === null || s.state === 'missing' ? '–' : `${Math.round(s.margin * 100)} %` }}
            </td>
            <td :class="{ 'font-bold': s.state !== 'good' }">{{ words(s) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
