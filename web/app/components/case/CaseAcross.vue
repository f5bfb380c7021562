<script setup lang="ts">
import { Dialog, DialogPanel } from '@headlessui/vue'
import { CALLS } from '@wobrin/core/base/observations'
import type { Diagnosis } from '@wobrin/core/diagnosis'
import type { Asked } from '~/composables/useCaseAsked'

/** The next check and its answers, to be read from two metres and answered by digit or by foot. */
const { asked, marked } = defineProps<{
  shown: boolean
  diagnosis: Diagnosis
  asked: Asked | null
  marked: number
}>()
const emit = defineEmits<{ close: []; answer: [value: string, of?: number]; mark: []; save: [] }>()
const answers = useTemplateRef('answers')

function key(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).tagName === 'INPUT') return
  if (event.key === 'a' || event.key === 'A') emit('close')
  else if (event.key === 'PageUp') emit('mark')
  else if (event.key === 'PageDown') emit('save')
  else if (/^[1-9]$/.test(event.key)) {
    const answer = asked?.answering.kind === 'words' ? asked.answering.answers[Number(event.key) - 1] : null
    if (answer) emit('answer', answer.id)
    else answers.value?.type(event.key)
  } else return
  event.preventDefault()
}
</script>

<template>
  <Dialog :open="shown" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-panel text-ink" @keydown="key">
      <DialogPanel class="size-full flex flex-col gap-[2vmin] p-[3vmin] overflow-auto" data-testid="across">
        <div class="flex items-center gap-[2vmin]">
          <CallMark :kind="diagnosis.call" :size="64" class="size-[8vmin]!" decorative />
          <p class="text-[7vmin] leading-none font-bold">{{ CALLS[diagnosis.call].label }}</p>
          <p class="text-[3.2vmin] text-muted leading-tight">{{ diagnosis.reasons[0] }}</p>
        </div>
        <template v-if="asked">
          <p class="text-[6vmin] leading-tight font-bold">{{ asked.title }}</p>
          <div class="grow min-h-0">
            <CaseAnswers
              ref="answers"
              :key="asked.check"
              large
              :answering="asked.answering"
              :marked="marked"
              @answer="(value, of) => emit('answer', value, of)"
            />
          </div>
        </template>
        <p v-else class="text-[6vmin] leading-tight font-bold grow">{{ diagnosis.todo }}</p>
        <div class="flex flex-wrap items-center gap-3">
          <button class="btn" @click="emit('mark')">Mark next answer <kbd>Page Up</kbd></button>
          <button class="btn btn-primary" :disabled="marked < 0" @click="emit('save')">
            Save marked answer <kbd>Page Down</kbd>
          </button>
          <button class="btn ml-auto" @click="emit('close')">Close <kbd>A</kbd></button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
