<script setup lang="ts">
import { AS_FOUND_KINDS, type AsFoundItem, type AsFoundKind } from '@wobrin/core/log'
import type { RecordedItem } from '@wobrin/core/findings'

/** One thing as it was found: what it is, and what matters for its kind. */
const { shown, mark, record, save } = defineProps<{
  shown: boolean
  mark: AsFoundItem['mark']
  record: readonly RecordedItem[]
  save: (item: Partial<AsFoundItem>, undone: boolean) => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()

const kind = ref<AsFoundKind>('connector')
const form = reactive({ name: '', state: '', detail: '', colour: '', from: '', to: '', measured: '', behind: '' })
const undone = ref(false)
const problem = ref<string | null>(null)
watch(
  () => shown,
  now => {
    if (!now) return
    Object.assign(form, { name: '', state: '', detail: '', colour: '', from: '', to: '', measured: '', behind: '' })
    undone.value = false
    problem.value = null
  },
)

/** Which fields a kind has, and what they are called there. */
const FIELDS: Readonly<Record<AsFoundKind, Partial<Record<keyof typeof form, string>>>> = {
  connector: { name: 'Which one', state: 'Pin 1 is at', detail: 'What else to know' },
  strap: { name: 'Which one', state: 'It is' },
  terminator: { name: 'Which one', state: 'It is' },
  wire: { name: 'Which one', colour: 'Colour', from: 'From', to: 'To', measured: 'Measured as' },
  screw: { name: 'Which ones', detail: 'Kind, length, how many' },
  tie: { name: 'Where', detail: 'What it holds' },
  loose: { name: 'What it is', state: 'Where it lies now', detail: 'What it looks like' },
  solder: { name: 'Which point', detail: 'What was on it' },
  part: { name: 'What it is', detail: 'How it comes off' },
}
const EXAMPLES: Readonly<Partial<Record<AsFoundKind, string>>> = {
  connector: '34-pin data',
  strap: 'drive select',
  wire: 'motor +',
  screw: 'board, three',
  tie: 'loom at the motor',
  loose: 'write-protect pin',
  part: 'board',
}
const fields = computed(() => Object.entries(FIELDS[kind.value]) as [keyof typeof form, string][])
const front = computed(() => record.filter(r => ['part', 'connector', 'screw', 'tie'].includes(r.item.kind)))

async function send(): Promise<void> {
  const used = Object.fromEntries(fields.value.map(([k]) => [k, form[k].trim()]))
  problem.value = await save({ kind: kind.value, ...used, behind: form.behind || null, mark }, undone.value).then(
    () => null,
    problemText,
  )
}
</script>

<template>
  <ModalDialog
    :shown="shown"
    :title="mark ? 'What is marked there?' : 'Write a thing down'"
    wide
    @close="emit('close')"
  >
    <form class="space-y-4" @submit.prevent="send">
      <fieldset>
        <legend class="sr-only">Kind</legend>
        <div class="grid grid-cols-3 sm:grid-cols-5 gap-2">
          <button
            v-for="(label, k) in AS_FOUND_KINDS"
            :key="k"
            type="button"
            class="min-h-12 px-2 rounded-box border text-sm"
            :class="kind === k ? 'border-ink border-2 font-bold bg-tint' : 'border-line'"
            :aria-pressed="kind === k"
            @click="kind = k"
          >
            {{ label }}
          </button>
        </div>
      </fieldset>
      <div class="grid sm:grid-cols-2 gap-4">
        <FormField
          v-for="([key, label], i) in fields"
          :key="key"
          v-slot="{ id }"
          :label="label"
          :class="i === 0 && 'sm:col-span-2'"
          ><input
            :id="id"
            v-model="form[key]"
            class="field"
            maxlength="80"
            :required="key === 'name'"
            :placeholder="key === 'name' && EXAMPLES[kind] ? `such as ${EXAMPLES[kind]}` : undefined"
            autocomplete="off"
        /></FormField>
        <FormField v-if="front.length" v-slot="{ id }" label="What has to come off before it"
          ><select :id="id" v-model="form.behind" class="field">
            <option value="">nothing</option>
            <option v-for="r in front" :key="r.entry.id" :value="r.entry.id">{{ r.number }} · {{ r.item.name }}</option>
          </select></FormField
        >
      </div>
      <label v-if="kind !== 'loose'" class="flex items-center gap-3 min-h-11"
        ><input v-model="undone" type="checkbox" class="size-5 accent-[var(--ink)]" /><span
          >It is undone now</span
        ></label
      >
      <p v-if="problem" class="text-sm text-stop" role="alert">{{ problem }}</p>
      <div class="flex gap-3">
        <button class="btn btn-primary">Keep it</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
  </ModalDialog>
</template>
