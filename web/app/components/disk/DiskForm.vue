<script setup lang="ts">
import { toTypedSchema } from '@vee-validate/yup'
import { useForm } from 'vee-validate'
import { hasOffsetCost } from '@wobrin/core/calculators/alignment'
import { MECHANISMS } from '@wobrin/core/drives'
import { PROOFS } from '@wobrin/core/proof'
import { diskSchema, type DiskInput, type DiskView } from '../../../shared/disks'

/** A reference disk for the shelf: who wrote it, when, and how that drive was proved. */
const { view, save } = defineProps<{ view: DiskView; save: (disk: DiskInput) => Promise<unknown> }>()
const { handleSubmit, errors, defineField, resetForm } = useForm({
  validationSchema: toTypedSchema(diskSchema),
  initialValues: {
    name: '',
    mechanism: '3.5in' as const,
    writtenBy: null,
    writer: '',
    writtenAt: new Date().toISOString().slice(0, 10),
    proof: 'none' as const,
    provedBy: null,
  },
})
const [name] = defineField('name')
const [mechanism] = defineField('mechanism')
const [writtenBy] = defineField('writtenBy')
const [writer] = defineField('writer')
const [writtenAt] = defineField('writtenAt')
const [proof] = defineField('proof')
const [provedBy] = defineField('provedBy')
const problem = ref('')
const classes = MECHANISMS.filter(m => hasOffsetCost(m.id) || m.id === 'quick-disk')
const others = computed(() => view.standings.filter(s => s.mechanism === mechanism.value))
const send = handleSubmit(async disk => {
  problem.value = await save({
    ...disk,
    writtenBy: disk.writtenBy || null,
    provedBy: disk.provedBy || null,
  } as DiskInput).then(() => '', problemText)
  if (!problem.value) resetForm()
})
</script>

<template>
  <form class="grid sm:grid-cols-2 lg:grid-cols-3 gap-3 items-start" novalidate @submit="send">
    <FormField v-slot="{ id }" label="Name on its label" :problem="errors.name"
      ><input :id="id" v-model="name" class="field" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="For drives of type" :problem="errors.mechanism"
      ><select :id="id" v-model="mechanism" class="field">
        <option v-for="m in classes" :key="m.id" :value="m.id">{{ m.label }}</option>
      </select></FormField
    >
    <FormField v-slot="{ id }" label="Written on" :problem="errors.writtenAt"
      ><input :id="id" v-model="writtenAt" type="date" class="field"
    /></FormField>
    <FormField v-slot="{ id }" label="By which drive" hint="a drive of this workshop"
      ><select :id="id" v-model="writtenBy" class="field">
        <option :value="null">not one of ours</option>
        <option v-for="d in view.drives" :key="d.id" :value="d.id">{{ d.tag }}</option>
      </select></FormField
    >
    <FormField
      v-if="!writtenBy"
      v-slot="{ id }"
      label="Or by whom"
      hint="empty where nobody knows"
      :problem="errors.writer"
      ><input :id="id" v-model="writer" class="field" autocomplete="off" placeholder="an identical drive, a duplicator"
    /></FormField>
    <FormField v-slot="{ id }" label="That drive was" :problem="errors.proof"
      ><select :id="id" v-model="proof" class="field">
        <option v-for="(label, value) in PROOFS" :key="value" :value="value">{{ label }}</option>
      </select></FormField
    >
    <FormField v-if="proof === 'disk'" v-slot="{ id }" label="Verified by" :problem="errors.provedBy"
      ><select :id="id" v-model="provedBy" class="field">
        <option :value="null">which disk?</option>
        <option v-for="s in others" :key="s.disk.id" :value="s.disk.id">{{ s.disk.name }}</option>
      </select></FormField
    >
    <div class="col-span-full flex items-center gap-4">
      <button class="btn btn-primary">Put on the shelf</button>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
    </div>
  </form>
</template>
