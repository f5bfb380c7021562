<script setup lang="ts">
import { DAY_FIELDS, DAY_LIMITS } from '~/composables/useBenchDay'

useHead({ title: 'Bench day · Wobrin' })
const { day, error, refresh, wanted, problems, plan, sitting, todo, runsOn, clock, from } = useBenchDay()

const hours = (minutes: number) => `${(minutes / 60).toFixed(1)} h`
const expected = computed(() => plan.value?.sitting?.handsExpectedMinutes ?? 0)
const left = computed(() => plan.value?.sitting?.handsLeftMinutes ?? 0)
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end justify-between gap-x-8 gap-y-4">
      <div>
        <h1 class="text-2xl font-bold">Bench day</h1>
        <p class="text-muted max-w-prose">
          What to do in which order on all open drives. What soaks, dries or cures is begun early and runs beside the
          work.
        </p>
      </div>
      <form class="flex flex-wrap gap-4" @submit.prevent>
        <FormField v-for="f in DAY_FIELDS" :key="f" v-slot="{ id }" :label="DAY_LIMITS[f].label" :problem="problems[f]">
          <input
            :id="id"
            v-model.number="wanted[f]"
            class="field text-right w-24 sm:w-32"
            type="number"
            :min="DAY_LIMITS[f].least"
            :max="DAY_LIMITS[f].most"
            step="1"
          />
        </FormField>
      </form>
    </header>
    <div v-if="error" class="panel p-6" role="alert">
      <p class="mb-3">{{ problemText(error) }}</p>
      <button class="btn" @click="refresh()">Try again</button>
    </div>
    <div v-else-if="day && !day.tasks.length" class="panel p-6">
      <p class="mb-4">There is nothing to plan: no open drive has work that could be done.</p>
      <NuxtLink to="/drives/new" class="btn btn-primary">Receive a drive</NuxtLink>
    </div>
    <p v-else-if="!plan" class="panel p-6 text-muted">Planning…</p>
    <template v-else>
      <section class="panel p-5 sm:px-6" aria-labelledby="line">
        <h2 id="line" class="section-title mb-3">The next {{ wanted.minutes }} min</h2>
        <DayTimeline v-if="sitting.length" :tasks="sitting" :minutes="wanted.minutes" :from="from" />
        <p v-else class="hint">Nothing fits into {{ wanted.minutes }} min. Ask for more.</p>
      </section>
      <div class="grid gap-4 items-start lg:grid-cols-[1fr_22rem]">
        <section class="panel p-5 sm:px-6" aria-labelledby="order">
          <h2 id="order" class="section-title mb-1">In this order</h2>
          <DayList :tasks="todo" :clock="clock" />
        </section>
        <div class="space-y-4">
          <section class="panel p-5" aria-labelledby="later" data-testid="later">
            <h2 id="later" class="section-title mb-2">Afterwards</h2>
            <ul v-if="runsOn.length" class="text-sm space-y-1.5 mb-3">
              <li v-for="t in runsOn" :key="t.id" class="flex gap-3">
                <strong class="shrink-0">{{ t.tag }}</strong><span class="grow min-w-0">{{ t.title }}</span
                ><span class="shrink-0 text-muted">{{ duration(t.end - wanted.minutes) }} more</span>
              </li>
            </ul>
            <p>
              <strong>{{ hours(left) }}</strong> of work is left for the goals of all open drives<template
                v-if="left - expected >= 30"
                >, about {{ hours(expected) }} of it needed, by what the cases say</template
              >.
            </p>
            <p class="hint mt-1">
              {{
                plan.proved
                  ? `Without a break all would be done after ${hours(plan.makespanMinutes)}; no plan is shorter.`
                  : `Without a break all would be done after ${hours(plan.makespanMinutes)}; at best after ${hours(plan.bound)}.`
              }}
            </p>
          </section>
          <DayAhead v-if="day" :ahead="day.ahead" />
          <section v-if="day?.heldBack.length" class="panel p-5" aria-labelledby="held">
            <h2 id="held" class="section-title mb-2">Cannot be planned</h2>
            <ul class="text-sm space-y-2.5">
              <li v-for="h in day.heldBack" :key="h.driveId">
                <NuxtLink :to="`/drives/${h.driveId}`" class="hover:underline underline-offset-2"
                  ><strong>{{ h.tag }}</strong> · safety gate “{{ h.what }}”</NuxtLink
                >
                <span class="hint block">{{ h.reason }}</span>
              </li>
            </ul>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>
