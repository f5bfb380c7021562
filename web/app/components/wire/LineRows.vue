<script setup lang="ts">
import { LINE_NAMES, LINES, type LineName } from '@wobrin/core/instruments/interface'
import type { EdgeList } from '@wobrin/core/signals/captures'

export interface LineRow {
  readonly low: boolean
  readonly why: string
  readonly means: boolean
}

/** Each line with its level, its last seconds and why it stands there. */
const {
  rows,
  edges,
  fromS,
  toS,
  names = LINE_NAMES,
} = defineProps<{
  rows: Readonly<Partial<Record<LineName, LineRow>>>
  edges: Readonly<Record<string, EdgeList | undefined>>
  /** Stretch that the traces show, in the edges' own time. */
  fromS: number
  toS: number
  names?: readonly LineName[]
}>()

const box = useTemplateRef<HTMLElement>('box')
const width = useBoxWidth(box)
/** Width of a trace, px; the rows themselves are laid out by the style sheet alone, so that none moves. */
const W = computed(() => (width.value > 520 ? Math.min(300, width.value * 0.3) : Math.max(40, width.value - 205)))

/** Short pulses would vanish: each change is drawn at least so wide, px. */
function traceOf(line: LineName): string {
  const e = edges[line]
  if (!e) return ''
  const scale = W.value / Math.max(1e-9, toS - fromS)
  let level = e.initial
  let d = ''
  let last = 0
  const yOf = (l: number) => (l ? 3 : 15)
  for (const t of e.times) {
    if (t > toS) break
    const next = level ? 0 : 1
    if (t >= fromS && t <= toS) {
      const x = Math.max(last + (next === 1 ? 1 : 0), (t - fromS) * scale)
      d += d ? `H${x.toFixed(1)}V${yOf(next)}` : `M0 ${yOf(level)}H${x.toFixed(1)}V${yOf(next)}`
      last = x
    }
    level = next as 0 | 1
  }
  return d ? `${d}H${W.value}` : `M0 ${yOf(level)}H${W.value}`
}
</script>

<template>
  <div ref="box" class="@container">
    <ul class="text-sm">
      <li
        v-for="line in names.filter(l => rows[l])"
        :key="line"
        class="grid items-center gap-x-3 border-t border-line first:border-0 py-1.5 grid-cols-[7.5rem_3.2rem_1fr] @min-[521px]:grid-cols-[7.5rem_3.2rem_min(300px,30cqw)_1fr]"
        :data-testid="`line-${line}`"
      >
        <span class="font-bold">{{ LINES[line].label }}</span>
        <span class="inline-flex items-center gap-1.5" :class="rows[line]!.means ? '' : 'text-muted'"
          ><svg width="12" height="12" aria-hidden="true">
            <circle
              cx="6"
              cy="6"
              r="4.6"
              :fill="rows[line]!.low ? 'currentColor' : 'none'"
              stroke="currentColor"
              stroke-width="1.5"
            /></svg
          >{{ rows[line]!.low ? 'low' : 'high' }}</span
        >
        <svg :width="W" height="18" aria-hidden="true" :class="{ 'opacity-45': !rows[line]!.means }">
          <path :d="traceOf(line)" fill="none" stroke="var(--ink)" stroke-width="1.3" />
        </svg>
        <span class="leading-snug col-span-3 @min-[521px]:col-span-1" :class="rows[line]!.means ? '' : 'text-muted'">{{
          rows[line]!.why
        }}</span>
      </li>
    </ul>
  </div>
</template>
