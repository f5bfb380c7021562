<script setup lang="ts">
import { findPart, type PartThere } from '@wobrin/core/parts'

/** What a person says of one part of the drive at hand. */
const { part } = defineProps<{ part: PartThere | null }>()
const emit = defineEmits<{ close: []; lend: [part: PartThere] }>()
const store = useDrive()
const CONDITIONS = [
  ['good', 'Good'],
  ['bad', 'Bad: another one is needed'],
  ['missing', 'Missing'],
  ['not known', 'Not known'],
] as const
const condition = ref<(typeof CONDITIONS)[number][0]>('good')
const tested = ref(false)
const typed = ref<Record<string, string | number>>({})
const remark = ref('')
const problem = ref('')
const shape = computed(() => (part ? (findPart(part.id)?.shape ?? null) : null))
watch(
  () => part,
  now => {
    condition.value = now?.condition === 'good' || now?.condition === 'bad' ? now.condition : 'not known'
    tested.value = now?.state === 'tested'
    typed.value = { ...now?.measures }
    remark.value = ''
    problem.value = ''
  },
)
async function save(): Promise<void> {
  const known = condition.value === 'not known' ? 'not known' : tested.value ? 'tested' : 'looked at'
  problem.value = await store
    .add({
      kind: 'part',
      station: 'drive-train',
      detail: remark.value,
      part: { part: part!.id, condition: condition.value, known, measures: typed.value },
    })
    .then(() => '', problemText)
  if (!problem.value) emit('close')
}
</script>

<template>
  <ModalDialog :shown="part !== null" :title="part?.label ?? ''" wide @close="emit('close')">
    <form class="space-y-4" novalidate @submit.prevent="save">
      <p class="hint">{{ part?.says }}</p>
      <fieldset class="grid sm:grid-cols-2 gap-2">
        <legend class="field-label">Condition</legend>
        <label
          v-for="[id, label] in CONDITIONS"
          :key="id"
          class="panel px-3 min-h-11 flex gap-3 items-center has-checked:border-ink has-checked:bg-tint has-focus-visible:outline-3 outline-leave"
          ><input v-model="condition" type="radio" name="condition" :value="id" class="size-4 accent-ink" />{{
            label
          }}</label
        >
      </fieldset>
      <label v-if="condition === 'good' || condition === 'bad'" class="flex gap-3 items-center min-h-11"
        ><input v-model="tested" type="checkbox" class="size-5 accent-ink" />It was tested, not only looked at</label
      >
      <PartsMeasures v-if="shape" v-model="typed" :shape="shape" />
      <FormField v-slot="{ id }" label="Remark"
        ><input :id="id" v-model="remark" class="field" maxlength="300"
      /></FormField>
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex gap-3">
        <button class="btn btn-primary">Save to log</button>
        <button v-if="part?.condition === 'good'" type="button" class="btn" @click="emit('lend', part)">
          Lend to another drive…
        </button>
        <button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
