<script setup lang="ts">
import { FileDown } from 'lucide-vue-next'
import { upperFirst } from '@wobrin/core/base/observations'
import { toCsv } from '@wobrin/core/calculators/calculator'
import type { Wants } from '../../../shared/parts'

/** What the drives on the bench want, what serves it, what is to be ordered, and what drives owe each other. */
const { data: wants, refresh, error } = await useFetch<Wants>('/api/wants', { key: 'wants' })
const { fitting, fitted } = useFitting(refresh)
const served = computed(() => wants.value?.wants.filter(m => m.best) ?? [])
const tagsOf = (items: Wants['order']['items'][number]) => items.wants.map(w => w.drive.tag).join(', ')
const csv = computed(() =>
  toCsv({
    columns: ['Part', 'Measures', 'For model', 'Pieces', 'For drives'],
    rows: wants.value?.order.items.map(i => [i.label, i.measures, i.model, i.wants.length, tagsOf(i)]) ?? [],
  }),
)
</script>

<template>
  <div class="grid lg:grid-cols-2 gap-4 items-start">
    <p v-if="error" role="alert" class="col-span-full">{{ problemText(error) }}</p>
    <section class="panel p-5 sm:px-6" aria-labelledby="wanted">
      <h2 id="wanted" class="text-lg font-bold">Wanted, and at hand</h2>
      <p class="hint">Each part serves once. A drive that works is asked last, and is then owed one.</p>
      <PartsWant v-for="m in served" :key="m.want.key" :matched="m" tag @fit="f => (fitting = f)" />
      <p v-if="wants && !served.length" class="mt-2">
        Nothing that is wanted is at hand.
        <span class="text-muted">Wants come from what was found lost, from likely suspects, and from what broke.</span>
      </p>
    </section>
    <div class="space-y-4">
      <section class="panel p-5 sm:px-6" aria-labelledby="to-order">
        <div class="flex items-start justify-between gap-4">
          <div>
            <h2 id="to-order" class="text-lg font-bold">To order</h2>
            <p class="hint">
              What nothing at hand serves, with the fewest different items{{
                wants?.order.proved === false ? ' that were found' : ''
              }}. A belt whose size is known stands under Belts.
            </p>
          </div>
          <button
            v-if="wants?.order.items.length"
            class="btn"
            type="button"
            @click="saveText('parts-to-order.csv', csv, 'text/csv')"
          >
            <FileDown class="size-4" />CSV
          </button>
        </div>
        <ul v-if="wants?.order.items.length" class="mt-2 text-sm">
          <li v-for="i in wants.order.items" :key="i.wants[0]!.key" class="border-t border-line py-2">
            <p class="flex gap-3">
              <strong class="grow">{{ upperFirst(i.label) }}</strong><span class="whitespace-nowrap"
                >{{ i.wants.length }} ×</span
              >
            </p>
            <p>{{ i.measures || (i.measurable ? `${i.model || 'model not known'}; not measured yet` : i.model) }}</p>
            <p class="text-muted">
              for {{ tagsOf(i)
              }}<template v-if="i.wants.some(w => w.why === 'suspected')">; only suspected: check first</template>
            </p>
          </li>
        </ul>
        <p v-else-if="wants" class="mt-2">Nothing is to order.</p>
      </section>
      <section v-if="wants?.debts.length" class="panel p-5 sm:px-6" aria-labelledby="debts">
        <h2 id="debts" class="text-lg font-bold">Lent</h2>
        <p class="hint">A drive that lent a part has none in its place.</p>
        <ul class="mt-2">
          <PartsDebt v-for="d in wants.debts" :key="d.lent" :debt="d" @settled="refresh" />
        </ul>
      </section>
      <section v-if="wants?.usedUp.length" class="panel p-5 sm:px-6" aria-labelledby="used-up">
        <h2 id="used-up" class="text-lg font-bold">Used up by the steps ahead</h2>
        <ul class="mt-2 text-sm">
          <li v-for="u in wants.usedUp" :key="u.name" class="border-t border-line py-1.5 flex gap-3">
            <span class="grow">{{ u.name }}</span><span class="text-muted" :title="u.tags.join(', ')"
              >{{ u.tags.length }} {{ u.tags.length === 1 ? 'drive' : 'drives' }}</span
            >
          </li>
        </ul>
      </section>
    </div>
    <PartsFit :fitting="fitting" @close="fitting = null" @fitted="fitted" />
  </div>
</template>
