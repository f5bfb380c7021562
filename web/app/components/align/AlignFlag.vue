<script setup lang="ts">
import { switchesAt, slotUncertainty, tripsSooner } from '@wobrin/core/calculators/alignment'
import { readQuantity } from '@wobrin/core/calculators/calculator'

/**
 * Flag and slot to scale: the flag at cylinder 0, the slot that it crosses, the detents along its way, and where the
 * sensor switches.
 */
const { instrument, typed } = defineProps<{ instrument: 'flag' | 'tab'; typed: Readonly<Record<string, string>> }>()

const plan = computed(() => {
  const size = (key: string) => {
    try {
      return typed[key]?.trim() ? readQuantity(typed[key], 'length', key) : undefined
    } catch {
      return undefined
    }
  }
  const pitch = size('pitch')
  if (!pitch || pitch <= 0) return null
  if (instrument === 'flag') {
    const over = size('over')
    return over === undefined || Math.abs(over) > 12 * pitch
      ? null
      : { pitch, over, slot: size('slot') ?? 0, tall: 0, should: 0 }
  }
  const [own, right] = [size('own'), size('right')]
  if (!own || !right) return null
  // A tab that trips half a cylinder inward when it is right, sooner by what it is too high.
  const slope = Number(typed.slope?.trim() || 45)
  const over = 0.5 * pitch + tripsSooner(own - right, slope)
  return Number.isFinite(over) && Math.abs(over) < 12 * pitch
    ? { pitch, over, slot: 0, tall: own, should: right }
    : null
})
const at = computed(() => (plan.value ? switchesAt(plan.value.over, plan.value.pitch) : 0))
const soft = computed(() => (plan.value?.slot ? slotUncertainty(plan.value.slot, plan.value.pitch) : 0))
/** Cylinders that are drawn: some either side of where it switches. */
const range = computed(() => ({
  from: Math.min(-2, Math.floor(at.value) - 1),
  to: Math.max(3, Math.ceil(at.value) + 1),
}))
const W = 440
const x = (cylinder: number) => 20 + ((cylinder - range.value.from) / (range.value.to - range.value.from)) * (W - 40)
/** One scale in both directions: pixels for a millimetre. */
const mm = computed(() => (plan.value ? (W - 40) / (range.value.to - range.value.from) / plan.value.pitch : 1))
const slotW = computed(() => (plan.value ? Math.max(2, plan.value.slot * mm.value) : 0))
const whole = computed(() =>
  Array.from({ length: range.value.to - range.value.from + 1 }, (_, i) => range.value.from + i),
)
/**
 * Heights of tab and of the right one, drawn in the same scale where they differ visibly, else as much larger as is
 * said.
 */
const rise = computed(() => {
  if (!plan.value?.tall) return { own: 46, right: 46 }
  const more = Math.max(-22, Math.min(22, (plan.value.tall - plan.value.should) * mm.value))
  return { own: 46 + more, right: 46 }
})
</script>

<template>
  <figure v-if="plan" class="mb-4" data-testid="flag">
    <svg
      :viewBox="`0 0 ${W} 150`"
      class="w-full max-w-xl text-xs"
      role="img"
      :aria-label="`The sensor switches ${at.toFixed(2)} cylinders inward of cylinder 0`"
    >
      <text x="20" y="12" fill="var(--muted)" font-size="11">outer edge</text>
      <text :x="W - 20" y="12" text-anchor="end" fill="var(--muted)" font-size="11">hub</text>
      <rect :x="x(at) - slotW / 2" y="22" :width="slotW" height="64" fill="var(--band-narrow)" />
      <rect
        v-if="soft"
        :x="x(at - soft)"
        y="18"
        :width="x(at + soft) - x(at - soft)"
        height="72"
        fill="var(--band-wide)"
        opacity="0.8"
      />
      <path
        :d="`M20 ${88 - rise.own}H${x(0) - (instrument === 'tab' ? rise.own : 0)}L${x(0)} 88H20z`"
        fill="var(--tint)"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <path
        v-if="instrument === 'tab' && rise.own !== rise.right"
        :d="`M20 ${88 - rise.right}H${x(0) - rise.right}L${x(0)} 88`"
        fill="none"
        stroke="var(--ink)"
        stroke-dasharray="3 3"
      />
      <text x="26" :y="82" fill="var(--ink)" font-size="11">flag, carriage at cylinder 0</text>
      <path :d="`M${x(at)} 18V98`" stroke="var(--leave)" stroke-width="2.5" />
      <text
        :x="Math.min(W - 60, Math.max(60, x(at)))"
        y="12"
        text-anchor="middle"
        font-weight="700"
        fill="var(--ink)"
        font-size="12"
      >
        switches at {{ at.toFixed(2) }}
      </text>
      <line :x1="20" :x2="W - 20" y1="108" y2="108" stroke="var(--ink)" stroke-width="1.5" />
      <g v-for="c in whole" :key="c">
        <path :d="`M${x(c) - 6} 102l6 6l6 -6`" fill="none" stroke="var(--ink)" stroke-width="1.5" />
        <text
          :x="x(c)"
          y="126"
          text-anchor="middle"
          :fill="c === 0 ? 'var(--ink)' : 'var(--muted)'"
          :font-weight="c === 0 ? 700 : 400"
          font-size="12"
        >
          {{ c < 0 ? '−' : '' }}{{ Math.abs(c) }}
        </text>
      </g>
      <rect :x="x(0.25)" y="105" :width="x(0.75) - x(0.25)" height="6" fill="var(--leave)" />
      <text x="20" y="146" fill="var(--muted)" font-size="11">detents by cylinder · bar: where it should switch</text>
      <g stroke="var(--muted)">
        <path :d="`M${W - 20 - mm * (plan.pitch > 0.3 ? 0.5 : 0.2)} 140H${W - 20}`" stroke-width="2" />
        <text :x="W - 20" y="135" text-anchor="end" stroke="none" fill="var(--muted)" font-size="11">
          {{ plan.pitch > 0.3 ? 0.5 : 0.2 }} mm
        </text>
      </g>
    </svg>
  </figure>
</template>
