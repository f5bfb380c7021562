<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ shown: boolean; title: string; wide?: boolean; widest?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="shown" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-[rgb(0_0_0/0.45)]" aria-hidden="true" />
    <div class="fixed inset-0 overflow-y-auto">
      <div class="flex min-h-full items-start justify-center p-4 pt-[10vh]">
        <DialogPanel class="panel p-6 w-full" :class="widest ? 'max-w-5xl' : wide ? 'max-w-2xl' : 'max-w-md'">
          <DialogTitle class="text-lg font-bold mb-3">{{ title }}</DialogTitle>
          <slot />
        </DialogPanel>
      </div>
    </div>
  </Dialog>
</template>
