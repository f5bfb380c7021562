<script setup lang="ts">
import type { SecondState } from '../../../shared/archive'

/** A folder on another disk where backups go as well, with recordings and photos. */
const { made } = defineProps<{ made: number }>()
const workshop = useWorkshop()
const { state: network } = useNetwork()
const notices = useNotices()
const path = ref(workshop.settings.secondPlace)
const problem = ref('')
const last = shallowRef<SecondState | null>(null)

async function look(): Promise<void> {
  const got = await $fetch<{ last: SecondState | null }>('/api/workshop/second-place').catch(() => null)
  last.value = got?.last ?? null
}
watch(() => made, look)
onMounted(look)

async function save(): Promise<void> {
  problem.value = ''
  try {
    await workshop.save({ ...workshop.settings, secondPlace: path.value.trim() })
    notices.done(path.value.trim() ? 'Backups go there as well from now on.' : 'Backups stay in the data folder alone.')
  } catch (error) {
    problem.value = problemText(error)
  }
}
const said = computed(() => {
  if (!workshop.settings.secondPlace) return 'None: a disk that fails takes the backups with it.'
  if (!last.value) return 'The next backup goes there.'
  return last.value.problem ?? `Last copy: ${longTime(last.value.at)}, with ${last.value.files} recordings and photos.`
})
</script>

<template>
  <form v-if="network.own" class="mt-4" novalidate @submit.prevent="save">
    <FormField v-slot="{ id }" label="Second place for backups, on another disk" :problem="problem">
      <div class="flex flex-wrap gap-2">
        <input :id="id" v-model="path" class="field grow w-auto min-w-56" placeholder="/media/backup-disk" />
        <button class="btn" :disabled="path.trim() === workshop.settings.secondPlace">Save place</button>
      </div>
    </FormField>
    <p class="mt-1" :class="last?.problem ? 'text-stop' : 'hint'" data-testid="second-place">{{ said }}</p>
  </form>
</template>
