<script setup lang="ts">
import { Cable, FlaskConical } from 'lucide-vue-next'
import { findMechanism, layoutsOf, MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import { totalsOf } from '@wobrin/core/instruments/interface'

useHead({ title: 'Bench link · Wobrin' })

const board = useBoard()
const { hello, news, problem, connecting, surface, reading, volts } = board
const steppers = MECHANISMS.filter(m => layoutsOf(m.id).length > 0)
const mechanism = ref<MechanismId>('3.5in')
const cylinders = ref(findMechanism('3.5in').geometry.cylinders.value)
watch(mechanism, m => {
  cylinders.value = findMechanism(m).geometry.cylinders.value
})
const heads = ref<1 | 2>(2)
const turns = ref(2)
const speed = computed(() => news.value?.speed ?? null)
const totals = computed(() => (surface.value ? totalsOf(surface.value.tracks) : null))
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <h1 class="text-xl font-bold">Bench link</h1>
      <FormField v-slot="{ id }" label="Drive type">
        <select :id="id" v-model="mechanism" class="field" :disabled="hello !== null">
          <option v-for="m in steppers" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <template v-if="hello">
        <p class="text-sm">
          <strong>{{ hello.board }}</strong><template v-if="hello.simulated"> · simulated</template>
        </p>
        <p v-if="volts" class="text-sm">
          <span v-for="(v, name) in volts" :key="name" class="block">{{ name }}: {{ v.toFixed(2) }} V</span>
        </p>
        <div class="grid gap-2">
          <button v-if="hello.volts.length" class="btn justify-center" @click="board.readVolts">Read voltages</button>
          <button class="btn justify-center" :disabled="reading" @click="board.end">Disconnect board</button>
        </div>
      </template>
      <div class="text-sm space-y-2 border-t border-line pt-3">
        <p>Take good disks out first. Keep sleeves and hair off the spindle. WRITE GATE is never driven from here.</p>
        <p>
          A board is small and easily built. What it says and hears is written in <strong>docs/bench-link.md</strong>;
          <code>wobrin bench-link --check</code> tries one.
        </p>
      </div>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0 space-y-4">
      <ProblemBand v-if="problem" :problem="problem" />
      <div v-if="!hello" class="rounded-box border-2 border-dashed border-line p-6">
        <p class="mb-1 text-lg"><strong>Connect a board at the drive’s interface,</strong> or try a simulated one.</p>
        <p class="hint mb-5">It shows the lines, times the index, moves the heads and reads the disk.</p>
        <div class="flex flex-wrap gap-3">
          <button class="btn btn-primary" :disabled="connecting" @click="board.connect(mechanism)">
            <Cable class="size-4" />Connect a board…
          </button>
          <button class="btn" :disabled="connecting" @click="board.simulate(mechanism)">
            <FlaskConical class="size-4" />Use the simulated board
          </button>
        </div>
      </div>
      <template v-else>
        <p v-if="news?.ended" class="text-sm border-l-5 border-stop pl-3" role="alert">
          The board is gone: {{ news.ended }}. What it showed stays here.
        </p>
        <p v-if="news?.nonsense" class="text-sm border-l-5 border-nudge pl-3">Left out: {{ news.nonsense }}</p>
        <div class="grid xl:grid-cols-2 gap-6 items-start">
          <WireBoardLines :hello="hello" :news="news" :busy="reading" @set="board.set" />
          <div class="space-y-4">
            <section aria-label="Spindle speed">
              <h2 class="section-title mb-1">Spindle speed by INDEX</h2>
              <p data-testid="board-rpm">
                <span class="text-4xl font-bold">{{ speed?.nowRpm?.toFixed(1) ?? '–' }}</span>
                <span class="text-muted ml-2">r/min</span>
              </p>
              <p class="hint">
                {{ speed ? speed.judged.verdict.reasons[0] : 'Set SELECT and MOTOR low, with a disk in.' }}
              </p>
            </section>
            <section v-if="hello.drives.includes('step')" aria-label="Heads">
              <h2 class="section-title mb-2">Heads</h2>
              <div class="flex flex-wrap gap-2">
                <button class="btn" :disabled="reading" @click="board.step('outward')">Step outward</button>
                <button class="btn" :disabled="reading" @click="board.step('inward')">Step inward</button>
              </div>
            </section>
            <section v-if="hello.flux" aria-label="Read the disk">
              <h2 class="section-title mb-2">Read the disk</h2>
              <div class="flex flex-wrap gap-3 items-end mb-3">
                <FormField v-slot="{ id }" label="Cylinders" class="w-24"
                  ><input :id="id" v-model.number="cylinders" class="field" type="number" min="1" max="90"
                /></FormField>
                <FormField v-slot="{ id }" label="Heads" class="w-20"
                  ><select :id="id" v-model.number="heads" class="field">
                    <option :value="1">1</option>
                    <option :value="2">2</option>
                  </select></FormField
                >
                <FormField v-slot="{ id }" label="Revolutions" class="w-28"
                  ><input :id="id" v-model.number="turns" class="field" type="number" min="1" max="20"
                /></FormField>
                <button
                  class="btn btn-primary"
                  :disabled="reading || !(cylinders > 0) || !(turns > 0)"
                  @click="board.readDisk(cylinders, heads, turns)"
                >
                  Read the disk
                </button>
              </div>
              <ProgressLine
                v-if="reading"
                :share="surface ? surface.done / surface.all : 0"
                what="Reading the disk"
                end="Stop reading"
                @end="board.stop"
              />
            </section>
          </div>
        </div>
        <section v-if="surface" aria-label="Surface" class="space-y-3 border-t border-line pt-4">
          <p v-if="totals" class="text-sm" data-testid="board-sectors">
            <strong
              >{{ spaced(totals.good) }} of {{ spaced(totals.good + totals.bad + totals.missing) }} sectors</strong
            >
            read without error, {{ surface.done }} of {{ surface.all }} tracks.
          </p>
          <CallBand v-if="surface.call" :call="surface.call" />
          <RailReadRail :tracks="surface.tracks" :mechanism="mechanism" :heads="heads" :before="null" />
        </section>
      </template>
    </div>
  </div>
</template>
