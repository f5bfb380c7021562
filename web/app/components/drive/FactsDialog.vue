<script setup lang="ts">
import type { DriveFacts } from '@wobrin/core/log'
import type { NewDrive } from '../../../shared/drive-facts'

const { save } = defineProps<{ shown: boolean; drive: DriveFacts; save: (facts: NewDrive) => Promise<void> }>()
const emit = defineEmits<{ close: [] }>()
const problem = ref<{ field: string | null; text: string } | null>(null)

async function keep(facts: NewDrive): Promise<void> {
  problem.value = await save(facts).then(
    () => null,
    error => ({ field: problemField(error), text: problemText(error) }),
  )
}
</script>

<template>
  <ModalDialog :shown="shown" :title="`Facts of ${drive.tag}`" wide @close="emit('close')">
    <DriveForm :initial="drive" action="Keep these facts" :server-problem="problem" @save="keep">
      <button type="button" class="btn" @click="emit('close')">Cancel</button>
    </DriveForm>
  </ModalDialog>
</template>
