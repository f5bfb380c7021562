<script setup lang="ts">
import { loadCartridge, SOUND_CARTRIDGE, type CartridgeRun } from '@wobrin/core/simulator'

/**
 * A simulated cartridge drive: heads in their bay, loaded, locked, or drawn back with a click; and what the harm
 * spreads to.
 */
const headsHurt = ref(false)
const diskTorn = ref(false)
const weak = ref(false)
const run = shallowRef<CartridgeRun | null>(null)
const loads = ref(0)

function load(): void {
  run.value = loadCartridge({
    ...SOUND_CARTRIDGE,
    seed: ++loads.value,
    headsHurt: headsHurt.value,
    diskTorn: diskTorn.value,
    servoSignal: weak.value ? 0.34 : 1,
  })
  // What was hurt stays hurt.
  headsHurt.value = run.value.headsHurt
  diskTorn.value = run.value.diskTorn
}
function otherDisk(): void {
  diskTorn.value = false
  run.value = null
}

const end = computed(() => Math.max(4, (run.value?.events.at(-1)?.atS ?? 4) + 0.5))
const x = (t: number) => 90 + (t / end.value) * 890
const path = computed(
  () =>
    (run.value?.events ?? []).reduce(
      (d, e) => (e.what === 'heads load' ? `${d}H${x(e.atS)}V34` : e.what === 'click' ? `${d}H${x(e.atS)}V84` : d),
      'M90 84',
    ) + 'H980',
)
</script>

<template>
  <section class="panel p-5 space-y-4" aria-label="Cartridge">
    <div class="flex flex-wrap items-center gap-x-5 gap-y-3">
      <label class="flex items-center gap-2.5 min-h-11"
        ><input v-model="headsHurt" type="checkbox" class="size-5" />heads are damaged</label
      >
      <label class="flex items-center gap-2.5 min-h-11"
        ><input v-model="diskTorn" type="checkbox" class="size-5" />disk is torn</label
      >
      <label class="flex items-center gap-2.5 min-h-11"
        ><input v-model="weak" type="checkbox" class="size-5" />servo marks weak</label
      >
      <button class="btn btn-primary" @click="load">Put the cartridge in</button
      ><button class="btn" @click="otherDisk">Take another cartridge</button>
    </div>
    <template v-if="run">
      <CallBand :call="run.call" />
      <figure>
        <figcaption class="hint mb-1">
          The heads against time: in their parking bay, over the disk, and each click between
        </figcaption>
        <svg
          viewBox="0 0 1000 120"
          class="w-full text-xs"
          role="img"
          :aria-label="`${run.clicks} clicks, ${run.locked ? 'locked' : 'not locked'}`"
        >
          <rect x="90" y="24" width="890" height="20" fill="var(--band-wide)" />
          <rect x="90" y="74" width="890" height="20" fill="var(--tint)" stroke="var(--line)" />
          <text x="0" y="38" fill="var(--ink)" font-weight="700">over the disk</text>
          <text x="0" y="88" fill="var(--ink)" font-weight="700">parking bay</text>
          <path :d="path" fill="none" stroke="var(--ink)" stroke-width="2.5" />
          <g v-for="(e, i) in run.events.filter(v => v.what !== 'heads load' && v.what !== 'click')" :key="i">
            <line :x1="x(e.atS)" :x2="x(e.atS)" y1="18" y2="98" stroke="var(--muted)" stroke-dasharray="3 3" />
            <text :x="x(e.atS)" y="13" :text-anchor="x(e.atS) > 900 ? 'end' : 'middle'" fill="var(--muted)">
              {{ e.what }}, {{ e.atS.toFixed(1) }} s
            </text>
          </g>
        </svg>
      </figure>
      <p v-if="run.headsHurt || run.diskTorn" class="border-l-5 border-stop bg-stop-tint px-4 py-3">
        Now
        {{
          run.headsHurt && run.diskTorn
            ? 'the heads are damaged and the disk is torn'
            : run.headsHurt
              ? 'the heads are damaged: they will tear the next disk'
              : 'the disk is torn: it will damage the next drive'
        }}.
      </p>
    </template>
    <p v-else class="hint">
      Nothing good goes into a clicking drive, and no suspect cartridge into a good one: here it costs nothing to see
      why.
    </p>
  </section>
</template>
