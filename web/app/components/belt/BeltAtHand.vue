<script setup lang="ts">
import { beltNeed, rankBelts, sistersOf } from '@wobrin/core/bench/belts'
import { beltCalculator } from '@wobrin/core/calculators/mechanics'
import { readValues } from '@wobrin/core/calculators/calculator'

/** Which belts of the shelf would do, and which other drives want the same one. */
const { typed, driveId = null } = defineProps<{ typed: Readonly<Record<string, string>>; driveId?: string | null }>()
const belts = useBelts()
onMounted(() => belts.load().catch(() => {}))

const found = computed(() => {
  if (!['motor', 'flywheel', 'centre', 'section'].every(k => typed[k]?.trim())) return null
  try {
    const values = readValues(beltCalculator, typed)
    const ranked = rankBelts(values, belts.here.value)
    const sisters = sistersOf(
      beltNeed('', values),
      belts.view.value.drives.filter(d => d.driveId !== driveId).map(d => d.need),
    )
    return { ranked: ranked.filter(r => r.grade !== 'no'), rest: ranked.filter(r => r.grade === 'no').length, sisters }
  } catch {
    // What cannot be is said by the instrument itself.
    return null
  }
})
</script>

<template>
  <section v-if="found" class="mb-4 text-sm" aria-label="On the shelf">
    <h3 class="font-bold">On the shelf</h3>
    <ul v-if="found.ranked.length">
      <li
        v-for="r in found.ranked.slice(0, 4)"
        :key="r.belt.id"
        class="grid grid-cols-[auto_1fr] gap-x-3 py-1.5 border-b border-line items-baseline"
      >
        <CallMark :kind="r.grade === 'fits' ? 'leave' : 'unknown'" decorative :size="13" /><span
          ><span class="font-bold">{{ r.belt.name }}</span>
          <span class="text-muted">{{ r.belt.insideMm }} mm</span></span
        ><span class="col-start-2 hint text-xs">{{
          r.grade === 'fits' ? r.because : `For a trial only. ${r.because}`
        }}</span>
      </li>
    </ul>
    <p v-else class="hint">
      {{ found.rest ? `None of the ${found.rest} at hand would do.` : 'No belt is on the shelf.' }}
      <NuxtLink class="link" to="/shelf?view=belts">To the shelf</NuxtLink>
    </p>
    <p v-if="found.sisters.length" class="mt-2">
      The same belt serves {{ found.sisters.map(s => s.drive).join(', ') }}: drives with the same mechanism, as far as
      the belt goes.
    </p>
  </section>
</template>
