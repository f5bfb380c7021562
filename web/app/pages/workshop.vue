<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { workshopSchema, type WorkshopSettings } from '../../shared/workshop'

useHead({ title: 'Workshop · Wobrin' })

const workshop = useWorkshop()
const notices = useNotices()
const { handleSubmit, errors, defineField, resetForm, meta } = useForm({ validationSchema: toTypedSchema(workshopSchema), initialValues: { ...workshop.settings } })
const [name] = defineField('name')
const [initials] = defineField('initials')
const [mainsHz] = defineField('mainsHz')
const [speedSchool] = defineField('speedSchool')
const [lubricantSchool] = defineField('lubricantSchool')
const [theme] = defineField('theme')
const [volume] = defineField('tone.volume')

const save = handleSubmit(async (values) => {
  try {
    await workshop.save({ ...workshop.settings, ...values } as WorkshopSettings)
    resetForm({ values: { ...workshop.settings } })
    notices.done('Workshop settings are kept.')
  }
  catch (error) {
    notices.problem(problemText(error))
  }
})

const speedSchools = [['leave-alone', 'Leave alone', 'Inside the wide band nothing is touched.'], ['dial-in', 'Dial in', 'The trimmer is set until the speed is inside the narrow band.']] as const
const oilSchools = [['light-oil', 'A drop of light oil', 'Renewed often; dust does not cake.'], ['thin-grease', 'A thin grease on the screw', 'Stays put; mind plastics.']] as const
const themes = [['day', 'Day'], ['dim', 'Dim, for lights-off work'], ['system', 'As this machine']] as const
</script>

<template>
  <form class="panel p-6 max-w-[760px] space-y-7" novalidate @submit="save">
    <header><h1 class="text-2xl font-bold">Workshop</h1><p class="text-muted">How this workshop works. Calls follow from it.</p></header>
    <div class="grid sm:grid-cols-[1fr_9rem] gap-4">
      <FormField v-slot="{ id }" label="Name, as on certificates" :problem="errors.name"><input :id="id" v-model="name" class="field"></FormField>
      <FormField v-slot="{ id }" label="Bench initials" :problem="errors.initials"><input :id="id" v-model="initials" class="field"></FormField>
    </div>
    <fieldset>
      <legend class="field-label">School for the spindle speed</legend>
      <div class="grid sm:grid-cols-2 gap-3">
        <label v-for="[id, label, what] in speedSchools" :key="id" class="panel p-3 flex gap-3 has-checked:border-ink has-checked:bg-tint"><input v-model="speedSchool" type="radio" name="speed-school" :value="id" class="mt-1 size-4 accent-ink"><span><span class="block font-bold text-sm">{{ label }}</span><span class="hint">{{ what }}</span></span></label>
      </div>
    </fieldset>
    <fieldset>
      <legend class="field-label">School for the lubricant</legend>
      <div class="grid sm:grid-cols-2 gap-3">
        <label v-for="[id, label, what] in oilSchools" :key="id" class="panel p-3 flex gap-3 has-checked:border-ink has-checked:bg-tint"><input v-model="lubricantSchool" type="radio" name="oil-school" :value="id" class="mt-1 size-4 accent-ink"><span><span class="block font-bold text-sm">{{ label }}</span><span class="hint">{{ what }}</span></span></label>
      </div>
    </fieldset>
    <div class="grid sm:grid-cols-3 gap-4">
      <FormField v-slot="{ id }" label="Mains frequency" hint="For strobe bars and a.c. motors"><select :id="id" v-model.number="mainsHz" class="field"><option :value="50">50 Hz</option><option :value="60">60 Hz</option></select></FormField>
      <FormField v-slot="{ id }" label="Light"><select :id="id" v-model="theme" class="field"><option v-for="[id_, label] in themes" :key="id_" :value="id_">{{ label }}</option></select></FormField>
      <FormField v-slot="{ id }" label="Volume of the tone" hint="Low pitch is slow, high is fast; steady is right"><input :id="id" v-model.number="volume" class="w-full min-h-11 accent-leave" type="range" min="0" max="1" step="0.05"></FormField>
    </div>
    <div class="flex items-center gap-4"><button class="btn btn-primary">Keep these settings</button><span v-if="meta.dirty" class="hint">Not kept yet.</span></div>
  </form>
</template>
