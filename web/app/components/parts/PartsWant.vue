<script setup lang="ts">
import { upperFirst } from '@wobrin/core/base/observations'
import { PLACES, type MatchedWant } from '@wobrin/core/parts'
import type { Obtainable } from '../../../shared/parts'

/** One thing that a drive wants, and what serves it. */
const { matched } = defineProps<{ matched: MatchedWant<Obtainable>; tag?: boolean }>()
const emit = defineEmits<{ fit: [fitting: Fitting] }>()
const all = computed(() => [...(matched.best ? [matched.best] : []), ...matched.others])
const shown = ref(false)
const offers = computed(() => (shown.value ? all.value : all.value.slice(0, 1)))
const KNOWN = { tested: 'tested', 'looked at': 'looked at', 'not known': 'not tested' } as const
const WHY = { found: 'found', suspected: 'suspected', 'put back': 'to be put back' } as const
function fit({ offer, fit: how }: MatchedWant<Obtainable>['others'][number]): void {
  const { drive, part } = matched.want
  emit('fit', { offer, as: part!, into: { id: drive.id, tag: drive.tag }, compare: how.says })
}
</script>

<template>
  <article class="border-t border-line py-3 mt-2" :aria-label="`${matched.want.drive.tag}: ${matched.want.label}`">
    <p class="flex flex-wrap gap-x-2.5 gap-y-1 items-center">
      <NuxtLink v-if="tag" :to="`/drives/${matched.want.drive.id}?view=parts`"
        ><DriveTag :tag="matched.want.drive.tag" /></NuxtLink
      ><strong>{{ upperFirst(matched.want.label) }}</strong
      ><span class="text-sm text-muted"
        >{{ WHY[matched.want.why]
        }}<template v-if="matched.want.why === 'suspected'"
          >, {{ Math.round(matched.want.share * 100) }} %</template
        ></span
      >
    </p>
    <p class="hint">{{ matched.want.says }}</p>
    <ul v-if="offers.length" class="mt-1 text-sm">
      <li v-for="s in offers" :key="s.offer.key" class="flex flex-wrap gap-x-3 items-center">
        <span class="grow"
          ><strong>{{ PLACES[s.offer.place] }}</strong
          >{{ s.offer.where && `: ${s.offer.where}` }}
          <span class="text-muted block">{{ KNOWN[s.offer.known] }}; {{ s.fit.how }}</span></span
        ><button
          v-if="s.offer.place !== 'post'"
          class="link min-h-10"
          type="button"
          :aria-label="`Use part: ${matched.want.label}, ${PLACES[s.offer.place].toLowerCase()}, ${s.offer.where}`"
          @click="fit(s)"
        >
          {{ s.offer.place === 'open' || s.offer.place === 'used' ? 'Borrow…' : 'Use part…' }}
        </button>
      </li>
    </ul>
    <p v-else class="text-sm mt-1">
      Nothing at hand serves it. <span class="text-muted">It is on the order list.</span>
    </p>
    <button
      v-if="all.length > 1"
      class="link text-sm min-h-9"
      type="button"
      :aria-expanded="shown"
      @click="shown = !shown"
    >
      {{ shown ? 'Show the best only' : `${all.length - 1} more` }}
    </button>
    <slot />
  </article>
</template>
