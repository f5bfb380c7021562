<script setup lang="ts">
import { Chart, Decimation, LinearScale, LineElement, PointElement, type ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import { frameRate, type Frames } from '@wobrin/core/instruments/film'

Chart.register(Decimation, LinearScale, LineElement, PointElement)

/** How bright the place was in the last seconds. */
const { frames } = defineProps<{ frames: Frames }>()
const SHOWN_S = 3
const { palette, font } = useChartLook()
const rate = computed(() => frameRate(frames))
const points = computed(() => {
  const last = frames.timesS.at(-1)!
  const from = frames.timesS.findIndex(t => t >= last - SHOWN_S)
  return Array.from(frames.timesS.subarray(from), (t, i) => ({ x: t - last, y: frames.place[from + i]! }))
})
const data = computed(() => ({
  datasets: [{ data: points.value, borderColor: palette.value.ink, borderWidth: 1.3, pointRadius: 0, tension: 0 }],
}))
const options = computed<ChartOptions<'line'>>(() => {
  const { muted, line } = palette.value
  const ticks = { color: muted, font: font.value }
  return {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    normalized: true,
    plugins: { tooltip: { enabled: false }, legend: { display: false } },
    scales: {
      x: {
        type: 'linear',
        min: -SHOWN_S,
        max: 0,
        grid: { display: false },
        border: { display: false },
        ticks: { ...ticks, stepSize: 1, callback: v => (Number(v) === 0 ? 'now' : `${signed(Number(v), 0)} s`) },
      },
      y: { min: 0, max: 255, grid: { color: line }, border: { display: false }, ticks: { ...ticks, stepSize: 85 } },
    },
  }
})
</script>

<template>
  <figure>
    <figcaption class="flex flex-wrap justify-between gap-x-4 mb-1 text-sm">
      <strong>Brightness of the place</strong
      ><span class="hint text-xs"
        >0 to 255 · {{ frames.timesS.length }} frames, {{ rate.perSecond.toFixed(1) }} a second</span
      >
    </figcaption>
    <div class="h-24">
      <Line :data="data" :options="options" aria-label="Brightness of the place over time" role="img" />
    </div>
  </figure>
</template>
