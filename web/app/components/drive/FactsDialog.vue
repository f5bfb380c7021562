<script setup lang="ts">
import type { DriveFacts } from '@wobrin/core/proving'
import type { NewDrive } from '../../../shared/drive-facts'

defineProps<{ shown: boolean, drive: DriveFacts }>()
const emit = defineEmits<{ close: [], save: [NewDrive] }>()
</script>

<template>
  <ModalDialog :shown="shown" :title="`Facts of ${drive.tag}`" wide @close="emit('close')">
    <DriveForm :initial="drive" action="Keep these facts" @save="emit('save', $event)">
      <button type="button" class="btn" @click="emit('close')">Leave them</button>
    </DriveForm>
  </ModalDialog>
</template>
