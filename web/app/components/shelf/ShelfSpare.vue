<script setup lang="ts">
import { byText } from '@wobrin/core/base/order'
import { v4 as uuid } from 'uuid'
import { Camera, Printer } from 'lucide-vue-next'
import { ValidationError } from 'yup'
import { MECHANISMS } from '@wobrin/core/drives'
import { findPart, PART_TREE } from '@wobrin/core/parts'
import { spareSchema, type KeptSpare } from '../../../shared/spares'

/** A part on the shelf: a new one, or one that is there. */
const { shown } = defineProps<{ shown: string | true | null }>()
const emit = defineEmits<{ close: []; kept: [said: string] }>()
const EMPTY = {
  part: '',
  name: '',
  mechanism: '',
  maker: '',
  model: '',
  pieces: '1',
  known: 'not known',
  says: '',
  place: '',
  dueOn: '',
}
const form = reactive({ ...EMPTY })
const measures = ref<Record<string, string | number>>({})
const before = shallowRef<KeptSpare | null>(null)
const photo = ref<string | null>(null)
const sending = ref(false)
const problem = ref('')
const shape = computed(() => findPart(form.part)?.shape ?? null)
const KNOWN = { 'not known': 'Nobody has tested it', 'looked at': 'Looked at', tested: 'Tested' } as const
const NAMES = [...PART_TREE].sort((a, b) => byText(a.label, b.label))

watch(
  () => shown,
  async id => {
    problem.value = ''
    before.value = null
    Object.assign(form, EMPTY)
    measures.value = {}
    photo.value = null
    if (typeof id !== 'string') return
    try {
      const kept = await $fetch<KeptSpare>(`/api/spares/${id}`)
      before.value = kept
      for (const key of Object.keys(EMPTY) as (keyof typeof EMPTY)[]) form[key] = String(kept[key] ?? '')
      measures.value = { ...kept.measures }
      photo.value = kept.photo
    } catch (error) {
      problem.value = problemText(error)
    }
  },
)
/** Measures of another kind of part are none of this one’s. */
watch(shape, (now, old) => {
  if (old !== null && now !== old && before.value?.part !== form.part) measures.value = {}
})
async function send(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (!file) return
  problem.value = ''
  sending.value = true
  try {
    const kept = await sendFile<{ sha: string }>(
      `/api/photos?name=${encodeURIComponent(file.name)}`,
      file,
      () => {},
      new AbortController().signal,
    )
    photo.value = kept.sha
  } catch (error) {
    problem.value = problemText(error)
  } finally {
    sending.value = false
  }
}
async function save(gone: string | null = null): Promise<void> {
  problem.value = ''
  try {
    const body = await spareSchema.validate(
      {
        ...form,
        mechanism: form.mechanism || null,
        dueOn: form.dueOn || null,
        measures: shape.value ? measures.value : {},
        photo: photo.value,
        gone,
      },
      { abortEarly: false },
    )
    const id = typeof shown === 'string' ? shown : uuid()
    const headers = before.value ? ifMatch(before.value) : {}
    await $fetch(`/api/spares/${id}`, { method: 'PUT', retry: 2, body, headers })
    emit('kept', gone === null ? `${body.name} is on the shelf.` : `${body.name} is off the shelf.`)
  } catch (error) {
    problem.value = error instanceof ValidationError ? error.errors.join(' ') : problemText(error)
  }
}
</script>

<template>
  <ModalDialog
    :shown="shown !== null"
    :title="shown === true ? 'Add a part' : form.name || 'Part'"
    wide
    @close="emit('close')"
  >
    <form class="space-y-4" novalidate @submit.prevent="save()">
      <div class="grid sm:grid-cols-2 gap-3">
        <FormField v-slot="{ id }" label="What it is"
          ><select :id="id" v-model="form.part" class="field">
            <option value="">choose</option>
            <option v-for="p in NAMES" :key="p.id" :value="p.id">{{ p.label }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Name"
          ><input
            :id="id"
            v-model="form.name"
            class="field"
            maxlength="80"
            placeholder="bag 3, blue lever"
            autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="Drawer, box or bag"
          ><input :id="id" v-model="form.place" class="field" maxlength="80" autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="Pieces"
          ><input :id="id" v-model="form.pieces" class="field text-right" inputmode="numeric" autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="From a drive of type"
          ><select :id="id" v-model="form.mechanism" class="field">
            <option value="">not known</option>
            <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Maker"
          ><input :id="id" v-model="form.maker" class="field" maxlength="60" autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="Model"
          ><input :id="id" v-model="form.model" class="field" maxlength="60" autocomplete="off"
        /></FormField>
        <FormField v-slot="{ id }" label="How it is known"
          ><select :id="id" v-model="form.known" class="field">
            <option v-for="(label, value) in KNOWN" :key="value" :value="value">{{ label }}</option>
          </select></FormField
        >
        <FormField v-slot="{ id }" label="Due on (empty: it is here)"
          ><input :id="id" v-model="form.dueOn" type="date" class="field"
        /></FormField>
        <FormField v-slot="{ id }" label="What is known of it"
          ><input :id="id" v-model="form.says" class="field" maxlength="200" autocomplete="off"
        /></FormField>
      </div>
      <div class="flex flex-wrap items-center gap-4">
        <img
          v-if="photo"
          :src="`/api/photos/${photo}?size=small`"
          alt="Photo of the part"
          class="size-20 object-cover rounded-box border border-line"
        />
        <label class="btn cursor-pointer has-focus-visible:outline-2"
          ><Camera class="size-4" aria-hidden="true" />{{
            sending ? 'Sending…' : photo ? 'Another photo…' : 'Add a photo…'
          }}<input type="file" accept="image/*" class="sr-only" :disabled="sending" @change="send"
        /></label>
        <button v-if="photo" type="button" class="link text-sm min-h-10" @click="photo = null">Remove photo</button>
      </div>
      <PartsMeasures v-if="shape" v-model="measures" :shape="shape" />
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex flex-wrap gap-3">
        <button class="btn btn-primary">{{ shown === true ? 'Put on the shelf' : 'Save part' }}</button>
        <template v-if="typeof shown === 'string'"
          ><a class="btn" :href="`/api/spares/${shown}/label`" target="_blank"
            ><Printer class="size-4" aria-hidden="true" />Print label</a
          ><button type="button" class="btn" @click="save('thrown away')">Take off the shelf</button></template
        >
        <button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
