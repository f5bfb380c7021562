<script setup lang="ts">
/** Complaints added later, in the words of the owner or the host. */
defineProps<{ shown: boolean; chosen: readonly string[] }>()
const emit = defineEmits<{ close: []; complain: [id: string] }>()
const store = useDrive()
</script>

<template>
  <ModalDialog :shown="shown" title="What does it do wrong?" wide @close="emit('close')">
    <CaseComplaintPicker
      v-if="store.drive"
      :mechanism="store.drive.mechanism"
      :chosen="chosen"
      @toggle="
        id => {
          if (!chosen.includes(id)) emit('complain', id)
        }
      "
    />
    <button class="btn mt-4" type="button" @click="emit('close')">Close</button>
  </ModalDialog>
</template>
