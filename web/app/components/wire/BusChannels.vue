<script setup lang="ts">
import { LINE_NAMES, LINES, type LineName } from '@wobrin/core/instruments/interface'
import { CODE_LABELS } from '@wobrin/core/signals/codes'
import type { OpenedBus } from '~/workers/drive.worker'
import type { BusChoices } from '~/composables/useBusRecording'

/** Which channel is which line, and how to read it. */
const { opened, choices } = defineProps<{ opened: OpenedBus; choices: BusChoices }>()
const emit = defineEmits<{
  map: [Partial<Record<LineName, string>>]
  turnOver: []
  code: [BusChoices['code']]
  trusted: [boolean]
}>()
</script>

<template>
  <details>
    <summary class="font-bold min-h-8 text-sm">Channels and how they are read</summary>
    <div class="grid sm:grid-cols-2 md:grid-cols-3 lg:grid-cols-4 gap-3 mt-2">
      <FormField v-for="line in LINE_NAMES" v-slot="{ id }" :key="line" :label="LINES[line].label">
        <select
          :id="id"
          class="field"
          :value="choices.mapping[line] ?? ''"
          @change="emit('map', { [line]: ($event.target as HTMLSelectElement).value })"
        >
          <option value="">not recorded</option>
          <option v-for="c in opened.channels" :key="c.name" :value="c.name" :disabled="!c.usable">{{ c.name }}</option>
        </select>
      </FormField>
      <FormField v-slot="{ id }" label="Code">
        <select
          :id="id"
          class="field"
          :value="choices.code"
          @change="emit('code', ($event.target as HTMLSelectElement).value as BusChoices['code'])"
        >
          <option value="auto">find it out</option>
          <option v-for="(label, code) in CODE_LABELS" :key="code" :value="code">{{ label }}</option>
        </select>
      </FormField>
      <label class="flex items-center gap-2.5 min-h-11 self-end text-sm"
        ><input type="checkbox" class="size-5" :checked="choices.inverted" @change="emit('turnOver')" />levels are
        inverted</label
      >
      <label class="flex items-center gap-2.5 min-h-11 self-end text-sm"
        ><input
          type="checkbox"
          class="size-5"
          :checked="choices.trusted"
          @change="emit('trusted', !choices.trusted)"
        />a verified drive wrote the disk</label
      >
    </div>
    <p class="hint mt-2">The mapping is remembered for recordings with the same channels.</p>
  </details>
</template>
