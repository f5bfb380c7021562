<script setup lang="ts">
import { RUNGS } from '@wobrin/core/proof'
import { OUTCOMES, type DriveFacts } from '@wobrin/core/log'

/** A drive beside others of its model: what differs, its test points, and what is remembered of the model. */
const { closed } = defineProps<{ closed: boolean }>()
const emit = defineEmits<{ read: [] }>()
const store = useDrive()
const model = useDriveModel()
const attempt = useAttempt()
/** Drawn once all has come that has a place in it: nothing moves then. */
const ready = ref(false)
const view = computed(() => model.view.value)
const choice = computed({
  get: () => model.chosen.value ?? view.value?.drives[0]?.id ?? '',
  set: id => {
    model.chosen.value = id || null
  },
})
const drives = shallowRef<DriveFacts[]>([])
onMounted(async () => {
  await Promise.all([
    attempt(async () => {
      await model.load()
      await model.settled()
    }),
    attempt(async () => {
      drives.value = await $fetch<DriveFacts[]>('/api/drives')
    }),
  ])
  ready.value = true
})
const others = computed(() => {
  const same = new Set(view.value?.drives.map(d => d.id))
  return drives.value.filter(d => d.id !== store.drive!.id && !same.has(d.id))
})
const beside = computed(() => view.value?.drives.find(d => d.id === choice.value) ?? null)
const named = computed(() => store.drive!.model.trim() !== '')
async function read(...args: Parameters<typeof model.read>): Promise<void> {
  await model.read(...args)
  emit('read')
}
async function keep(...args: Parameters<typeof model.keep>): Promise<void> {
  await model.keep(...args)
  emit('read')
}
async function borrow(...args: Parameters<typeof model.borrow>): Promise<void> {
  await model.borrow(...args)
  emit('read')
}
</script>

<template>
  <div v-if="!ready" class="panel min-h-96" aria-busy="true" />
  <div v-else class="grid gap-3 xl:grid-cols-[minmax(0,7fr)_minmax(0,5fr)] items-start">
    <section class="panel px-5 py-4 min-w-0" aria-label="Identical drive">
      <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <h2 class="text-lg font-bold">Beside another drive</h2>
          <p v-if="beside" class="text-sm" data-testid="beside-drive">
            {{ beside.likeness === 'identical' ? 'Same model' : 'Same model, another revision' }} ·
            {{
              beside.level
                ? RUNGS[beside.level].title.toLowerCase()
                : beside.works
                  ? 'reads all that was tried'
                  : 'nothing verified yet'
            }}<template v-if="beside.outcome"> · {{ OUTCOMES[beside.outcome].toLowerCase() }}</template>
          </p>
          <p v-else-if="!named" class="text-sm hint">
            Enter maker and model under “Edit drive data”: identical drives are then found by themselves.
          </p>
          <p v-else-if="view && !model.other.value" class="text-sm hint">
            No other drive of this model is on file. Choose any drive to compare with.
          </p>
          <p v-else-if="model.other.value" class="text-sm hint">
            Another model: its values are no standard for this one.
          </p>
        </div>
        <label class="text-sm"
          >Compare with
          <select v-model="choice" class="field block w-64">
            <option value="">choose a drive</option>
            <optgroup v-if="view?.drives.length" label="Same model">
              <option v-for="d in view.drives" :key="d.id" :value="d.id">
                {{ d.tag }} · {{ d.model }}{{ d.works ? ' · works' : '' }}
              </option>
            </optgroup>
            <optgroup v-if="others.length" label="Other drives">
              <option v-for="d in others" :key="d.id" :value="d.id">{{ d.tag }} · {{ d.model || d.mechanism }}</option>
            </optgroup>
          </select></label
        >
      </div>
      <ModelTable
        v-if="model.other.value || model.sheet.value.points.length"
        class="mt-3"
        :rows="model.rows.value"
        :sheet="model.sheet.value"
        :other="model.other.value?.drive.tag ?? null"
        :can-borrow="beside?.likeness === 'identical'"
        :closed="closed"
        @read="read"
        @borrow="borrow"
      />
      <ModelPhotos v-if="model.other.value" class="mt-4" :other="model.other.value" />
      <ModelPointForm v-if="named && !closed" class="mt-4" :sheet="model.sheet.value" @keep="keep" @read="read" />
    </section>
    <ModelMemory
      v-if="named"
      :sheet="model.sheet.value"
      :was="view?.was ?? []"
      @keep="keep"
      @open="model.open"
      @save="model.save"
    />
  </div>
</template>
