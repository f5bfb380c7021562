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
const size = (field: 'insideMm' | 'sectionMm', model: Ref<number | undefined>, label: string) => ({
  change: (event: Event) => {
    const text = (event.target as HTMLInputElement).value
    try {
      model.value = text.trim() ? Number(readQuantity(text, 'length', label).toPrecision(6)) : undefined
      unread[field] = ''
    } catch (error) {
      unread[field] = error instanceof ParameterError ? error.message.replace(/^[^:]*: /, '') : ''
      model.value = undefined
    }
  },
})
const unread = reactive({ insideMm: '', sectionMm: '' })
const problem = ref('')
const [insideSize, sectionSize] = [
  size('insideMm', inside as Ref<number | undefined>, 'Inside length'),
  size('sectionMm', section as Ref<number | undefined>, 'Section'),
]
const send = handleSubmit(async belt => {
  problem.value = await save(belt as BeltInput).then(() => '', problemText)
  if (!problem.value) resetForm()
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
      ><input :id="id" :value="inside" class="field text-right" autocomplete="off" @change="insideSize.change"
    /></FormField>
    <FormField v-slot="{ id }" label="Section, mm" :problem="unread.sectionMm || errors.sectionMm"
      ><input :id="id" :value="section" class="field text-right" autocomplete="off" @change="sectionSize.change"
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
