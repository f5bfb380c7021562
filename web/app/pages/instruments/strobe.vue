<script setup lang="ts">
import { FileDown } from 'lucide-vue-next'
import { strobeBars, strobeDiscSvg } from '@wobrin/core/instruments/spindle'

useHead({ title: 'Strobe companion · Wobrin' })

const workshop = useWorkshop()
const rpm = ref(300)
const mainsHz = ref(workshop.settings.mainsHz)
const both = ref(false)
const diameter = ref(100)
const hole = ref(28)

const { post } = useLogPost()
const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
/** The speed that the strobe shows, kept as a reading by hand. */
function file({ value, by, uncertainty }: { value: number; by: string; uncertainty: number | null }): void {
  const reading = { key: 'speed.mean', value: Number(value.toFixed(2)), source: 'hand', by, uncertainty }
  keepTo.value = async id => {
    await post(id, 'readings', reading)
  }
}

const bars = computed(() => (rpm.value > 0 && mainsHz.value > 0 ? strobeBars(rpm.value, mainsHz.value) : null))
const rings = computed(() => (both.value ? [50, 60] : [mainsHz.value]).map(hz => ({ rpm: rpm.value, mainsHz: hz })))
const disc = computed<{ svg: string } | { problem: string }>(() => {
  try {
    return { svg: strobeDiscSvg({ diameterMm: diameter.value, holeMm: hole.value, rings: rings.value }) }
  } catch (error) {
    return { problem: (error as Error).message }
  }
})
const query = computed(
  () =>
    `rings=${rings.value.map(r => `${r.rpm}@${r.mainsHz}`).join(',')}&diameter=${diameter.value}&hole=${hole.value}`,
)
const image = computed(() =>
  'svg' in disc.value ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(disc.value.svg)}` : '',
)
</script>

<template>
  <div class="grid lg:grid-cols-[1fr_26rem] gap-4 items-start">
    <div class="space-y-4">
      <section class="panel p-6" aria-labelledby="bars">
        <h1 id="bars" class="text-xl font-bold mb-4">Bars that stand still</h1>
        <div class="flex flex-wrap gap-4 mb-4">
          <FormField v-slot="{ id }" label="Speed, r/min" class="w-36"
            ><input :id="id" v-model.number="rpm" class="field" type="number" min="1" max="10000" step="any"
          /></FormField>
          <FormField v-slot="{ id }" label="Mains" class="w-32"
            ><select :id="id" v-model.number="mainsHz" class="field">
              <option :value="50">50 Hz</option>
              <option :value="60">60 Hz</option>
            </select></FormField
          >
        </div>
        <div v-if="bars" data-testid="bars">
          <p class="flex items-baseline gap-3">
            <span class="text-[44px] leading-none font-bold">{{ bars.bars }}</span><span class="text-lg text-muted"
              >bars</span
            >
          </p>
          <p v-if="bars.fits" class="mt-2">
            They stand still at {{ rpm }} r/min under a lamp that flickers with {{ mainsHz }} Hz mains.
          </p>
          <p v-else class="mt-2">
            No whole number fits. These stand still at <strong>{{ bars.stillRpm.toFixed(2) }} r/min</strong>,
            {{ signed(bars.errorPercent, 2) }} % off: judge by the creep, not by standing still.
          </p>
        </div>
        <button
          v-if="bars"
          class="btn mt-3"
          @click="file({ value: bars.stillRpm, by: 'a strobe that stands still', uncertainty: null })"
        >
          Save “stands still” to a drive…
        </button>
        <p class="hint mt-3">
          A lamp lights twice a cycle. Filament and neon lamps flicker enough; many LED lamps do not at all.
        </p>
      </section>
      <StrobeCreep
        v-if="bars"
        :bars="bars.bars"
        :mains-hz="mainsHz"
        :target="rpm"
        @keep="(value, uncertainty) => file({ value, by: 'a creeping strobe', uncertainty })"
      />
    </div>
    <section class="panel p-6" aria-labelledby="disc">
      <h2 id="disc" class="text-xl font-bold mb-4">A disc to print</h2>
      <div class="grid grid-cols-2 gap-4 mb-4">
        <FormField v-slot="{ id }" label="Diameter, mm"
          ><input :id="id" v-model.number="diameter" class="field" type="number" min="20" max="280"
        /></FormField>
        <FormField v-slot="{ id }" label="Hole, mm"
          ><input :id="id" v-model.number="hole" class="field" type="number" min="0" max="200"
        /></FormField>
        <label class="col-span-2 flex items-center gap-2 min-h-11 text-sm"
          ><input v-model="both" type="checkbox" class="size-5" /> A ring each for 50 and 60 Hz</label
        >
      </div>
      <img
        v-if="image"
        :src="image"
        alt="The strobe disc as it will be printed"
        class="w-full bg-white rounded-box border border-line"
      />
      <p v-else class="text-sm text-stop" role="alert">{{ 'problem' in disc ? disc.problem : '' }}</p>
      <div v-if="image" class="flex gap-3 mt-4">
        <a class="btn btn-primary" :href="`/api/strobe-disc?${query}&format=pdf`" target="_blank"
          ><FileDown class="size-4" />PDF to print</a
        >
        <a class="btn" :href="`/api/strobe-disc?${query}`" download="strobe-disc.svg">SVG</a>
      </div>
    </section>
    <FileToDrive :keep="keepTo" @close="keepTo = null" @kept="id => navigateTo(`/drives/${id}?station=speed`)" />
  </div>
</template>
