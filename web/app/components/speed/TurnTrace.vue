<script setup lang="ts">
import {
  CategoryScale,
  Chart,
  Decimation,
  Filler,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
  type ChartOptions,
} from 'chart.js'
import { Line } from 'vue-chartjs'

Chart.register(CategoryScale, Decimation, Filler, LinearScale, LineElement, PointElement, Tooltip)

const { timeS, rpm, mean } = defineProps<{ timeS: ArrayLike<number>; rpm: ArrayLike<number>; mean: number }>()
const { palette, font } = useChartLook()

const points = computed(() =>
  Array.from({ length: rpm.length }, (_, i) => ({ x: timeS[i]! - timeS[0]!, y: 100 * (rpm[i]! / mean - 1) })),
)

const reach = computed(() => {
  const worst = points.value.reduce((m, p) => Math.max(m, Math.abs(p.y)), 0)
  return [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50].find(r => worst <= r) ?? 100
})

const data = computed(() => ({
  datasets: [{ data: points.value, borderColor: palette.value.ink, borderWidth: 1.3, pointRadius: 0, tension: 0 }],
}))

const options = computed<ChartOptions<'line'>>(() => {
  const { muted, line } = palette.value
  return {
    animation: false,
    maintainAspectRatio: false,
    parsing: false,
    normalized: true,
    interaction: { mode: 'nearest', axis: 'x', intersect: false },
    plugins: {
      decimation: { enabled: true, algorithm: 'min-max' },
      tooltip: {
        displayColors: false,
        callbacks: {
          title: items => `${items[0]!.parsed.x!.toFixed(2)} s`,
          label: item => `${signed(item.parsed.y!, 2)} %  (${(mean * (1 + item.parsed.y! / 100)).toFixed(1)} r/min)`,
        },
      },
    },
    scales: {
      x: {
        type: 'linear',
        min: 0,
        max: points.value.at(-1)?.x,
        grid: { display: false },
        border: { display: false },
        ticks: {
          color: muted,
          font: font.value,
          maxTicksLimit: 6,
          maxRotation: 0,
          callback: v => `${Number(Number(v).toFixed(1))} s`,
        },
      },
      y: {
        min: -reach.value,
        max: reach.value,
        grid: { color: line },
        border: { display: false },
        ticks: { color: muted, font: font.value, count: 3, callback: v => signed(Number(v), reach.value < 1 ? 1 : 0) },
      },
    },
  }
})
</script>

<template>
  <figure>
    <figcaption class="flex justify-between gap-4 mb-1 text-sm">
      <strong>Revolution by revolution</strong><span class="hint text-xs">deviation from the mean, %</span>
    </figcaption>
    <div class="h-32"><Line :data="data" :options="options" aria-label="Speed deviation over time" role="img" /></div>
  </figure>
</template>
