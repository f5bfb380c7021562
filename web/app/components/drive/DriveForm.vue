<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { MECHANISMS, findMechanism, isMechanismId, type Features } from '@wobrin/core/drives'
import { GOAL_IDS, type DriveFacts } from '@wobrin/core/log'
import { RUNGS } from '@wobrin/core/proof'
import { driveSchema, type NewDrive } from '../../../shared/drive-facts'

const { initial } = defineProps<{
  initial: DriveFacts
  action: string
  serverProblem?: { field: string | null; text: string } | null
}>()
const emit = defineEmits<{ save: [NewDrive] }>()

const { handleSubmit, errors, defineField, values } = useForm({
  validationSchema: toTypedSchema(driveSchema),
  initialValues: Object.fromEntries(
    Object.entries(initial).filter(([k]) => k in driveSchema.fields),
  ) as Partial<NewDrive>,
})
const [tag] = defineField('tag')
const [mechanism] = defineField('mechanism')
const [simulated] = defineField('simulated')
const [maker] = defineField('maker')
const [model] = defineField('model')
const [serial] = defineField('serial')
const [host] = defineField('host')
const [year] = defineField('year')
const [goal] = defineField('goal')
const [ownerWords] = defineField('ownerWords')
// Yup's shape leaves each out where the form's own does not.
const [features] = defineField('features') as unknown as [Ref<Features | null | undefined>]
const [nominalRpm] = defineField('nominalRpm')
const [motor] = defineField('motor')
const [hasTrimmer] = defineField('hasTrimmer')
const [pulleys] = defineField('pulleys')

const chosen = computed(() => (isMechanismId(values.mechanism ?? '') ? findMechanism(values.mechanism!) : null))
const sizes = reactive({
  motorPulleyMm: '',
  flywheelMm: '',
  beltLengthMm: '',
  centreDistanceMm: '',
  ...numbersAsText(initial.pulleys),
})
watch(sizes, s => {
  const given = Object.fromEntries(
    Object.entries(s)
      .filter(([, v]) => String(v).trim() !== '')
      .map(([k, v]) => [k, Number(v)]),
  )
  pulleys.value = (Object.keys(given).length ? given : null) as NewDrive['pulleys']
})
function numbersAsText(p: object | null | undefined): Record<string, string> {
  return Object.fromEntries(Object.entries(p ?? {}).map(([k, v]) => [k, String(v)]))
}
const pulleyProblem = computed(() => Object.entries(errors.value).find(([k]) => k.startsWith('pulleys'))?.[1])
const submit = handleSubmit(v => emit('save', driveSchema.cast(v)))
</script>

<template>
  <form class="space-y-5" novalidate @submit="submit">
    <div class="grid sm:grid-cols-[8rem_1fr] gap-4">
      <FormField
        v-slot="{ id }"
        label="Tag"
        :problem="errors.tag ?? (serverProblem?.field === 'tag' ? serverProblem.text : undefined)"
        ><input :id="id" v-model="tag" class="field" autocomplete="off"
      /></FormField>
      <FormField v-slot="{ id }" label="Drive type" :problem="errors.mechanism" :hint="chosen?.special">
        <select :id="id" v-model="mechanism" class="field">
          <option :value="undefined" disabled>Choose</option>
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
    </div>
    <FormField v-slot="{ id }" label="What does it do wrong, in the owner’s words" :problem="errors.ownerWords">
      <textarea :id="id" v-model="ownerWords" class="field py-2 min-h-20" />
    </FormField>
    <div class="grid sm:grid-cols-3 gap-4">
      <FormField v-slot="{ id }" label="Maker" :problem="errors.maker"
        ><input :id="id" v-model="maker" class="field"
      /></FormField>
      <FormField v-slot="{ id }" label="Model, with suffix" :problem="errors.model"
        ><input :id="id" v-model="model" class="field"
      /></FormField>
      <FormField v-slot="{ id }" label="Serial number" :problem="errors.serial"
        ><input :id="id" v-model="serial" class="field"
      /></FormField>
    </div>
    <div class="grid sm:grid-cols-3 gap-4">
      <FormField v-slot="{ id }" label="Year of make" :problem="errors.year"
        ><input :id="id" v-model.number="year" class="field" inputmode="numeric"
      /></FormField>
      <FormField v-slot="{ id }" label="Host it will serve" :problem="errors.host"
        ><input :id="id" v-model="host" class="field"
      /></FormField>
      <FormField v-slot="{ id }" label="Level to reach">
        <select :id="id" v-model="goal" class="field">
          <option :value="null">not said</option>
          <option v-for="g in GOAL_IDS" :key="g" :value="g">{{ RUNGS[g].title }}</option>
        </select>
      </FormField>
    </div>
    <DriveFeatureFields v-if="chosen" v-model="features" :mechanism="chosen.id" />
    <details open class="border-t border-line pt-4">
      <summary class="font-bold text-sm min-h-8">Motor, speed and belt, where known</summary>
      <div class="grid sm:grid-cols-3 gap-4 mt-3">
        <FormField v-slot="{ id }" label="Nominal speed">
          <select :id="id" v-model="nominalRpm" class="field">
            <option :value="null">nearest of its kind</option>
            <option v-for="n in chosen?.speed.nominal ?? []" :key="n.value" :value="n.value">
              {{ n.value }} r/min
            </option>
          </select>
        </FormField>
        <FormField v-slot="{ id }" label="Motor">
          <select :id="id" v-model="motor" class="field">
            <option :value="null">not known</option>
            <option value="dc">d.c.</option>
            <option value="ac">a.c., on the mains</option>
          </select>
        </FormField>
        <FormField v-slot="{ id }" label="Speed trimmer">
          <select :id="id" v-model="hasTrimmer" class="field">
            <option :value="null">not known</option>
            <option :value="true">yes</option>
            <option :value="false">none</option>
          </select>
        </FormField>
      </div>
      <div class="grid grid-cols-2 sm:grid-cols-4 gap-4 mt-4">
        <FormField v-slot="{ id }" label="Motor pulley, mm"
          ><input :id="id" v-model="sizes.motorPulleyMm" class="field" inputmode="decimal"
        /></FormField>
        <FormField v-slot="{ id }" label="Flywheel, mm"
          ><input :id="id" v-model="sizes.flywheelMm" class="field" inputmode="decimal"
        /></FormField>
        <FormField v-slot="{ id }" label="Belt length, mm"
          ><input :id="id" v-model="sizes.beltLengthMm" class="field" inputmode="decimal"
        /></FormField>
        <FormField v-slot="{ id }" label="or centres, mm"
          ><input :id="id" v-model="sizes.centreDistanceMm" class="field" inputmode="decimal"
        /></FormField>
      </div>
      <p v-if="pulleyProblem" class="text-sm text-stop mt-2" role="alert">{{ pulleyProblem }}</p>
      <p v-else class="hint mt-2">
        With the pulleys known, the Speed instrument can say which part makes the speed uneven.
      </p>
    </details>
    <label class="flex items-center gap-2 min-h-11 text-sm"
      ><input v-model="simulated" type="checkbox" class="size-5" />
      <span>Simulated drive: for practice. What it does says nothing of a real one.</span></label
    >
    <p v-if="serverProblem && serverProblem.field !== 'tag'" class="text-sm text-stop" role="alert">
      {{ serverProblem.text }}
    </p>
    <div class="flex gap-3">
      <button class="btn btn-primary">{{ action }}</button><slot />
    </div>
  </form>
</template>
