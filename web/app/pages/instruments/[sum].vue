<script setup lang="ts">
import { ASKED_FOR, calculatorGroups, CALCULATORS } from '@wobrin/core/calculators/registry'

const route = useRoute('instruments-sum')
const sum = CALCULATORS.find(s => s.id === route.params.sum)
if (!sum) throw createError({ status: 404, statusText: 'There is no such instrument.', fatal: true })
useHead({ title: `${sum.title} · Wobrin` })

const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 text-sm space-y-3 order-2 lg:order-none">
      <h1 class="text-xl font-bold">{{ sum!.title }}</h1>
      <p>Type as you would say it: 1/4 in, 4k7, 10u, 20 AWG. It is judged as you type.</p>
      <h2 class="font-bold border-t border-line pt-3">The arithmetic</h2>
      <ul class="space-y-1.5">
        <li v-for="f in sum!.formulas" :key="f">{{ f }}</li>
      </ul>
      <nav class="border-t border-line pt-3" aria-label="Other instruments">
        <template v-for="g in calculatorGroups(sum!.station)" :key="g.group"
          ><p v-if="calculatorGroups(sum!.station).length > 1" class="section-title mt-2 first:mt-0">{{ g.group }}</p>
          <ul>
            <li v-for="s in g.sums" :key="s.id">
              <NuxtLink
                :to="`/instruments/${s.id}`"
                class="block py-1 hover:underline underline-offset-2"
                :class="s === sum && 'font-bold'"
                >{{ s.title }}</NuxtLink
              >
            </li>
          </ul></template
        >
      </nav>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0">
      <SumInstrument
        :instrument="sum!.id"
        :example="ASKED_FOR[sum!.id]?.example"
        @keep="
          keep => {
            keepTo = keep
          }
        "
        ><template #default="{ typed }"
          ><template v-if="sum!.id === 'belt'"><SumBeltDrawing :typed="typed" /><BeltAtHand :typed="typed" /></template
          ><AlignFlag v-if="sum!.id === 'flag' || sum!.id === 'tab'" :instrument="sum!.id" :typed="typed" /></template
      ></SumInstrument>
    </div>
    <FileToDrive
      :keep="keepTo"
      @close="keepTo = null"
      @kept="id => navigateTo(`/drives/${id}?station=${sum!.station}`)"
    />
  </div>
</template>
