<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { AGENTS } from '@wobrin/core/bench/cleaning'
import { workshopSchema, type WorkshopSettings } from '../../shared/workshop'

useHead({ title: 'Workshop · Wobrin' })

const workshop = useWorkshop()
const { data: about, refresh } = await useFetch<{
  data: string
  drives: number
  entries: number
  recordings: number
  recordingBytes: number
  photos: number
  photoBytes: number
}>('/api/about')
const notices = useNotices()
const { handleSubmit, errors, defineField, resetForm, meta } = useForm({
  validationSchema: toTypedSchema(workshopSchema),
  initialValues: { ...workshop.settings },
})
const [name] = defineField('name')
const [mainsHz] = defineField('mainsHz')
const [speedSchool] = defineField('speedSchool')
const [lubricantSchool] = defineField('lubricantSchool')
const [shelf] = defineField('shelf')
const [currency] = defineField('currency')
const [theme] = defineField('theme')
const [volume] = defineField('tone.volume')
const [octaveShare] = defineField('tone.octaveShare')

const save = handleSubmit(async values => {
  try {
    await workshop.save({ ...workshop.settings, ...values } as WorkshopSettings)
    resetForm({ values: { ...workshop.settings } })
    notices.done('Workshop settings are kept.')
  } catch (error) {
    notices.problem(problemText(error))
  }
})

const speedSchools = [
  ['leave-alone', 'Leave alone', 'Inside the wide band nothing is touched.'],
  ['dial-in', 'Adjust to nominal', 'The trimmer is set until the speed is inside the narrow band.'],
] as const
const lubricants = [
  ['light-oil', 'Light oil', 'A single drop, renewed often; dust does not cake in it.'],
  ['thin-grease', 'Thin grease', 'A thin grease on the screw; it stays where it is put.'],
] as const
const themes = [
  ['day', 'Day'],
  ['dim', 'Dim, for lights-off work'],
  ['system', 'As this machine'],
] as const
</script>

<template>
  <div class="grid lg:grid-cols-[1fr_20rem] gap-4 items-start">
    <div class="space-y-4 min-w-0">
      <form class="panel p-6 space-y-7" novalidate @submit="save">
        <header>
          <h1 class="text-2xl font-bold">Workshop</h1>
          <p class="text-muted">How this workshop works. Calls follow from it.</p>
        </header>
        <FormField v-slot="{ id }" label="Name, as on certificates" :problem="errors.name"
          ><input :id="id" v-model="name" class="field"
        /></FormField>
        <fieldset>
          <legend class="field-label">Method for the spindle speed</legend>
          <div class="grid sm:grid-cols-2 gap-3">
            <label
              v-for="[id, label, what] in speedSchools"
              :key="id"
              class="panel p-3 flex gap-3 has-checked:border-ink has-checked:bg-tint"
              ><input
                v-model="speedSchool"
                type="radio"
                name="speed-school"
                :value="id"
                class="mt-1 size-4 accent-ink"
              /><span
                ><span class="block font-bold text-sm">{{ label }}</span
                ><span class="hint block">{{ what }}</span></span
              ></label
            >
          </div>
        </fieldset>
        <fieldset>
          <legend class="field-label">Method for lubricants</legend>
          <div class="grid sm:grid-cols-2 gap-3">
            <label
              v-for="[id, label, what] in lubricants"
              :key="id"
              class="panel p-3 flex gap-3 has-checked:border-ink has-checked:bg-tint"
              ><input
                v-model="lubricantSchool"
                type="radio"
                name="lubricant-school"
                :value="id"
                class="mt-1 size-4 accent-ink"
              /><span
                ><span class="block font-bold text-sm">{{ label }}</span
                ><span class="hint block">{{ what }}</span></span
              ></label
            >
          </div>
        </fieldset>
        <fieldset>
          <legend class="field-label">At hand for cleaning and lubricating</legend>
          <div class="flex flex-wrap gap-2">
            <label v-for="a in AGENTS.filter(x => !x.always)" :key="a.id" class="chip"
              ><input v-model="shelf" type="checkbox" :value="a.id" class="sr-only" /><span>{{ a.label }}</span></label
            >
          </div>
        </fieldset>
        <div class="grid sm:grid-cols-3 gap-4">
          <FormField v-slot="{ id }" label="Currency sign" :problem="errors.currency"
            ><input :id="id" v-model="currency" class="field" maxlength="4"
          /></FormField>
          <FormField v-slot="{ id }" label="Mains frequency" hint="For strobe bars and a.c. motors"
            ><select :id="id" v-model.number="mainsHz" class="field">
              <option :value="50">50 Hz</option>
              <option :value="60">60 Hz</option>
            </select></FormField
          >
          <FormField v-slot="{ id }" label="Light"
            ><select :id="id" v-model="theme" class="field">
              <option v-for="[id_, label] in themes" :key="id_" :value="id_">{{ label }}</option>
            </select></FormField
          >
        </div>
        <fieldset>
          <legend class="font-bold mb-1">By ear</legend>
          <p class="hint mb-3">
            While you adjust: a low pitch is slow, a high one fast; it beats outside the band and is steady when right.
          </p>
          <div class="grid sm:grid-cols-2 gap-4">
            <FormField v-slot="{ id }" label="Volume"
              ><input
                :id="id"
                v-model.number="volume"
                class="w-full min-h-11 accent-leave"
                type="range"
                min="0"
                max="1"
                step="0.05"
            /></FormField>
            <FormField v-slot="{ id }" label="Speed change per octave"
              ><select :id="id" v-model.number="octaveShare" class="field">
                <option :value="0.03">3 % of speed, fine</option>
                <option :value="0.06">6 % of speed</option>
                <option :value="0.12">12 % of speed, coarse</option>
              </select></FormField
            >
          </div>
        </fieldset>
        <div class="flex items-center gap-4">
          <button class="btn btn-primary">Keep these settings</button
          ><span v-if="meta.dirty" class="hint">Not kept yet.</span>
        </div>
      </form>
      <WorkshopOut @changed="refresh()" />
      <WorkshopNetwork />
    </div>
    <div class="space-y-4">
      <aside v-if="about" class="panel p-6 text-sm">
        <h2 class="font-bold mb-2">Where it is kept</h2>
        <p class="break-all" data-testid="data-folder">{{ about.data }}</p>
        <p class="hint mt-2">
          The database, the recordings, the photos and the backups. Nothing of it is sent anywhere.
        </p>
        <dl class="grid grid-cols-[1fr_auto] gap-y-1 mt-4 border-t border-line pt-3">
          <dt class="text-muted">Drives</dt>
          <dd>{{ about.drives }}</dd>
          <dt class="text-muted">Log entries</dt>
          <dd>{{ about.entries }}</dd>
          <dt class="text-muted">Recordings</dt>
          <dd>{{ about.recordings }}, {{ megabytes(about.recordingBytes) }}</dd>
          <dt class="text-muted">Photos</dt>
          <dd>{{ about.photos }}, {{ megabytes(about.photoBytes) }}</dd>
        </dl>
      </aside>
      <WorkshopLog />
      <WorkshopKnowledge />
      <WorkshopCheck />
    </div>
  </div>
</template>
