<script setup lang="ts">
import {
  CategoryScale,
  Chart,
  Decimation,
  Filler,
  LinearScale,
  LineElement,
  PointElement,
  type ChartOptions,
} from 'chart.js'
import { Line } from 'vue-chartjs'
import type { ScopeReading } from '@wobrin/core/instruments/alignment'

Chart.register(CategoryScale, Decimation, Filler, LinearScale, LineElement, PointElement)

/** The envelope, and the humps that were found in it. */
const { reading } = defineProps<{ reading: ScopeReading }>()
const { palette, font } = useChartLook()

const points = computed(() =>
  Array.from(reading.envelope.values, (y, i) => ({ x: i * reading.envelope.stepS * 1000, y })),
)
const found = computed(() =>
  reading.humps.flatMap(h => [
    { x: h.fromS * 1000, y: Number.NaN },
    { x: h.fromS * 1000, y: h.amplitude },
    { x: h.toS * 1000, y: h.amplitude },
    { x: h.toS * 1000, y: Number.NaN },
  ]),
)
const data = computed(() => ({
  datasets: [
    {
      data: found.value,
      borderColor: palette.value.leave,
      borderWidth: 4,
      pointRadius: 0,
      tension: 0,
      spanGaps: false,
    },
    {
      data: points.value,
      borderColor: palette.value.ink,
      borderWidth: 1.2,
      pointRadius: 0,
      tension: 0,
      fill: 'origin',
      backgroundColor: palette.value.band,
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => {
  const { muted, line } = palette.value
  return {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    normalized: true,
    plugins: { decimation: { enabled: false } },
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: points.value.at(-1)?.x,
        grid: { display: false },
        border: { display: false },
        ticks: { color: muted, font: font.value, maxTicksLimit: 9, callback: v => `${Math.round(Number(v))} ms` },
      },
      y: {
        min: 0,
        grid: { color: line },
        border: { display: false },
        ticks: { color: muted, font: font.value, count: 4, callback: v => Number(Number(v).toPrecision(2)).toString() },
      },
    },
  }
})
</script>

<template>
  <figure>
    <figcaption class="flex justify-between gap-4 mb-1 text-sm">
      <strong>Envelope</strong
      ><span class="hint text-xs">height as the scope has it, over time; the bars are what was found</span>
    </figcaption>
    <div class="h-44">
      <Line :data="data" :options="options" :aria-label="`Envelope with ${reading.humps.length} lobes`" role="img" />
    </div>
  </figure>
</template>
