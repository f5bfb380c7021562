<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { ChevronDown } from 'lucide-vue-next'
import { GOAL_IDS, type GoalId, type RouteId } from '@wobrin/core/log'
import { RUNGS } from '@wobrin/core/proof'
import { caseMinutes, type DriveCase } from '@wobrin/core/bench/case'
import { minutesForGoal, USUAL_GOAL } from '@wobrin/core/bench/stations'

/** How far the drive is to be brought, by which route, and what that still takes. */
const { closed, found } = defineProps<{ closed: boolean; found: DriveCase | null }>()
const store = useDrive()
const attempt = useAttempt()
const goal = computed(() => store.drive?.goal ?? USUAL_GOAL)
const route = computed(() => store.drive?.route ?? 'complaint')
const steps = computed(() => minutesForGoal(store.way))
/** Finding the cause, and the cure. */
const ofCase = computed(() => (found ? caseMinutes(found) : 0))
const ROUTES: Readonly<Record<RouteId, { readonly label: string; readonly says: string }>> = {
  complaint: { label: 'Complaint first', says: 'Safety looks, the cause and its cure, then the tests of the level.' },
  overhaul: { label: 'Overhaul', says: 'The stations in order, every step.' },
}
const change = (facts: { goal?: GoalId; route?: RouteId }) => attempt(() => store.change(facts))
</script>

<template>
  <Popover v-if="!closed" class="relative">
    <PopoverButton class="inline-flex items-center gap-2 min-h-11 px-3 rounded-box border border-line bg-panel text-sm">
      <span class="hint">Goal</span><span>{{ RUNGS[goal].title }}</span
      ><strong class="whitespace-nowrap" data-testid="to-go">{{ duration(steps + ofCase) }}</strong
      ><ChevronDown class="size-4 shrink-0" aria-hidden="true" />
    </PopoverButton>
    <PopoverPanel class="absolute right-0 z-30 mt-1 w-80 panel shadow-lg p-4 space-y-3">
      <FormField v-slot="{ id }" label="Level to reach">
        <select
          :id="id"
          class="field"
          :value="goal"
          @change="change({ goal: ($event.target as HTMLSelectElement).value as GoalId })"
        >
          <option v-for="g in GOAL_IDS" :key="g" :value="g">{{ RUNGS[g].title }}</option>
        </select>
      </FormField>
      <FormField v-slot="{ id }" label="Route" :hint="ROUTES[route].says">
        <select
          :id="id"
          class="field"
          :value="route"
          @change="change({ route: ($event.target as HTMLSelectElement).value as RouteId })"
        >
          <option v-for="(r, k) in ROUTES" :key="k" :value="k">{{ r.label }}</option>
        </select>
      </FormField>
      <p class="hint">
        <template v-if="ofCase"
          >The case, cause and cure: about {{ duration(ofCase) }} of hands, a rough guess.
        </template>
        Steps of the stations for this goal: {{ duration(steps) }} of hands.
      </p>
    </PopoverPanel>
  </Popover>
</template>
