<script setup lang="ts">
import { Dialog, DialogPanel } from '@headlessui/vue'
import { CALLS, formatObservation } from '@wobrin/core/base/observations'
import type { CalculatorResult } from '@wobrin/core/calculators/calculator'

/** The call and the number that matters, to be read from two metres. */
const { act = 'Save to a drive…' } = defineProps<{ shown: boolean; result: CalculatorResult | null; act?: string }>()
const emit = defineEmits<{ close: []; keep: [] }>()

function key(event: KeyboardEvent): void {
  if (['a', 'A', 'PageUp'].includes(event.key)) emit('close')
  else if (event.key === 'PageDown') emit('keep')
  else return
  event.preventDefault()
}
</script>

<template>
  <Dialog :open="shown" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-panel text-ink" @keydown="key">
      <DialogPanel class="size-full flex flex-col p-[3vmin] overflow-hidden" data-testid="across">
        <template v-if="result">
          <div class="flex items-center gap-[3vmin]">
            <CallMark :kind="result.call.kind" :size="96" class="size-[13vmin]!" decorative />
            <p class="text-[12vmin] leading-none font-bold">{{ CALLS[result.call.kind].label }}</p>
          </div>
          <div class="grow flex flex-col justify-center min-h-0">
            <p class="text-[17vmin] leading-none font-bold">{{ formatObservation(result.observations[0]!) }}</p>
            <p class="text-[5vmin] text-muted mt-[2vmin]">{{ result.observations[0]!.label }}</p>
          </div>
          <div class="flex items-end justify-between gap-6">
            <p class="text-[4.4vmin] leading-tight font-bold max-w-[72%]">{{ result.call.next }}</p>
            <div class="flex flex-col gap-3 shrink-0">
              <button class="btn btn-primary" @click="emit('keep')">{{ act }} <kbd>Page Down</kbd></button
              ><button class="btn" @click="emit('close')">Back <kbd>Page Up</kbd></button>
            </div>
          </div>
        </template>
      </DialogPanel>
    </div>
  </Dialog>
</template>
