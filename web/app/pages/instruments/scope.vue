<script setup lang="ts">
import { TriangleAlert } from 'lucide-vue-next'
import { PATTERNS, type Pattern } from '@wobrin/core/instruments/alignment'
import type { LogEntry } from '@wobrin/core/log'

useHead({ title: 'Scope recording · Wobrin' })

const route = useRoute()
const driveId = computed(() => (typeof route.query.drive === 'string' ? route.query.drive : null))
const notices = useNotices()
const { pattern, wave, reading, amiss, otherSide, simulated, open, simulate, save } = useScope()
const sum = { lobes: 'lobes', azimuth: 'azimuth', index: 'index-burst' } as const satisfies Record<Pattern, string>
const label = { lobes: 'Lobes: radial offset', azimuth: 'Bursts: azimuth', index: 'Burst after index' } as const
/** What was found, and what the stand-in’s own disk is like. */
const start = computed<Record<string, string>>(() =>
  reading.value
    ? {
        ...reading.value.values,
        ...(pattern.value === 'lobes' ? { outer: 'first', ...otherSide.value } : {}),
        ...(wave.value?.fileName === 'simulated-scope.wav' && pattern.value === 'lobes'
          ? { head: '0.33', eccentric: '0.18', limit: '0.045' }
          : {}),
        ...(wave.value?.fileName === 'simulated-scope.wav' && pattern.value === 'index' ? { rpm: '300' } : {}),
      }
    : {},
)
// Nothing opened yet: the simulated alignment disk stands there, and is named so.
onMounted(() => {
  if (!driveId.value && !wave.value) void simulate()
})
const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
async function kept(entry: LogEntry): Promise<void> {
  notices.done('On the log.')
  await navigateTo(`/drives/${entry.driveId}?station=align`)
}
</script>

<template>
  <div class="space-y-4">
    <header class="flex flex-wrap items-end gap-3">
      <div class="grow basis-64">
        <h1 class="text-2xl font-bold">Scope recording</h1>
        <p class="text-muted">An analogue alignment disk as a scope kept it: the envelope is found, and measured.</p>
      </div>
      <ScopeFile @file="f => open(f)" /><ScopeFile
        v-if="reading?.pattern === 'lobes'"
        label="From the other side"
        quiet
        @file="f => open(f, 'other')"
      />
    </header>
    <div class="grid lg:grid-cols-[300px_1fr] gap-4 items-start">
      <aside class="panel p-4 space-y-4">
        <fieldset class="space-y-2">
          <legend class="field-label">What the track shows</legend>
          <label v-for="(text, p) in label" :key="p" class="chip block"
            ><input v-model="pattern" type="radio" class="sr-only" :value="p" /><span class="w-full">{{
              text
            }}</span></label
          >
        </fieldset>
        <p class="hint">
          WAV, or CSV with a column of time and one of amplitude. A second channel is taken as the index; without it the
          recording begins at the index.
        </p>
        <div class="border-t border-line pt-3 space-y-3">
          <h2 class="font-bold text-sm">Or a simulated alignment disk</h2>
          <FormField v-if="pattern === 'lobes'" v-slot="{ id }" :label="`Head off track: ${simulated.offsetUm} µm`"
            ><input
              :id="id"
              v-model.number="simulated.offsetUm"
              type="range"
              min="-140"
              max="140"
              step="5"
              class="w-full h-11 accent-ink"
          /></FormField>
          <FormField v-if="pattern === 'azimuth'" v-slot="{ id }" :label="`Head turned by ${simulated.azimuthMin}′`"
            ><input
              :id="id"
              v-model.number="simulated.azimuthMin"
              type="range"
              min="-25"
              max="25"
              step="1"
              class="w-full h-11 accent-ink"
          /></FormField>
          <FormField v-if="pattern === 'index'" v-slot="{ id }" :label="`Burst ${simulated.indexUs} µs after index`"
            ><input
              :id="id"
              v-model.number="simulated.indexUs"
              type="range"
              min="0"
              max="1000"
              step="10"
              class="w-full h-11 accent-ink"
          /></FormField>
          <FormField v-slot="{ id }" :label="`Noise: ${simulated.noise} % of the signal`"
            ><input
              :id="id"
              v-model.number="simulated.noise"
              type="range"
              min="0"
              max="15"
              step="1"
              class="w-full h-11 accent-ink"
          /></FormField>
          <div class="flex flex-wrap gap-2">
            <button class="btn" @click="simulate">Read it</button
            ><button class="btn btn-quiet" @click="save">Save as WAV</button>
          </div>
        </div>
      </aside>
      <div class="panel p-5 min-w-0 space-y-5">
        <p
          v-if="amiss"
          class="border-l-5 border-stop bg-stop-tint px-4 py-3 flex gap-2.5"
          role="alert"
          data-testid="problem"
        >
          <TriangleAlert class="size-5 shrink-0 text-stop mt-0.5" aria-hidden="true" /><span>{{ amiss }}</span>
        </p>
        <template v-if="reading">
          <p v-for="n in wave?.notices ?? []" :key="n" class="hint">{{ n }}</p>
          <p data-testid="scope-says">
            <strong>{{ reading.says }}</strong>
            <span class="hint"
              >{{ PATTERNS[reading.pattern]
              }}{{ reading.turns > 1 ? `, ${reading.turns} revolutions together` : '' }}</span
            >
          </p>
          <ScopeTrace :reading="reading" />
          <SumInstrument
            :key="`${pattern} ${JSON.stringify(start)}`"
            class="border-t border-line pt-5"
            :instrument="sum[pattern]"
            :drive-id="driveId"
            :start="start"
            @kept="kept"
            @keep="
              keep => {
                keepTo = keep
              }
            "
          />
        </template>
        <p v-else-if="!amiss" class="hint py-10 text-center">
          Open what the scope kept of the alignment track, or read the simulated disk to see what its lobes and bursts
          look like.
        </p>
      </div>
    </div>
    <FileToDrive :keep="keepTo" @close="keepTo = null" @kept="id => navigateTo(`/drives/${id}?station=align`)" />
  </div>
</template>
