<script setup lang="ts">
import {
  describeSource,
  fluxPerRadian,
  innermostFluxPerInch,
  speedBands,
  type Mechanism,
  type Sourced,
} from '@wobrin/core/drives'

const { mechanism: m } = defineProps<{ mechanism: Mechanism }>()

const TRIMMER = { usual: 'usually there', some: 'on some', rare: 'rarely', none: 'none' } as const

interface Row {
  readonly what: string
  readonly value: string
  readonly source: string
}

function band(nominal: number, which: 'narrow' | 'wide', half: Sourced | null): Row[] {
  const b = speedBands(m, nominal)[which]
  if (!b || !half) return []
  const label = which === 'narrow' ? 'Aim inside' : 'Leave alone inside'
  return [
    {
      what: m.speed.nominal.length > 1 ? `${label}, at ${nominal}` : label,
      value: `${b.low.toFixed(1)} to ${b.high.toFixed(1)} r/min (± ${half.value} ${half.unit})`,
      source: describeSource(half.source),
    },
  ]
}

const speed = computed<Row[]>(() => [
  ...m.speed.nominal.map(n => ({ what: 'Nominal speed', value: `${n.value} r/min`, source: describeSource(n.source) })),
  ...m.speed.nominal.flatMap(n => [...band(n.value, 'narrow', m.speed.narrow), ...band(n.value, 'wide', m.speed.wide)]),
  {
    what: 'Variation, zero to peak',
    value: `at most ${m.speed.variation.value} %`,
    source: describeSource(m.speed.variation.source),
  },
  { what: 'Speed trimmer', value: TRIMMER[m.speed.trimmer.value], source: describeSource(m.speed.trimmer.source) },
])
const geometry = computed<Row[]>(() => {
  const g = m.geometry
  const mm = (what: string, s: Sourced | null) =>
    s ? [{ what, value: `${s.value.toFixed(4)} mm`, source: describeSource(s.source) }] : []
  return [
    { what: 'Cylinders', value: String(g.cylinders.value), source: describeSource(g.cylinders.source) },
    { what: 'Heads', value: g.heads.value, source: describeSource(g.heads.source) },
    ...mm('Track pitch', g.pitchMm),
    ...mm('Track 0, lower head, radius', g.track0LowerMm),
    ...mm('Track 0, upper head, radius', g.track0UpperMm),
  ]
})
const formats = computed(() =>
  m.formats.map(f => {
    const inner = innermostFluxPerInch(m, f)
    return {
      ...f,
      perRadian: fluxPerRadian(f.fluxPerSecond.value, f.rpm),
      inner,
      source: f.fluxPerRadian
        ? `${describeSource(f.fluxPerRadian.source)}: ${f.fluxPerRadian.value}`
        : describeSource(f.fluxPerSecond.source),
    }
  }),
)
</script>

<template>
  <section class="panel p-6" :aria-labelledby="`h-${m.id}`">
    <h2 :id="`h-${m.id}`" class="text-xl font-bold">{{ m.label }}</h2>
    <p class="text-muted mt-1 mb-4 max-w-prose">{{ m.special }}</p>
    <HandbookAnatomy class="mb-6" :mechanism="m.id" :label="m.label" />
    <div class="overflow-x-auto">
      <table class="w-full text-sm">
        <thead class="text-left text-muted border-b border-line">
          <tr>
            <th class="font-normal py-1.5 pr-4 w-[32%]">What</th>
            <th class="font-normal pr-4 w-[34%]">Value</th>
            <th class="font-normal">Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in [...speed, ...geometry]" :key="row.what + row.value" class="border-b border-line">
            <td class="py-1.5 pr-4">{{ row.what }}</td>
            <td class="pr-4">{{ row.value }}</td>
            <td class="text-muted">{{ row.source }}</td>
          </tr>
          <tr v-for="f in formats" :key="f.label" class="border-b border-line align-top">
            <td class="py-1.5 pr-4">{{ f.label }}</td>
            <td class="pr-4 py-1.5">
              {{ Math.round(f.perRadian).toLocaleString('en').replace(',', ' ') }} flux transitions per radian<span
                v-if="f.inner"
                class="block hint"
                >{{ Math.round(f.inner).toLocaleString('en').replace(',', ' ') }} per inch on the innermost track</span
              >
            </td>
            <td class="text-muted py-1.5">{{ f.source }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="mt-4"><strong>Trimmer.</strong> {{ m.speed.trimmerNote }}</p>
    <p class="mt-1"><strong>Pulses.</strong> {{ m.pickup }}</p>
  </section>
</template>
