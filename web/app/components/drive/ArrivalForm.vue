<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { findQuestion } from '@wobrin/core/findings'
import { findMechanism, NO_FEATURES, type Features, type MechanismId } from '@wobrin/core/drives'
import { arrivalSchema, type Arrival } from '../../../shared/drive-facts'

/** A drive comes in: its kind and what it does wrong are enough; the rest can follow. */
const { suggestedTag, kind } = defineProps<{
  suggestedTag: string
  kind?: MechanismId
  serverProblem?: { field: string | null; text: string } | null
}>()
const emit = defineEmits<{ save: [Arrival] }>()

const { handleSubmit, errors, defineField } = useForm({
  validationSchema: toTypedSchema(arrivalSchema),
  initialValues: { tag: suggestedTag, mechanism: kind, complaints: [], found: [] } as Partial<Arrival>,
})
const [tag] = defineField('tag')
const [mechanism] = defineField('mechanism') as unknown as [Ref<MechanismId | undefined>]
const [words] = defineField('ownerWords') as unknown as [Ref<string>]
const [complaints] = defineField('complaints') as unknown as [Ref<string[]>]
const [found] = defineField('found') as unknown as [Ref<string[]>]
const [maker] = defineField('maker')
const [model] = defineField('model')
const [serial] = defineField('serial')
const [host] = defineField('host')
const [year] = defineField('year')
const [simulated] = defineField('simulated')
const [features] = defineField('features') as unknown as [Ref<Features | null | undefined>]
const chosen = computed(() => (mechanism.value ? findMechanism(mechanism.value) : null))
/** High voltage stands after switching off: it is asked where it can be, not behind a fold. */
const mayHaveTube = computed(() => chosen.value?.features.pictureTube?.includes(true) ?? false)
const tube = computed({
  get: () => features.value?.pictureTube === true,
  set: has => {
    const now: Features = { ...NO_FEATURES, ...features.value, pictureTube: has ? true : null }
    features.value = Object.values(now).every(v => v === null) ? null : now
  },
})

const finding = ref(false)
/** Asked here and nowhere again. */
const ASKED = [findQuestion('ran'), findQuestion('history')]
const toggle = (id: string) => {
  complaints.value = complaints.value.includes(id) ? complaints.value.filter(c => c !== id) : [...complaints.value, id]
}
const say = (question: (typeof ASKED)[number], id: string) => {
  const others = found.value.filter(f => !question.findings.some(x => x.id === f))
  found.value = found.value.includes(id) ? others : [...others, id]
}
/** A complaint of another type does not stay when the type changes. */
watch(mechanism, () => {
  complaints.value = []
})
const submit = handleSubmit(v => emit('save', arrivalSchema.cast(v)))
</script>

<template>
  <form class="space-y-4" novalidate @submit="submit">
    <div>
      <p class="flex items-baseline justify-between gap-4 mb-1">
        <span class="field-label mb-0!">Drive type</span>
        <button type="button" class="link text-sm min-h-8" @click="finding = true">Not sure? A few looks tell…</button>
      </p>
      <DriveKindTiles v-model="mechanism" />
      <p v-if="chosen" class="hint mt-1">{{ chosen.special }}</p>
      <p v-if="errors.mechanism" class="text-sm text-stop mt-1" role="alert">{{ errors.mechanism }}</p>
    </div>
    <CaseComplaintPicker
      v-if="mechanism"
      v-model:words="words"
      :mechanism="mechanism"
      :chosen="complaints"
      :most="9"
      @toggle="toggle"
    />
    <div v-if="mechanism" class="flex flex-wrap gap-x-8 gap-y-3">
      <fieldset v-for="q in ASKED" :key="q.id" class="min-w-0">
        <legend class="field-label">{{ q.ask }}</legend>
        <div class="flex flex-wrap gap-2">
          <button
            v-for="f in q.findings"
            :key="f.id"
            type="button"
            class="min-h-11 px-3 rounded-box border text-sm"
            :class="
              found.includes(f.id) ? 'border-ink border-2 bg-tint font-bold' : 'border-line bg-panel hover:border-ink'
            "
            :aria-pressed="found.includes(f.id)"
            @click="say(q, f.id)"
          >
            {{ f.label }}
          </button>
        </div>
      </fieldset>
    </div>
    <label v-if="mayHaveTube" class="flex items-center gap-2 min-h-11 text-sm"
      ><input v-model="tube" type="checkbox" class="size-5" /> In one case with a picture tube: high voltage
      inside</label
    >
    <details class="border-t border-line pt-2">
      <summary class="font-bold text-sm min-h-9 flex items-center">More, where known: maker, model, year, host</summary>
      <div class="grid sm:grid-cols-3 gap-4 mt-2">
        <FormField v-slot="{ id }" label="Maker" :problem="errors.maker"
          ><input :id="id" v-model="maker" class="field"
        /></FormField>
        <FormField v-slot="{ id }" label="Model, with suffix" :problem="errors.model"
          ><input :id="id" v-model="model" class="field"
        /></FormField>
        <FormField v-slot="{ id }" label="Serial number" :problem="errors.serial"
          ><input :id="id" v-model="serial" class="field"
        /></FormField>
        <FormField v-slot="{ id }" label="Year of make" :problem="errors.year"
          ><input :id="id" v-model.number="year" class="field" inputmode="numeric"
        /></FormField>
        <FormField v-slot="{ id }" label="Host it will serve" :problem="errors.host" class="sm:col-span-2"
          ><input :id="id" v-model="host" class="field"
        /></FormField>
      </div>
      <DriveFeatureFields v-if="mechanism" v-model="features" class="mt-4" :mechanism="mechanism" />
      <label class="flex items-center gap-2 min-h-11 text-sm mt-2"
        ><input v-model="simulated" type="checkbox" class="size-5" />
        <span>Simulated drive: for practice. What it does says nothing of a real one.</span></label
      >
    </details>
    <p v-if="serverProblem && serverProblem.field !== 'tag'" class="text-sm text-stop" role="alert">
      {{ serverProblem.text }}
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <FormField
        v-slot="{ id }"
        label="Tag"
        class="w-32"
        :problem="errors.tag ?? (serverProblem?.field === 'tag' ? serverProblem.text : undefined)"
        ><input :id="id" v-model="tag" class="field" autocomplete="off"
      /></FormField>
      <button class="btn btn-primary">Receive it</button><slot />
    </div>
    <DriveKindFinder
      :shown="finding"
      @close="finding = false"
      @choose="
        k => {
          mechanism = k
          finding = false
        }
      "
    />
  </form>
</template>
