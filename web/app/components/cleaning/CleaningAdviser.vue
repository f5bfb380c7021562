<script setup lang="ts">
import {
  adviseCleaning,
  cleaningFrom,
  LUBRICANT_SCHOOLS,
  MATERIALS,
  SOILS,
  type Material,
  type Soil,
} from '@wobrin/core/bench/cleaning'
import type { StandingFinding } from '@wobrin/core/findings'

/** What to use on what, in which order, and what must never touch what. Starts from what was found on the drive. */
const { found = [] } = defineProps<{ found?: readonly Pick<StandingFinding, 'finding'>[] }>()
const emit = defineEmits<{ wait: [what: string, minutes: number] }>()
const { settings } = storeToRefs(useWorkshop())

const begin = cleaningFrom(found)
const soils = ref<Soil[]>([...begin.soils])
const materials = ref<Material[]>([...begin.materials])
const school = ref(settings.value.lubricantSchool)
const advice = computed(() =>
  adviseCleaning({
    materials: materials.value,
    soils: soils.value,
    school: school.value,
    shelf: settings.value.shelf as string[],
  }),
)
const on = (all: readonly Material[]) => all.map(m => MATERIALS[m].toLowerCase()).join(', ')
</script>

<template>
  <section aria-label="Cleaning adviser">
    <h3 class="text-lg font-bold mb-3">What goes where</h3>
    <div class="grid sm:grid-cols-2 gap-x-8 gap-y-4 mb-5">
      <fieldset>
        <legend class="field-label">What has to come off</legend>
        <div class="flex flex-wrap gap-2">
          <label v-for="(label, id) in SOILS" :key="id" class="chip"
            ><input v-model="soils" type="checkbox" :value="id" class="sr-only peer" /><span>{{ label }}</span></label
          >
        </div>
      </fieldset>
      <fieldset>
        <legend class="field-label">What is there, or close by</legend>
        <div class="flex flex-wrap gap-2">
          <label v-for="(label, id) in MATERIALS" :key="id" class="chip"
            ><input v-model="materials" type="checkbox" :value="id" class="sr-only peer" /><span>{{
              label
            }}</span></label
          >
        </div>
      </fieldset>
    </div>
    <fieldset class="mb-5">
      <legend class="field-label">Lubricant method</legend>
      <div class="flex flex-wrap gap-2">
        <label v-for="(text, id) in LUBRICANT_SCHOOLS" :key="id" class="chip"
          ><input v-model="school" type="radio" name="lubricant-school" :value="id" class="sr-only peer" /><span>{{
            text.split(/[,;]/)[0]
          }}</span></label
        >
      </div>
    </fieldset>
    <p v-if="!materials.length" class="hint">Say what it is made of.</p>
    <p v-else-if="!advice.steps.length" class="hint">Nothing to do there.</p>
    <ol v-else class="border-t border-line" data-testid="advice">
      <li
        v-for="(s, i) in advice.steps"
        :key="`${s.title}${i}`"
        class="grid grid-cols-[1.75rem_1fr_auto] gap-x-3 border-b border-line py-2.5"
      >
        <span class="font-bold text-right">{{ i + 1 }}</span>
        <div class="min-w-0">
          <p>
            <strong>{{ s.agent.label }}</strong> on {{ on(s.on) }}
            <span
              v-if="s.toGet"
              class="text-xs border border-nudge text-nudge rounded px-1.5 py-0.5 ml-1 whitespace-nowrap"
              >not on the shelf: get some</span
            >
          </p>
          <p class="hint">{{ s.title }}. {{ s.how }}</p>
          <p v-for="c in s.care" :key="c" class="text-sm"><span class="font-bold">Careful: </span>{{ c }}</p>
        </div>
        <button
          v-if="s.dryMinutes"
          class="text-sm link min-h-11 self-start whitespace-nowrap"
          @click="emit('wait', `${s.agent.label} ${s.agent.kind === 'oil' ? 'soaking in' : 'drying'}`, s.dryMinutes)"
        >
          {{ s.agent.kind === 'oil' ? 'soak' : 'dry' }} {{ duration(s.dryMinutes) }}
        </button>
      </li>
    </ol>
    <p v-if="advice.dryMinutes" class="hint mt-2">
      {{ duration(advice.dryMinutes) }} of drying and soaking in all, where nothing dries side by side.
    </p>
    <div class="grid sm:grid-cols-2 gap-x-8 gap-y-4 mt-4 text-sm">
      <div v-if="advice.never.length">
        <h4 class="font-bold flex items-center gap-2 mb-1"><CallMark kind="stop" :size="14" decorative />Never</h4>
        <ul class="space-y-1">
          <li v-for="n in advice.never" :key="n">{{ n }}</li>
        </ul>
      </div>
      <div>
        <template v-if="advice.conflicts.length"
          ><h4 class="font-bold mb-1">Why not something else</h4>
          <ul class="space-y-1 mb-3">
            <li v-for="c in advice.conflicts" :key="c">{{ c }}</li>
          </ul></template
        >
        <template v-if="advice.cautions.length"
          ><h4 class="font-bold mb-1">Caution</h4>
          <ul class="space-y-1">
            <li v-for="c in advice.cautions" :key="c">{{ c }}</li>
          </ul></template
        >
      </div>
    </div>
  </section>
</template>
