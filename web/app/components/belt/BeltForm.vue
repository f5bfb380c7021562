<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { STRETCH } from '@wobrin/core/calculators/mechanics'
import { ParameterError } from '@wobrin/core/base/errors'
import { readQuantity } from '@wobrin/core/calculators/calculator'
import { beltSchema, type BeltInput } from '../../../shared/belts'

/** A belt for the shelf. Sizes may be typed with any unit of length. */
const { save } = defineProps<{ save: (belt: BeltInput) => Promise<unknown> }>()
const { handleSubmit, errors, defineField, resetForm } = useForm({
  validationSchema: toTypedSchema(beltSchema),
  initialValues: {
    name: '',
    insideMm: undefined as unknown as number,
    sectionMm: undefined as unknown as number,
    material: 'square' as const,
    origin: '',
    gone: null,
  },
})
const [name] = defineField('name')
const [inside] = defineField('insideMm')
const [section] = defineField('sectionMm')
const [material] = defineField('material')
const [origin] = defineField('origin')
/** The sizes as they are typed; a form that is drawn anew must not take them away. */
const typed = reactive({ insideMm: '', sectionMm: '' })
const unread = reactive({ insideMm: '', sectionMm: '' })
function readSize(field: keyof typeof typed, model: Ref<number | undefined>, label: string) {
  const text = typed[field].trim()
  unread[field] = ''
  model.value = undefined
  if (!text) return
  try {
    model.value = Number(readQuantity(text, 'length', label).toPrecision(6))
  } catch (error) {
    if (!(error instanceof ParameterError)) throw error
    unread[field] = error.message.replace(/^[^:]*: /, '')
  }
}
const problem = ref('')
const readInside = () => readSize('insideMm', inside as Ref<number | undefined>, 'Inside length')
const readSection = () => readSize('sectionMm', section as Ref<number | undefined>, 'Section')
const send = handleSubmit(async belt => {
  problem.value = await save(belt as BeltInput).then(() => '', problemText)
  if (problem.value) return
  Object.assign(typed, { insideMm: '', sectionMm: '' })
  resetForm()
})
</script>

<template>
  <form
    class="grid sm:grid-cols-2 lg:grid-cols-[2fr_1fr_1fr_1.4fr_1.4fr_auto] gap-3 items-start"
    novalidate
    @submit="send"
  >
    <FormField v-slot="{ id }" label="Name" :problem="errors.name"
      ><input :id="id" v-model="name" class="field" placeholder="bag, box, number" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="Inside length, mm" :problem="unread.insideMm || errors.insideMm"
      ><input :id="id" v-model="typed.insideMm" class="field text-right" autocomplete="off" @change="readInside"
    /></FormField>
    <FormField v-slot="{ id }" label="Section, mm" :problem="unread.sectionMm || errors.sectionMm"
      ><input :id="id" v-model="typed.sectionMm" class="field text-right" autocomplete="off" @change="readSection"
    /></FormField>
    <FormField v-slot="{ id }" label="Kind"
      ><select :id="id" v-model="material" class="field">
        <option v-for="(s, value) in STRETCH" :key="value" :value="value">{{ s.label }}</option>
      </select></FormField
    >
    <FormField v-slot="{ id }" label="From where" :problem="errors.origin"
      ><input :id="id" v-model="origin" class="field" autocomplete="off"
    /></FormField>
    <button class="btn btn-primary mt-6">Put on the shelf</button>
    <p v-if="problem" class="col-span-full text-sm text-stop" role="alert">{{ problem }}</p>
  </form>
</template>
