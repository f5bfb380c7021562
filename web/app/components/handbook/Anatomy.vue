<script setup lang="ts">
import { anatomyOf, describeSource, type AnatomyPart, type MechanismId, type Shape } from '@wobrin/core/drives'

/** A class from above, to scale, with numbers and their legend. */
const { mechanism } = defineProps<{ mechanism: MechanismId; label: string }>()
const plan = computed(() => anatomyOf(mechanism))
const named = computed(() => plan.value.parts.filter(p => p.n > 0))
const PAD = 9

const LOOK: Readonly<Record<AnatomyPart['look'], Record<string, string>>> = {
  frame: { fill: 'var(--panel)', stroke: 'var(--ink)', 'stroke-width': '1.1' },
  shell: { fill: 'none', stroke: 'var(--muted)', 'stroke-width': '.6', 'stroke-dasharray': '3 2' },
  disk: { fill: 'var(--tint)', stroke: 'var(--line)', 'stroke-width': '.7' },
  turning: { fill: 'none', stroke: 'var(--ink)', 'stroke-width': '.9' },
  rail: { fill: 'none', stroke: 'var(--ink)', 'stroke-width': '1' },
  zone: { fill: 'var(--leave)', stroke: 'none' },
  carriage: { fill: 'var(--line)', stroke: 'var(--ink)', 'stroke-width': '.8' },
  board: { fill: 'var(--band-wide)', stroke: 'var(--ink)', 'stroke-width': '.7' },
  plug: { fill: 'var(--ink)', stroke: 'none' },
  sensor: { fill: 'var(--nudge-tint)', stroke: 'var(--nudge)', 'stroke-width': '1' },
  special: { fill: 'var(--mend-tint)', stroke: 'var(--mend)', 'stroke-width': '1.1' },
}
/** From above, the front at the foot of the drawing. */
const y = (mm: number) => plan.value.depthMm - mm

/** The two straight runs of an open belt, tangent to both pulleys. */
function tangents({ a, b }: Extract<Shape, { kind: 'belt' }>): string {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const along = Math.atan2(dy, dx)
  const lean = Math.acos((a.r - b.r) / Math.hypot(dx, dy))
  return [along + lean, along - lean]
    .map(t => {
      const [c, s] = [Math.cos(t), Math.sin(t)]
      return `M${a.x + a.r * c} ${y(a.y + a.r * s)}L${b.x + b.r * c} ${y(b.y + b.r * s)}`
    })
    .join('')
}
function middle(s: Shape): { x: number; y: number } {
  if (s.kind === 'rect') return { x: s.x + s.w / 2, y: s.y + s.h / 2 }
  if (s.kind === 'circle') return { x: s.x, y: s.y }
  if (s.kind === 'line') return { x: s.x1 + (s.x2 - s.x1) * 0.93, y: s.y1 + (s.y2 - s.y1) * 0.93 }
  return { x: s.a.x + (s.b.x - s.a.x) * 0.3, y: s.a.y + (s.b.y - s.a.y) * 0.3 }
}
const unit = computed(() => plan.value.widthMm / 146)
/** Numbers stand on their part, moved apart downwards where two would meet. */
const numbers = computed(() => {
  const placed: { n: number; x: number; y: number }[] = []
  const gap = 10.5 * unit.value
  for (const p of named.value) {
    const at = middle(p.shape)
    if (p.look === 'shell' && p.shape.kind === 'rect')
      Object.assign(at, { x: p.shape.x + 9 * unit.value, y: p.shape.y + p.shape.h - 9 * unit.value })
    if (p.look === 'turning' && p.label.startsWith('Spindle') && p.shape.kind === 'circle')
      Object.assign(at, { x: p.shape.x - p.shape.r * 0.72, y: p.shape.y - p.shape.r * 0.3 })
    while (placed.some(q => Math.hypot(q.x - at.x, q.y - at.y) < gap)) at.y += gap / 3
    placed.push({ n: p.n, ...at })
  }
  return placed
})
</script>

<template>
  <figure class="grid sm:grid-cols-[minmax(12rem,17rem)_1fr] gap-x-6 gap-y-3 items-start">
    <svg
      :viewBox="`${-PAD} ${-PAD} ${plan.widthMm + 2 * PAD} ${plan.depthMm + 2 * PAD + 12 * unit}`"
      class="w-full max-h-96"
      role="img"
      :aria-label="`${label} from above, to scale: ${named.map(p => p.label).join('; ')}`"
    >
      <template v-for="p in plan.parts" :key="`${p.look}${p.n}${p.label}`">
        <rect
          v-if="p.shape.kind === 'rect'"
          :x="p.shape.x"
          :y="y(p.shape.y + p.shape.h)"
          :width="p.shape.w"
          :height="p.shape.h"
          :rx="p.look === 'frame' ? 3 : 1"
          v-bind="LOOK[p.look]"
        />
        <circle
          v-else-if="p.shape.kind === 'circle'"
          :cx="p.shape.x"
          :cy="y(p.shape.y)"
          :r="p.shape.r"
          v-bind="LOOK[p.look]"
        />
        <line
          v-else-if="p.shape.kind === 'line'"
          :x1="p.shape.x1"
          :y1="y(p.shape.y1)"
          :x2="p.shape.x2"
          :y2="y(p.shape.y2)"
          v-bind="LOOK[p.look]"
          stroke-linecap="round"
          :stroke-width="p.look === 'special' ? 2.2 : 1.2"
        />
        <g v-else v-bind="LOOK[p.look]">
          <path :d="tangents(p.shape)" stroke-width="1.6" />
          <circle :cx="p.shape.a.x" :cy="y(p.shape.a.y)" :r="p.shape.a.r" fill="var(--ink)" />
        </g>
      </template>
      <g v-for="m in numbers" :key="m.n" :transform="`translate(${m.x} ${y(m.y)}) scale(${unit})`">
        <circle r="4.6" fill="var(--panel)" stroke="var(--ink)" stroke-width=".8" />
        <text text-anchor="middle" y="2.1" font-size="6" font-weight="700" fill="var(--ink)">{{ m.n }}</text>
      </g>
      <g :transform="`translate(0 ${plan.depthMm + 5 * unit})`" stroke="var(--ink)" stroke-width=".8">
        <path d="M0 -1.5v3M0 0h50M50 -1.5v3" fill="none" />
        <text :x="53" :y="2 * unit" stroke="none" :font-size="6.4 * unit" fill="var(--muted)">
          50 mm, front at the foot
        </text>
      </g>
    </svg>
    <figcaption class="text-sm">
      <ol class="space-y-1">
        <li v-for="p in named" :key="p.n" class="flex gap-2">
          <span class="font-bold w-5 text-right shrink-0">{{ p.n }}</span><span>{{ p.label }}</span>
        </li>
      </ol>
      <p class="hint text-xs mt-2">
        Drawn to scale; where parts lie is {{ describeSource(plan.source) }} and differs between makers.
      </p>
    </figcaption>
  </figure>
</template>
