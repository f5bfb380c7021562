<script setup lang="ts">
import { Eraser } from 'lucide-vue-next'
import type { DriveFacts } from '@wobrin/core/log'
import { driveSchema, type NewDrive } from '../../../shared/drive-facts'

const { shown, drive, save } = defineProps<{
  shown: boolean
  drive: DriveFacts
  save: (facts: NewDrive, seen: Partial<NewDrive>) => Promise<void>
}>()
const emit = defineEmits<{ close: []; erase: [] }>()
const problem = ref<{ field: string | null; text: string } | null>(null)

/** What the form began with: what others change meanwhile is told by it. */
let seen: Partial<NewDrive> = {}
const look = () => {
  seen = Object.fromEntries(Object.entries(toRaw(drive)).filter(([k]) => k in driveSchema.fields)) as Partial<NewDrive>
}
watch(
  () => shown,
  open => open && look(),
  { immediate: true },
)

async function keep(facts: NewDrive): Promise<void> {
  try {
    await save(facts, seen)
    problem.value = null
  } catch (error) {
    problem.value = { field: problemField(error), text: problemText(error) }
    // What others changed was shown now; saving again replaces it.
    await nextTick(look)
  }
}
</script>

<template>
  <ModalDialog :shown="shown" :title="`Facts of ${drive.tag}`" wide @close="emit('close')">
    <DriveForm :initial="drive" action="Keep these facts" :server-problem="problem" @save="keep">
      <button type="button" class="btn" @click="emit('close')">Cancel</button>
      <button type="button" class="btn ml-auto" @click="emit('erase')"><Eraser class="size-4" />Erase…</button>
    </DriveForm>
  </ModalDialog>
</template>
