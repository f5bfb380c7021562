<script setup lang="ts">
import { lowerFirst } from '@wobrin/core/base/observations'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { ChevronDown } from 'lucide-vue-next'

/** From complaint to cause: what the drive does wrong, what it may be, and what to check next. */
const { pick } = defineProps<{ pick: (finding: string) => Promise<boolean>; closed: boolean }>()
const drive = useDriveCase(finding => pick(finding))
const summary = computed(() => {
  const { found, complaints } = drive
  if (complaints.value.length === 0) return 'Say what the drive does wrong, and Wobrin says what it may be.'
  const first = found.value?.diagnosis.causes[0]
  const likely = first ? `Likeliest: ${lowerFirst(first.label)}, ${percent(first.probability)}.` : ''
  return `${complaints.value.map(c => c.label).join('; ')}. ${likely}`
})
/** Without a complaint, and with nothing that points to a fault, there is nothing to tell. */
const told = computed(() => {
  const diagnosis = drive.found.value?.diagnosis
  return drive.complaints.value.length > 0 || Boolean(diagnosis?.evidence && diagnosis.causes.length)
})
</script>

<template>
  <Disclosure v-slot="{ open }" as="section" class="panel mb-4" aria-label="From complaint to cause">
    <DisclosureButton class="w-full flex items-center gap-3 px-5 py-3 text-left min-h-11">
      <h2 class="text-lg font-bold whitespace-nowrap">From complaint to cause</h2>
      <span class="hint flex-1 min-w-0 truncate">{{ open ? '' : summary }}</span>
      <ChevronDown class="w-5 h-5 shrink-0" :class="{ 'rotate-180': open }" aria-hidden="true" />
    </DisclosureButton>
    <DisclosurePanel
      v-if="open && drive.found.value"
      class="px-5 pb-5 grid gap-x-8 gap-y-5 lg:grid-cols-[15rem_1fr_1fr]"
    >
      <CaseMap v-if="told" class="lg:col-span-3" :works="drive.found.value.diagnosis.works" />
      <CaseComplaints
        :complaints="drive.complaints.value"
        :closed="closed"
        @complain="drive.complain"
        @settle="drive.settle"
      />
      <p v-if="!told" class="hint lg:col-span-2">
        Choose what the drive does wrong, in the words of its owner or its host. Everything on its log then counts: what
        was found, measured, cleaned and swapped.
      </p>
      <CaseSuspects v-if="told" :diagnosis="drive.found.value.diagnosis" />
      <CaseNext
        v-if="told"
        :diagnosis="drive.found.value.diagnosis"
        :held="drive.found.value.held"
        :closed="closed"
        @answer="drive.answer"
      />
    </DisclosurePanel>
  </Disclosure>
</template>
