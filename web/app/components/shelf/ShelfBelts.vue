<script setup lang="ts">
import { FileDown } from 'lucide-vue-next'
import { STRETCH } from '@wobrin/core/calculators/mechanics'
import { toCsv } from '@wobrin/core/calculators/calculator'
import type { BeltInput, KeptBelt } from '../../../shared/belts'

/** Belts at hand, and those that the drives on the bench still want. */
const belts = useBelts()
const attempt = useAttempt()
const notices = useNotices()
await belts.load()

const tagOf = (id: string) => belts.view.value.drives.find(d => d.driveId === id)?.need.drive
const gone = computed(() => belts.view.value.belts.filter(b => b.gone !== null))
const change = (b: KeptBelt, to: string | null) =>
  attempt(async () => {
    const { id, addedAt: _, ...rest } = b
    await belts.put({ ...rest, gone: to } as BeltInput, id)
    notices.done(to === null ? `${b.name} is on the shelf again.` : `${b.name} is off the shelf.`)
  })
/** The drive that a belt is meant for, where one is. */
const meantFor = (b: KeptBelt) => {
  const tag = belts.view.value.served.find(s => s.belt === b.id)?.drive
  return belts.view.value.drives.find(d => d.need.drive === tag)
}
const orders = computed(() => ({
  columns: ['Inside length, mm', 'Section, mm', 'Kind', 'Pieces', 'For'],
  rows: belts.view.value.orders.map(o => [
    o.insideMm,
    o.sectionMm,
    STRETCH[o.material].label,
    o.drives.length,
    o.drives.join(', '),
  ]),
}))
const settled = computed(() => belts.view.value.drives.filter(d => d.settled && !d.closed))
</script>

<template>
  <div class="space-y-4">
    <section class="panel p-5 sm:px-6" aria-labelledby="order">
      <div class="flex items-start justify-between gap-4">
        <div>
          <h2 id="order" class="text-lg font-bold">Belts to order</h2>
          <p class="hint">
            For open drives whose belt was worked out and that nothing at hand serves: the fewest different belts that
            do.
          </p>
        </div>
        <button
          v-if="orders.rows.length"
          class="btn"
          @click="saveText('belts-to-order.csv', toCsv(orders), 'text/csv')"
        >
          <FileDown class="size-4" />CSV
        </button>
      </div>
      <div v-if="orders.rows.length" class="relative overflow-x-auto mt-3">
        <table class="text-sm min-w-[44rem]">
          <thead>
            <tr class="text-left text-muted border-b border-line">
              <th
                v-for="(c, i) in orders.columns"
                :key="c"
                scope="col"
                class="font-normal py-1.5 pr-6"
                :class="[0, 1, 3].includes(i) && 'text-right'"
              >
                {{ c }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="o in belts.view.value.orders"
              :key="`${o.insideMm} ${o.sectionMm} ${o.material}`"
              class="border-b border-line"
            >
              <td class="py-2 pr-6 text-right font-bold">{{ o.insideMm }}</td>
              <td class="pr-6 text-right">{{ o.sectionMm }}</td>
              <td class="pr-6">{{ STRETCH[o.material].label }}</td>
              <td class="pr-6 text-right">{{ o.drives.length }}</td>
              <td class="flex gap-2 flex-wrap py-1.5">
                <NuxtLink
                  v-for="d in belts.view.value.drives.filter(x => o.drives.includes(x.need.drive))"
                  :key="d.driveId"
                  class="link"
                  :to="`/drives/${d.driveId}?station=drive-train`"
                  >{{ d.need.drive }}</NuxtLink
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-else class="mt-3">
        Nothing is to order.
        <span class="text-muted"
          >Work a belt out at a drive’s Drive train and put it on its log; it then stands here until one at hand is
          judged snug.</span
        >
      </p>
      <p v-if="settled.length" class="hint mt-3">Settled: {{ settled.map(d => tagOf(d.driveId)).join(', ') }}.</p>
    </section>
    <section class="panel p-5 sm:px-6" aria-labelledby="belts">
      <h2 id="belts" class="text-lg font-bold mb-3">Belts at hand</h2>
      <BeltForm :save="b => belts.put(b)" />
      <div class="relative overflow-x-auto mt-5">
        <table v-if="belts.here.value.length" class="w-full text-sm">
          <thead>
            <tr class="text-left text-muted border-b border-line">
              <th scope="col" class="font-normal py-1.5">Name</th>
              <th scope="col" class="font-normal text-right pr-6">Inside length</th>
              <th scope="col" class="font-normal text-right pr-6">Section</th>
              <th scope="col" class="font-normal">Kind</th>
              <th scope="col" class="font-normal">From</th>
              <th scope="col" class="font-normal">Meant for</th>
              <th><span class="sr-only">Take off</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="b in belts.here.value" :key="b.id" class="border-b border-line">
              <td class="py-1 font-bold">{{ b.name }}</td>
              <td class="text-right pr-6 whitespace-nowrap">{{ b.insideMm }} mm</td>
              <td class="text-right pr-6 whitespace-nowrap">{{ b.sectionMm }} mm</td>
              <td>{{ STRETCH[b.material].label }}</td>
              <td>{{ b.origin }}</td>
              <td>
                <NuxtLink v-if="meantFor(b)" class="link" :to="`/drives/${meantFor(b)!.driveId}?station=drive-train`">{{
                  meantFor(b)!.need.drive
                }}</NuxtLink>
              </td>
              <td class="text-right">
                <button class="link min-h-11" @click="change(b, 'used up')">Mark as used</button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="hint">
          No belt is on the shelf yet. Put the bag in the drawer down here once, and the Belt instrument ranks it for
          every drive.
        </p>
      </div>
      <details v-if="gone.length" class="mt-4 text-sm">
        <summary class="min-h-8 text-muted">Off the shelf: {{ gone.length }}</summary>
        <ul>
          <li v-for="b in gone" :key="b.id" class="flex items-center gap-3">
            <span>{{ b.name }}, {{ b.insideMm }} mm: {{ b.gone }}</span
            ><button class="link min-h-11" @click="change(b, null)">Put it back</button>
          </li>
        </ul>
      </details>
    </section>
  </div>
</template>
