<script setup lang="ts">
import { RECORDING_GEOMETRY, MECHANISMS } from '@wobrin/core/drives'
import { FORMATS, formatName, STATES, THREAD, UNEASY } from '@wobrin/core/signals/codes'

const rows = MECHANISMS.flatMap(m =>
  RECORDING_GEOMETRY[m.id] ? [{ label: m.label, ...RECORDING_GEOMETRY[m.id]! }] : [],
)
</script>

<template>
  <section id="reading" class="panel p-6 scroll-mt-4 space-y-4">
    <h2 class="text-xl font-bold">What the read test measures</h2>
    <p class="max-w-prose">
      <strong>Timing margin.</strong> Each flux transition should fall in the middle of its timing window, half a bit
      cell wide in FM and MFM. The margin is what the worst hundredth of a track’s transitions leave of half that timing
      window: 100 % is dead on time, 0 % falls into the next. Below {{ UNEASY * 100 }} % reading is uneasy, below
      {{ THREAD * 100 }} % its margin is very low (from the statistics of Gaussian jitter).
    </p>
    <p class="max-w-prose">
      <strong>What eats it.</strong> Distance between head and disk costs 54.6 dB for each wavelength (Wallace 1951). An
      azimuth error leaves sin x ÷ x with x = π w tan α ÷ λ. Off track, the head finds the overlap of both. Bits that
      lie close push one another apart (isolated pulses laid over one another, from memory): that is peak shift, worst
      at the hub.
    </p>
    <p class="max-w-prose">
      <strong>What becomes of a sector.</strong>
      <template v-for="(s, id, i) in STATES" :key="id"
        >{{ i ? '; ' : '' }}<em>{{ s.label }}</em
        >: {{ s.means }}</template
      >.
    </p>
    <p class="max-w-prose">
      <strong>Codes that are known.</strong> {{ FORMATS.map(formatName).join('; ') }}. Rates of FM and MFM as in the
      titles of the ECMA standards, the others from memory.
    </p>
    <div class="overflow-x-auto relative" tabindex="0" role="region" aria-label="Track widths">
      <table class="text-sm">
        <thead class="text-left text-muted">
          <tr>
            <th class="font-normal pr-6 py-1">Drive type</th>
            <th class="font-normal pr-6 text-right">Track width</th>
            <th class="font-normal text-right">Width of a pulse</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.label" class="border-t border-line">
            <td class="pr-6 py-1">{{ r.label }}</td>
            <td class="pr-6 text-right">{{ r.trackUm.value }} µm</td>
            <td class="text-right">{{ r.pulseUm.value }} µm</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">Widths from memory, of the usual size.</p>
  </section>
</template>
