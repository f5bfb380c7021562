<script setup lang="ts">
import { beltLayout, beltPath } from '@wobrin/core/calculators/mechanics'
import { readQuantity } from '@wobrin/core/calculators/calculator'

/** The belt's path, to scale. */
const { typed } = defineProps<{ typed: Readonly<Record<string, string>> }>()

const plan = computed(() => {
  try {
    const sizes = Object.fromEntries(
      ['motor', 'flywheel', 'centre', 'section', 'idler', 'idlerX', 'idlerY'].flatMap(k =>
        typed[k]?.trim() ? [[k, readQuantity(typed[k], 'length', k)]] : [],
      ),
    )
    if ([sizes.motor, sizes.flywheel, sizes.centre, sizes.section].some(s => !s)) return null
    const pulleys = beltLayout({ ...sizes, idlerSide: typed.idlerSide || undefined })
    const { runs, wraps } = beltPath(pulleys)
    const section = sizes.section as number
    const left = Math.min(...pulleys.map(p => p.x - p.r)) - section
    const right = Math.max(...pulleys.map(p => p.x + p.r)) + section
    const low = Math.min(...pulleys.map(p => p.y - p.r)) - section
    const high = Math.max(...pulleys.map(p => p.y + p.r)) + section
    // One closed line: each run, then the arc over the pulley that it comes to.
    const arcs = runs.map((run, i) => {
      const j = (i + 1) % pulleys.length
      const to = runs[j]!
      const p = pulleys[j]!
      return `L${run.x2} ${-run.y2}A${p.r} ${p.r} 0 ${wraps[j]! > Math.PI ? 1 : 0} ${p.outside ? 1 : 0} ${to.x1} ${-to.y1}`
    })
    return {
      pulleys,
      section,
      path: `M${runs[0]!.x1} ${-runs[0]!.y1}${arcs.join('')}`,
      box: [left, -high, right - left, high - low] as const,
    }
  } catch {
    return null
  }
})
</script>

<template>
  <figure v-if="plan" class="mb-4">
    <svg
      :viewBox="`${plan.box[0] - 2} ${plan.box[1] - 2} ${plan.box[2] + 4} ${plan.box[3] + 4 + plan.box[2] * 0.09}`"
      class="w-full max-h-56"
      role="img"
      aria-label="The belt’s path, to scale"
    >
      <g v-for="(p, i) in plan.pulleys" :key="i">
        <circle
          :cx="p.x"
          :cy="-p.y"
          :r="p.r - plan.section / 2"
          fill="var(--tint)"
          stroke="var(--ink)"
          :stroke-width="plan.box[2] / 260"
        />
        <circle :cx="p.x" :cy="-p.y" :r="plan.box[2] / 120" fill="var(--ink)" />
      </g>
      <path :d="plan.path" fill="none" stroke="var(--ink)" :stroke-width="plan.section" stroke-linejoin="round" />
      <g
        :transform="`translate(${plan.box[0]} ${plan.box[1] + plan.box[3] + plan.box[2] * 0.05})`"
        stroke="var(--ink)"
        :stroke-width="plan.box[2] / 300"
      >
        <path :d="`M0 ${-plan.box[2] / 90}V${plan.box[2] / 90}M0 0H20M20 ${-plan.box[2] / 90}V${plan.box[2] / 90}`" />
        <text x="22" :y="plan.box[2] / 80" stroke="none" fill="var(--muted)" :font-size="plan.box[2] / 24">20 mm</text>
      </g>
    </svg>
  </figure>
</template>
