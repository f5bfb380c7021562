<script setup lang="ts">
import { ZONE_NAMES, type BlameTable } from '@wobrin/core/proof'

/**
 * A disk read in a drive, its sectors counted on the host: three zones for each head; what is left empty was not
 * read.
 */
const { table } = defineProps<{ table: BlameTable }>()
const emit = defineEmits<{ kept: [] }>()
const disk = ref('')
const drive = ref('')
const each = ref('9')
const typed = reactive<Record<string, string>>({})
const problem = ref('')
const HEADS = [
  [1, 'Upper head'],
  [0, 'Lower head'],
] as const
const heads = computed(() => (table.drives.find(d => d.id === drive.value)?.heads === 1 ? HEADS.slice(1) : HEADS))

const { post } = useLogPost()
async function send(): Promise<void> {
  const whole = (text: string) => (text.trim() === '' ? Number.NaN : Number(text))
  const places = heads.value.flatMap(([head]) =>
    ZONE_NAMES.flatMap(zone => {
      const text = typed[`${head} ${zone}`] ?? ''
      return text.trim() ? [{ head, zone, good: whole(text), sectors: whole(each.value) }] : []
    }),
  )
  problem.value = !drive.value
    ? 'Choose the drive that read it.'
    : places.length === 0
      ? 'Type how many sectors read in at least one place.'
      : ''
  if (problem.value) return
  await post(drive.value, 'cross-reads', { disk: disk.value, places }).then(
    () => {
      for (const key of Object.keys(typed)) typed[key] = ''
      emit('kept')
    },
    error => {
      problem.value = problemText(error)
    },
  )
}
</script>

<template>
  <form class="space-y-3" novalidate @submit.prevent="send">
    <div class="grid grid-cols-[1fr_1fr_6rem] gap-3">
      <FormField v-slot="{ id }" label="Disk"
        ><select :id="id" v-model="disk" class="field">
          <option value="">choose</option>
          <option v-for="d in table.disks" :key="d.id" :value="d.id">{{ d.name }}</option>
        </select></FormField
      >
      <FormField v-slot="{ id }" label="In drive"
        ><select :id="id" v-model="drive" class="field">
          <option value="">choose</option>
          <option v-for="d in table.drives" :key="d.id" :value="d.id">{{ d.name }}</option>
        </select></FormField
      >
      <FormField v-slot="{ id }" label="Tried each"
        ><input :id="id" v-model="each" class="field text-right" inputmode="numeric"
      /></FormField>
    </div>
    <table class="w-full text-sm">
      <thead>
        <tr>
          <th class="sr-only">Head</th>
          <th v-for="z in ZONE_NAMES" :key="z" class="font-normal text-muted pb-1 capitalize">{{ z }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[head, label] in heads" :key="head">
          <th class="text-left font-normal pr-2 whitespace-nowrap">{{ label }}</th>
          <td v-for="z in ZONE_NAMES" :key="z" class="p-1">
            <input
              v-model="typed[`${head} ${z}`]"
              class="field text-right"
              inputmode="numeric"
              autocomplete="off"
              :aria-label="`${label}, ${z}: sectors that read`"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
    <button class="btn btn-primary">Save to log</button>
  </form>
</template>
