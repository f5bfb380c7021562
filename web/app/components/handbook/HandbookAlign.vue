<script setup lang="ts">
import { hasOffsetCost } from '@wobrin/core/calculators/alignment'
import { ALIGNMENT_LIMITS, MECHANISMS, pitchUm, describeSource, type MechanismId } from '@wobrin/core/drives'
import type { OffsetRow, OffsetsWorker } from '~/workers/offsets.worker'

const rows = MECHANISMS.filter(m => hasOffsetCost(m.id)).map(m => ({
  label: m.label,
  id: m.id,
  pitch: pitchUm(m.id).toFixed(0),
  limits: ALIGNMENT_LIMITS[m.id],
}))
const loads = [...new Set(rows.flatMap(r => r.limits?.headLoad.value ?? []))]

/** Worked out beside the page: it takes a while. */
const worker = useWorker<OffsetsWorker>(
  () => new Worker(new URL('../../workers/offsets.worker.ts', import.meta.url), { type: 'module' }),
)
const costs = reactive(new Map<MechanismId, OffsetRow>())
onMounted(async () => {
  for (const { id } of rows) costs.set(id, await worker().row(id))
})
const WAITING = '…'
const half = (id: MechanismId) => costs.get(id)?.halfUm.toFixed(0) ?? WAITING
const margins = (id: MechanismId, where: 'outer' | 'inner') =>
  costs
    .get(id)
    ?.[where].map(m => `${Math.round(m * 100)} %`)
    .join(', ') ?? WAITING
</script>

<template>
  <section id="align" class="panel p-6 scroll-mt-4 space-y-4">
    <h2 class="text-xl font-bold">What alignment is, and what an offset costs</h2>
    <p class="max-w-prose">
      <strong>Two methods.</strong> The reference-disk method reads a disk that a verified drive wrote, moves one
      adjuster across, and sets it in the middle of what works: that shows that two drives agree. The instrument method
      reads an analogue alignment disk with a scope: only that measures against the standard. Both need clean heads and
      the right speed first.
    </p>
    <p class="max-w-prose">
      <strong>Which adjuster.</strong> Track-zero position off by whole cylinders: the sensor. Both heads off together
      by part of a track: the stepper. One head off and the other right: that head. The sensor before the heads, one at
      a time, then outer, middle and inner after tightening, which shifts it; then a seal (common practice).
    </p>
    <p class="max-w-prose">
      <strong>Off track, or low read amplitude?</strong> A head that stands off track loses margin as one with low
      amplitude or dirt does. But no disk sits quite in the middle: its tracks come to and fro under the head once a
      revolution. A head in the middle loses as much on either side; one off track gains on one side and loses on the
      other. So its margin swings once a revolution, and that of a head with low read amplitude does not.
    </p>
    <div class="overflow-x-auto relative" tabindex="0" role="region" aria-label="What an offset costs">
      <table class="text-sm w-full min-w-[56rem]">
        <thead class="text-left text-muted align-bottom">
          <tr>
            <th class="font-normal pr-4 py-1">Drive type</th>
            <th class="font-normal pr-4 text-right">Pitch</th>
            <th class="font-normal pr-4 text-right">Sectors fail from</th>
            <th class="font-normal pr-4 text-right">Margin, outer, in the middle and half way off</th>
            <th class="font-normal pr-4 text-right">The same, inner</th>
            <th class="font-normal pr-4 text-right">Radial within</th>
            <th class="font-normal pr-4 text-right">Azimuth</th>
            <th class="font-normal pr-4 text-right">Index to data</th>
            <th class="font-normal text-right">Hysteresis</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.id" class="border-t border-line text-right">
            <td class="pr-4 py-1.5 text-left">{{ r.label }}</td>
            <td class="pr-4 whitespace-nowrap">{{ r.pitch }} µm</td>
            <td class="pr-4 whitespace-nowrap">{{ half(r.id) }} µm</td>
            <td class="pr-4 whitespace-nowrap">{{ margins(r.id, 'outer') }}</td>
            <td class="pr-4 whitespace-nowrap">{{ margins(r.id, 'inner') }}</td>
            <td class="pr-4 whitespace-nowrap">{{ r.limits?.radialUm.value }} µm</td>
            <td class="pr-4">{{ r.limits?.azimuthMin.value }}′</td>
            <td class="pr-4 whitespace-nowrap">
              {{ r.limits?.indexUs.value }} ± {{ r.limits?.indexWithinUs.value }} µs
            </td>
            <td class="whitespace-nowrap">{{ r.limits?.hysteresisUm.value }} µm</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="hint">
      What an offset costs is worked out: overlap of head and track, noise and neighbour over signal, the timing window
      of the track code at that radius; a sound drive, its usual layout. Limits
      {{ describeSource(rows[0]!.limits!.radialUm.source) }}: a drive’s own sheet goes before them.
    </p>
    <p v-for="l in loads" :key="l" class="max-w-prose"><strong>Head load.</strong> {{ l }}</p>
    <p class="max-w-prose">
      <strong>Quick disks</strong> have no tracks to align: where the sweep starts and how fast it turns are judged
      together. <strong>Cartridge drives</strong> follow their tracks by servo: nothing to align in the field. Look at
      the heads, the parking bay, how they load, and at the edge of the cartridge’s disk.
    </p>
  </section>
</template>
