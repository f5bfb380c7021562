<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { complaintsOn, findComplaint, searchSayable, type COMPLAINTS } from '@wobrin/core/diagnosis'

/** What the drive does wrong, in the host's and the owner's words. */
type Complaint = (typeof COMPLAINTS)[number]
const { complaints } = defineProps<{ complaints: readonly Complaint[]; closed: boolean }>()
const emit = defineEmits<{ complain: [id: string]; settle: [id: string, state: 'cured' | 'not seen'] }>()
const store = useDrive()
const query = ref('')
const MOST = 8

const matching = computed(() => {
  const known = new Set(complaints.map(c => c.id))
  const words = query.value.trim()
  const all = words
    ? searchSayable(words, store.way.situation, ['complaint'], MOST).map(hit => findComplaint(hit.id)!)
    : store.drive
      ? complaintsOn(store.drive.mechanism)
      : []
  return all.filter(c => !known.has(c.id)).slice(0, MOST)
})
function choose(complaint: Complaint | null): void {
  if (!complaint) return
  query.value = ''
  emit('complain', complaint.id)
}
</script>

<template>
  <div>
    <h3 class="section-title mb-1">Complaints</h3>
    <p v-if="store.drive?.ownerWords" class="hint text-sm mb-2">Owner’s words: “{{ store.drive.ownerWords }}”</p>
    <ul v-if="complaints.length" class="mb-3">
      <li v-for="c in complaints" :key="c.id" class="py-1.5 border-b border-line last:border-0">
        <div class="font-bold text-sm">{{ c.label }}</div>
        <div v-if="!closed" class="flex gap-3 text-sm">
          <button class="link min-h-11" type="button" @click="emit('settle', c.id, 'cured')">Log: cured</button>
          <button class="link min-h-11" type="button" @click="emit('settle', c.id, 'not seen')">Log: not seen</button>
        </div>
      </li>
    </ul>
    <Combobox v-if="!closed" :model-value="null" nullable @update:model-value="choose">
      <div class="relative">
        <ComboboxInput
          class="field w-full"
          aria-label="What does it do wrong?"
          placeholder="What does it do wrong?"
          :display-value="() => query"
          @change="query = ($event.target as HTMLInputElement).value"
        />
        <ComboboxOptions
          v-if="query || complaints.length === 0"
          :static="complaints.length === 0"
          class="mt-1 w-full panel max-h-64 overflow-auto"
          :class="{ 'absolute z-10': complaints.length > 0 }"
        >
          <ComboboxOption v-for="c in matching" :key="c.id" v-slot="{ active }" :value="c" as="template">
            <li class="px-3 py-2 min-h-11 text-sm cursor-pointer" :class="{ 'bg-tint': active }">{{ c.label }}</li>
          </ComboboxOption>
          <li v-if="matching.length === 0" class="hint px-3 py-2 text-sm">No complaint has these words.</li>
        </ComboboxOptions>
      </div>
    </Combobox>
  </div>
</template>
