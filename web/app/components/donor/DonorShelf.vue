<script setup lang="ts">
import { offerIn, type Donor, type DonorPart } from '../../../shared/parts'

/** Drives that were given up, and what is still good in them; a part goes onto the log of the drive that gets it. */
interface Page {
  readonly donors: readonly Donor[]
  readonly total: number
}
const { data: page, refresh } = await useFetch<Page>('/api/parts', { key: 'donors' })
const { fitting, fitted } = useFitting(refresh)
const wholes = (d: Donor) => d.parts.filter(p => p.within === null || !d.parts.some(w => w.id === p.within))
const piecesOf = (d: Donor, p: DonorPart) => d.parts.filter(x => x.within === p.id)
function take(d: Donor, p: DonorPart): void {
  fitting.value = fittingOf(offerIn(d.drive, p, 'donor', d.release))
}
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="donors">
    <h2 id="donors" class="text-lg font-bold">Donors</h2>
    <p class="hint mb-3">Drives that were stripped for parts, and what is still good in them.</p>
    <article v-for="d in page?.donors" :key="d.release" class="border-t border-line py-3" :aria-label="d.tag">
      <p class="flex flex-wrap gap-x-3 items-baseline">
        <NuxtLink class="font-bold text-lg link" :to="`/drives/${d.drive.id}`">{{ d.tag }}</NuxtLink><span
          class="text-muted"
          >{{ d.name }} · {{ shortTime(d.at) }}<template v-if="d.remark"> · {{ d.remark }}</template></span
        >
      </p>
      <ul class="grid md:grid-cols-2 gap-x-8 text-sm mt-1">
        <li v-for="p in wholes(d)" :key="p.id" class="border-t border-line py-1">
          <DonorPartLine :part="p" @take="take(d, p)" />
          <details v-if="piecesOf(d, p).length" class="pl-4">
            <summary class="min-h-8 text-muted">
              {{ piecesOf(d, p).length === 1 ? '1 piece' : `${piecesOf(d, p).length} pieces` }}
            </summary>
            <DonorPartLine v-for="x in piecesOf(d, p)" :key="x.id" :part="x" @take="take(d, x)" />
          </details>
        </li>
      </ul>
    </article>
    <p v-if="page && page.total > page.donors.length" class="hint">
      The latest {{ page.donors.length }} of {{ page.total }}; all parts are found under Parts.
    </p>
    <p v-if="page && !page.donors.length">
      No drive was stripped for parts with anything good left in it.
      <span class="text-muted">At Release, “Strip for parts” lists what the log vouches for.</span>
    </p>
    <PartsFit :fitting="fitting" @close="fitting = null" @fitted="fitted" />
  </section>
</template>
