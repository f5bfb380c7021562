<script setup lang="ts">
import { byText } from '@wobrin/core/base/order'
import { Plus } from 'lucide-vue-next'
import { refDebounced } from '@vueuse/core'
import { PART_TREE, PLACES, findPart } from '@wobrin/core/parts'
import type { ShelfPart, ShelfParts } from '../../../shared/parts'

/** Parts at hand: found by their words, with where each is and what it would mend. */
const asked = useRoute('shelf').query.q
const query = ref(typeof asked === 'string' ? asked : '')
const settled = refDebounced(query, 200)
const place = ref('')
/** A part that is to be replaced, known by its measures alone; empty where one searches by words. */
const like = ref('')
const typed = ref<Record<string, string | number>>({})
const measures = refDebounced(
  computed(() => JSON.stringify(typed.value)),
  300,
)
const MEASURED = PART_TREE.filter(n => n.shape).sort((a, b) => byText(a.label, b.label))
const shape = computed(() => findPart(like.value)?.shape ?? null)
watch(shape, () => {
  typed.value = {}
})
const {
  data: found,
  refresh,
  error: refused,
} = await useFetch<ShelfParts>('/api/spares', {
  key: 'shelf-parts',
  query: computed(() => ({
    q: settled.value,
    place: place.value,
    ...(like.value ? { part: like.value, measures: measures.value } : {}),
  })),
})
const notices = useNotices()
const adding = ref<string | true | null>(null)
const { fitting, fitted } = useFitting(refresh)
const WHERE = { '': 'Everywhere', shelf: PLACES.shelf, donor: PLACES.donor, post: PLACES.post } as const
const modelOf = (p: ShelfPart) => (p.model ? `${p.model.maker} ${p.model.model}`.trim() : '')
async function kept(said: string): Promise<void> {
  adding.value = null
  notices.done(said)
  await refresh()
}
</script>

<template>
  <section class="panel p-5 sm:px-6" aria-labelledby="parts">
    <div class="flex flex-wrap items-start justify-between gap-4">
      <div>
        <h2 id="parts" class="text-lg font-bold">Parts at hand</h2>
        <p class="hint">In drawers, on their way, and in drives that were stripped for parts.</p>
      </div>
      <button class="btn" type="button" @click="adding = true"><Plus class="size-4" />Add a part</button>
    </div>
    <form class="grid sm:grid-cols-[1fr_14rem] gap-3 mt-3" role="search" @submit.prevent>
      <FormField v-slot="{ id }" label="Part, model, tag or drawer"
        ><input :id="id" v-model="query" type="search" class="field" placeholder="switch, eject motor, drawer 3"
      /></FormField>
      <FormField v-slot="{ id }" label="Where"
        ><select :id="id" v-model="place" class="field">
          <option v-for="(label, value) in WHERE" :key="value" :value="value">{{ label }}</option>
        </select></FormField
      >
    </form>
    <details class="mt-2">
      <summary class="text-sm py-2">Find one by its measures</summary>
      <div class="space-y-3 pb-1">
        <FormField v-slot="{ id }" label="Part that it is to replace"
          ><select :id="id" v-model="like" class="field sm:max-w-80">
            <option value="">any: by words only</option>
            <option v-for="n in MEASURED" :key="n.id" :value="n.id">{{ n.label }}</option>
          </select></FormField
        >
        <PartsMeasures v-if="shape" v-model="typed" :shape="shape" />
        <p v-if="refused" class="text-sm text-stop" role="alert">{{ problemText(refused) }}</p>
      </div>
    </details>
    <div class="relative overflow-x-auto mt-4">
      <table v-if="found?.items.length" class="w-full text-sm min-w-[44rem]" data-testid="shelf-parts">
        <thead>
          <tr class="text-left text-muted border-b border-line">
            <th scope="col" class="font-normal py-1.5 pr-3">Part</th>
            <th scope="col" class="font-normal pr-3">Where</th>
            <th scope="col" class="font-normal pr-3">From</th>
            <th scope="col" class="font-normal pr-3">How it is known</th>
            <th scope="col" class="font-normal pr-3">Would mend</th>
            <th scope="col"><span class="sr-only">Actions</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in found.items" :key="p.key" class="border-b border-line">
            <th scope="row" class="text-left font-bold py-2 pr-3">
              <img
                v-if="p.photo"
                :src="`/api/photos/${p.photo}?size=small`"
                alt=""
                class="size-10 object-cover rounded-box float-left mr-2.5"
                loading="lazy"
              />{{ p.name || p.label }}<span v-if="p.pieces > 1" class="font-normal text-muted"> × {{ p.pieces }}</span>
              <span v-if="p.name" class="font-normal text-muted block">{{ p.label }}</span>
              <span v-if="p.fit" class="font-normal block">{{ p.fit }}</span>
            </th>
            <td class="py-2 pr-3 whitespace-nowrap">
              <NuxtLink v-if="p.drive" class="link" :to="`/drives/${p.drive.id}`">{{ p.where }}</NuxtLink>
              <template v-else>{{ p.where || PLACES[p.place] }}</template>
            </td>
            <td class="py-2 pr-3">{{ modelOf(p) }}</td>
            <td class="py-2 pr-3 text-muted">
              {{ p.known === 'not known' ? p.says || 'not tested' : [p.known, p.says].filter(Boolean).join(': ') }}
            </td>
            <td class="py-2 pr-3">
              <span class="flex flex-wrap gap-1.5"><DriveTag v-for="t in p.serves" :key="t" :tag="t" /></span>
            </td>
            <td class="text-right whitespace-nowrap">
              <button v-if="p.spare" class="link min-h-11 mr-3" type="button" @click="adding = p.spare">Edit…</button>
              <button v-if="p.place !== 'post'" class="link min-h-11" type="button" @click="fitting = fittingOf(p)">
                Use part…
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="found && like">No part at hand has these measures.</p>
      <p v-else-if="found && (query || place)">No part at hand is found by these words.</p>
      <p v-else-if="found">
        No part is at hand yet.
        <span class="text-muted"
          >Add what lies in your drawers; drives that are stripped for parts come by themselves.</span
        >
      </p>
    </div>
    <p v-if="found && found.total > found.items.length" class="hint mt-2">
      The first {{ found.items.length }} of {{ found.total }}. Type more words to narrow the list.
    </p>
    <ShelfSpare :shown="adding" @close="adding = null" @kept="kept" />
    <PartsFit :fitting="fitting" @close="fitting = null" @fitted="fitted" />
  </section>
</template>
