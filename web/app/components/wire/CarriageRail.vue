<script setup lang="ts">
import { findMechanism, trackRadiusMm, type MechanismId } from '@wobrin/core/drives'

/** The carriage on its rail, to scale from the outer edge to the hub, with the flag and slot of track zero. */
const {
  mechanism,
  cylinder,
  heads = null,
  zeroLow,
  zeroMeans,
  selectedHead = 0,
  twoHeads = true,
  spin = 0,
  diskIn = true,
} = defineProps<{
  mechanism: MechanismId
  /** Where the carriage is, cylinders inward of cylinder 0; null where nobody knows. */
  cylinder: number | null
  /** Where the gaps are. */
  heads?: readonly [number, number] | null
  zeroLow: boolean
  zeroMeans: boolean
  selectedHead?: 0 | 1
  twoHeads?: boolean
  spin?: number
  diskIn?: boolean
}>()

const box = useTemplateRef<HTMLElement>('box')
const width = useBoxWidth(box)
const LEFT = 96
const RIGHT = 92
const geometry = computed(() => findMechanism(mechanism).geometry)
const last = computed(() => geometry.value.cylinders.value - 1)
const x = (c: number) => LEFT + ((c + 1) / (last.value + 2)) * (width.value - LEFT - RIGHT)
const radius = (c: number) =>
  geometry.value.track0LowerMm && geometry.value.pitchMm
    ? trackRadiusMm(geometry.value.track0LowerMm.value, geometry.value.pitchMm.value, c).toFixed(1)
    : null
const ticks = computed(() =>
  Array.from({ length: last.value + 1 }, (_, i) => i).filter(
    i => (i % 10 === 0 && last.value - i > 3) || i === last.value,
  ),
)
</script>

<template>
  <div ref="box" class="min-h-[122px]">
    <svg
      v-if="width"
      :width="width"
      height="122"
      class="block text-xs"
      role="img"
      :aria-label="cylinder === null ? 'Carriage: cylinder not known' : `Carriage at cylinder ${Math.round(cylinder)}`"
    >
      <rect
        v-if="diskIn"
        :x="x(-0.7)"
        y="49"
        :width="width - RIGHT - x(-0.7) + 26"
        height="5"
        fill="var(--band-narrow)"
      />
      <rect :x="x(-1)" y="70" :width="x(last + 1) - x(-1)" height="10" rx="3" fill="var(--tint)" stroke="var(--line)" />
      <g v-for="t in ticks" :key="t">
        <line :x1="x(t)" :x2="x(t)" y1="80" y2="86" stroke="var(--muted)" />
        <text :x="x(t)" y="98" text-anchor="middle" fill="var(--muted)">{{ t }}</text>
      </g>
      <text x="0" y="99" fill="var(--muted)">cylinder</text>
      <text v-if="radius(0) && width > 460" :x="x(-1)" y="115" fill="var(--muted)">outer edge, {{ radius(0) }} mm</text>
      <text v-if="radius(last) && width > 460" :x="x(last + 1)" y="115" text-anchor="end" fill="var(--muted)">
        {{ radius(last) }} mm, hub
      </text>
      <!-- Track zero: a slot with a lamp and a detector, which the carriage's flag comes between. -->
      <g :opacity="zeroMeans ? 1 : 0.45">
        <rect :x="LEFT - 30" y="60" width="20" height="30" rx="2" fill="none" stroke="var(--ink)" stroke-width="1.5" />
        <rect :x="LEFT - 23" y="58" width="6" height="26" fill="var(--panel)" />
        <text x="0" y="58" fill="var(--ink)" font-weight="700">Track zero</text>
        <text x="0" y="73" fill="var(--muted)">{{ zeroMeans ? (zeroLow ? 'low' : 'high') : 'not valid' }}</text>
      </g>
      <g :transform="`translate(${width - RIGHT + 26} 51)`" fill="none" stroke="var(--ink)">
        <circle r="15" :fill="diskIn ? 'var(--band-narrow)' : 'var(--tint)'" stroke-width="1.5" />
        <circle r="4" fill="var(--ink)" />
      </g>
      <text :x="width" y="20" text-anchor="end" fill="var(--muted)">
        {{ diskIn ? (spin > 0.97 ? 'turning' : spin > 0.03 ? 'starting' : 'standing') : 'no disk' }}
      </text>
      <g v-if="cylinder !== null">
        <path
          :d="`M${x(cylinder) - 16} 78H${LEFT - 20 + (x(cylinder) - x(0))}`"
          stroke="var(--ink)"
          stroke-width="3"
          opacity="0.75"
        />
        <rect :x="x(cylinder) - 16" y="66" width="32" height="18" rx="4" fill="var(--ink)" />
        <path
          v-if="twoHeads"
          :d="`M${x(cylinder)} 66V30H${x(heads?.[1] ?? cylinder)}V48`"
          fill="none"
          :stroke="selectedHead === 1 ? 'var(--leave)' : 'var(--muted)'"
          :stroke-width="selectedHead === 1 ? 4 : 2.5"
        />
        <path
          :d="`M${x(cylinder)} 66V62H${x(heads?.[0] ?? cylinder)}V55`"
          fill="none"
          :stroke="selectedHead === 0 ? 'var(--leave)' : 'var(--muted)'"
          :stroke-width="selectedHead === 0 ? 4 : 2.5"
        />
        <text :x="x(cylinder)" y="20" text-anchor="middle" font-weight="700" fill="var(--ink)" font-size="14">
          {{ Math.round(cylinder) }}
        </text>
      </g>
    </svg>
  </div>
</template>
