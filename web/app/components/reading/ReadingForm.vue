<script setup lang="ts">
import type { Evidence } from '@wobrin/core/base/observations'
import type { DriveFacts, LogEntry, StationId } from '@wobrin/core/log'
import type { ReadingContext } from '~/composables/useTypedReading'

/** A value read off a host’s program, a meter, a strobe or a probe: typed, judged at its weight, and kept. */
const {
  station,
  drive = null,
  context,
  title = 'Type a reading',
} = defineProps<{
  station: StationId | null
  drive?: DriveFacts | null
  context: ReadingContext
  title?: string
}>()
const emit = defineEmits<{ kept: [LogEntry] }>()

const choices = readingsAt(station)
const form = useTypedReading(() => context, choices[0]!.key)
const { typed, reading, way, usual, judged } = form
const problem = ref('')
const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
const value = useTemplateRef<HTMLInputElement>('value')
const here = computed(() => choices.filter(r => r.station === station))
const others = computed(() => choices.filter(r => r.station !== station))
const evidence = computed<Evidence>(() => ({ source: way.value.source, by: way.value.by, recording: null }))

async function keep(id: string): Promise<void> {
  emit('kept', await form.keep(id))
  value.value?.focus()
}
function submit(): void {
  problem.value = judged.value === null ? 'Type the reading.' : (judged.value.problem ?? '')
  if (problem.value) return
  if (drive)
    keep(drive.id).catch(error => {
      problem.value = problemText(error)
    })
  else keepTo.value = keep
}
</script>

<template>
  <section :aria-label="title">
    <h3 class="text-lg font-bold mb-2">{{ title }}</h3>
    <form
      class="grid gap-3 sm:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)] items-start"
      novalidate
      @submit.prevent="submit"
    >
      <FormField v-slot="{ id }" label="What was read">
        <select :id="id" v-model="typed.key" class="field">
          <optgroup v-if="here.length" label="At this station">
            <option v-for="r in here" :key="r.key" :value="r.key">{{ r.label }}</option>
          </optgroup>
          <optgroup :label="here.length ? 'Elsewhere' : 'All readings'">
            <option v-for="r in others" :key="r.key" :value="r.key">{{ r.label }}</option>
          </optgroup>
        </select>
      </FormField>
      <FormField v-if="reading.kind === 'word'" v-slot="{ id }" label="Reading">
        <select :id="id" v-model="typed.value" class="field">
          <option v-for="w in reading.words" :key="w" :value="w">{{ w }}</option>
        </select>
      </FormField>
      <div v-else-if="reading.kind === 'count'" class="grid grid-cols-2 gap-3">
        <FormField v-slot="{ id }" label="Good sectors">
          <input
            :id="id"
            ref="value"
            v-model="typed.value"
            class="field text-right"
            inputmode="numeric"
            autocomplete="off"
          />
        </FormField>
        <FormField v-slot="{ id }" label="Of">
          <input :id="id" v-model="typed.of" class="field text-right" inputmode="numeric" autocomplete="off" />
        </FormField>
      </div>
      <FormField v-else v-slot="{ id }" :label="`Reading, ${reading.unit}`">
        <input
          :id="id"
          ref="value"
          v-model="typed.value"
          class="field text-right"
          inputmode="decimal"
          autocomplete="off"
        />
      </FormField>
      <FormField v-slot="{ id }" label="Read by">
        <select :id="id" v-model.number="typed.way" class="field">
          <option v-for="(w, i) in reading.ways" :key="w.by" :value="i">{{ w.by }}</option>
        </select>
      </FormField>
      <FormField v-if="reading.kind === 'number'" v-slot="{ id }" :label="`Uncertainty, ± ${reading.unit}`">
        <input
          :id="id"
          v-model="typed.uncertainty"
          class="field text-right"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="usual"
        />
      </FormField>
      <div class="sm:col-span-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <button class="btn btn-primary">{{ drive ? 'Save reading' : 'Save to a drive…' }}</button>
        <span v-if="reading.kind === 'number'" class="hint grow basis-60"
          >An empty uncertainty is what is usual for it (from memory).</span
        >
      </div>
    </form>
    <p v-if="problem" class="text-sm text-stop mt-2" role="alert">{{ problem }}</p>
    <div v-if="judged && !judged.problem && 'call' in judged && judged.call" class="mt-3" data-testid="reading-call">
      <CallBand :call="judged.call" />
      <p class="mt-2"><SourceTag :evidence="evidence" /></p>
    </div>
    <FileToDrive
      v-if="!drive"
      :keep="keepTo"
      :mechanism="context.mechanism"
      @close="keepTo = null"
      @kept="id => navigateTo(`/drives/${id}?station=${reading.station}`)"
    />
  </section>
</template>
