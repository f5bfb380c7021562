<script setup lang="ts">
import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip, type ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import type { SpeedByCylinder } from '@wobrin/core/instruments/interface'

Chart.register(CategoryScale, LinearScale, LineElement, PointElement, Tooltip)

/** Speed against cylinder: as it was, and as each zone should be where the speed goes by zone. */
const { speeds } = defineProps<{ speeds: SpeedByCylinder }>()
const { palette, font } = useChartLook()

const data = computed(() => ({
  datasets: [
    {
      label: 'measured',
      data: speeds.rows.map(r => ({ x: r.cylinder, y: r.rpm })),
      borderColor: palette.value.ink,
      backgroundColor: palette.value.ink,
      showLine: false,
      pointRadius: 4,
    },
    ...(speeds.zoned
      ? [
          {
            label: 'of the zone',
            data: speeds.rows.map(r => ({ x: r.cylinder, y: r.zoneRpm })),
            borderColor: palette.value.leave,
            borderDash: [5, 4],
            borderWidth: 1.5,
            pointRadius: 0,
            stepped: true as const,
          },
        ]
      : []),
  ],
}))
const options = computed<ChartOptions<'line'>>(() => {
  const { muted, line } = palette.value
  const ticks = { color: muted, font: font.value }
  return {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    plugins: {
      tooltip: {
        displayColors: false,
        callbacks: {
          title: items => `cylinder ${items[0]!.parsed.x}`,
          label: item => `${item.parsed.y!.toFixed(1)} r/min, ${item.dataset.label}`,
        },
      },
    },
    scales: {
      x: {
        type: 'linear',
        grid: { display: false },
        border: { display: false },
        ticks: { ...ticks, maxTicksLimit: 9 },
      },
      y: { grid: { color: line }, border: { display: false }, ticks: { ...ticks, maxTicksLimit: 6, precision: 0 } },
    },
  }
})
</script>

<template>
  <section aria-label="Speed against cylinder">
    <CallBand :call="speeds.call" class="mb-4" />
    <div class="flex justify-between gap-4 mb-1 text-sm">
      <h2 class="section-title">Speed against cylinder</h2>
      <span class="hint text-xs"
        >r/min; cylinders along{{ speeds.zoned ? '; dashed: what the zone should be' : '' }}</span
      >
    </div>
    <div class="h-44"><Line :data="data" :options="options" aria-label="Speed against cylinder" role="img" /></div>
    <p v-if="speeds.rows.some(r => r.by === 'data')" class="hint mt-1">
      Where no index was seen, the rate of the data tells: as written at the zone’s own speed.
    </p>
  </section>
</template>
