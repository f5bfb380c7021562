<script setup lang="ts">
import { MODES, MODE_IDS, SIGNAL_IDS, SIGNALS } from '@wobrin/core/drives/hosts'

useHead({ title: 'Host fit · Wobrin' })
const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 text-sm space-y-3 order-2 lg:order-none">
      <h1 class="text-xl font-bold">Host fit</h1>
      <p>
        A host profile lists required signals. A drive profile lists fixed wiring and settings. Neither has a maker’s
        name: write your own once, and save it as JSON.
      </p>
      <h2 class="font-bold border-t border-line pt-3">How it is solved</h2>
      <p>
        Every setting of straps, wires and cuts is covered, by search with an exact bound. Fewest musts missed comes
        first, then fewest things noticed, then fewest wires, then fewest straps moved.
      </p>
      <p>Where nothing fits, the smallest set of needs is named that cannot be had together.</p>
      <h2 class="font-bold border-t border-line pt-3">Lines</h2>
      <p class="text-muted">{{ SIGNAL_IDS.map(s => SIGNALS[s].label).join(', ') }}. All active low.</p>
      <h2 class="font-bold border-t border-line pt-3">Ways</h2>
      <p class="text-muted">{{ MODE_IDS.map(m => MODES[m].label.toLowerCase()).join(', ') }}.</p>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0">
      <FitInstrument
        @keep="
          keep => {
            keepTo = keep
          }
        "
      />
    </div>
    <FileToDrive :keep="keepTo" @close="keepTo = null" @kept="id => navigateTo(`/drives/${id}?station=electronics`)" />
  </div>
</template>
