<script setup lang="ts">
import type { HostFit } from '@wobrin/core/bench/host-fit'

/** Straps as they stand on the board: pins in a row, the cap where it should sit, its old place in outline. */
defineProps<{ sets: HostFit['sets'] }>()
const WIDE = 92
</script>

<template>
  <ul class="divide-y divide-line">
    <li v-for="s in sets" :key="s.choice.id" class="py-2 flex items-center gap-4 flex-wrap">
      <div class="w-44 min-w-0">
        <p class="font-bold text-sm leading-tight">{{ s.choice.label }}</p>
        <p class="hint text-xs">{{ s.moved ? `${s.choice.kind}: from “${s.from}”` : `${s.choice.kind}: as it is` }}</p>
      </div>
      <svg
        :width="s.choice.positions.length * WIDE"
        height="46"
        :viewBox="`0 0 ${s.choice.positions.length * WIDE} 46`"
        role="img"
        :aria-label="`${s.choice.label} at “${s.position}”${s.moved ? `, moved from “${s.from}”` : ''}`"
        class="max-w-full"
      >
        <g v-for="(p, i) in s.choice.positions" :key="p.id" :transform="`translate(${i * WIDE + WIDE / 2} 0)`">
          <rect v-if="p.label === s.position" x="-21" y="3" width="42" height="20" rx="4" fill="var(--ink)" />
          <rect
            v-else-if="p.label === s.from"
            x="-20"
            y="4"
            width="40"
            height="18"
            rx="4"
            fill="none"
            stroke="var(--muted)"
            stroke-dasharray="4 3"
          />
          <circle
            v-for="x in [-10, 10]"
            :key="x"
            :cx="x"
            cy="13"
            r="3.6"
            :fill="p.label === s.position ? 'var(--panel)' : 'var(--muted)'"
          />
          <text
            y="39"
            text-anchor="middle"
            font-size="12"
            :font-weight="p.label === s.position ? 700 : 400"
            :fill="p.label === s.position ? 'var(--ink)' : 'var(--muted)'"
          >
            {{ p.label.length > 13 ? `${p.label.slice(0, 12)}…` : p.label }}
          </text>
        </g>
      </svg>
      <span v-if="s.moved" class="text-sm font-bold ml-auto">{{
        s.choice.kind === 'strap' ? 'move it' : s.choice.kind === 'wire' ? 'solder it' : 'cut it'
      }}</span>
    </li>
  </ul>
</template>
