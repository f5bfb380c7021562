<script setup lang="ts">
import {
  ADJUSTER_IDS,
  ADJUSTER_MOVES,
  ADJUSTER_NAMES,
  SCALES,
  MECHANISMS,
  type AdjusterId,
  type MechanismId,
} from '@wobrin/core/drives'
import { hasOffsetCost, usualHalfWindowUm } from '@wobrin/core/calculators/alignment'

/** What is moved, on which scale, and how far it goes. */
const {
  fixed = false,
  started = false,
  wide = false,
} = defineProps<{
  wide?: boolean
  /** The class is the drive's own. */
  fixed?: boolean
  /** Tries were made: what they are counted in stays. */
  started?: boolean
}>()
const setup = defineModel<{
  adjuster: AdjusterId
  scale: string
  from: string
  to: string
  stood: string
  witness: string
  by: '' | 'lower' | 'upper'
  expected: number
  two: boolean
  umPerUnit: number | null
}>('setup', { required: true })
const mechanism = defineModel<MechanismId>('mechanism', { required: true })
const classes = MECHANISMS.filter(m => hasOffsetCost(m.id))
const window = computed(() =>
  setup.value.umPerUnit && hasOffsetCost(mechanism.value)
    ? (2 * usualHalfWindowUm(mechanism.value)) / setup.value.umPerUnit
    : null,
)
</script>

<template>
  <div class="grid gap-3" :class="wide ? 'grid-cols-2 sm:grid-cols-4' : 'grid-cols-2'">
    <FormField v-slot="{ id }" label="Adjuster" class="col-span-2"
      ><select :id="id" v-model="setup.adjuster" class="field">
        <option v-for="a in ADJUSTER_IDS" :key="a" :value="a">{{ ADJUSTER_NAMES[a] }}</option>
      </select></FormField
    >
    <FormField v-if="!fixed" v-slot="{ id }" label="Drive type" class="col-span-2"
      ><select :id="id" v-model="mechanism" class="field">
        <option v-for="m in classes" :key="m.id" :value="m.id">{{ m.label }}</option>
      </select></FormField
    >
    <FormField v-slot="{ id }" label="Scale"
      ><select :id="id" v-model="setup.scale" class="field" :disabled="started">
        <option v-for="s in SCALES" :key="s">{{ s }}</option>
      </select></FormField
    >
    <FormField v-slot="{ id }" label="Original position"
      ><input :id="id" v-model="setup.stood" class="field text-right" inputmode="decimal" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="Old mark at" hint="in glue or paint"
      ><input :id="id" v-model="setup.witness" class="field text-right" inputmode="decimal" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="Judged by"
      ><select :id="id" v-model="setup.by" class="field">
        <option value="">{{ ADJUSTER_MOVES[setup.adjuster].length === 2 ? 'both heads' : 'its own head' }}</option>
        <option value="lower">the lower head</option>
        <option value="upper">the upper head</option>
      </select></FormField
    >
    <FormField v-slot="{ id }" label="Goes from"
      ><input :id="id" v-model="setup.from" class="field text-right" inputmode="decimal" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="to"
      ><input :id="id" v-model="setup.to" class="field text-right" inputmode="decimal" autocomplete="off"
    /></FormField>
    <FormField v-slot="{ id }" label="Sectors per track"
      ><input :id="id" v-model.number="setup.expected" class="field text-right" type="number" min="1" max="9999"
    /></FormField>
    <FormField
      v-slot="{ id }"
      :label="`Moves by, µm a ${setup.scale === 'marks' ? 'mark' : setup.scale === 'turns' ? 'turn' : setup.scale}`"
      hint="if known"
      ><input
        :id="id"
        :value="setup.umPerUnit ?? ''"
        class="field text-right"
        inputmode="decimal"
        autocomplete="off"
        @change="
          setup.umPerUnit =
            typedNumber(($event.target as HTMLInputElement).value) > 0
              ? typedNumber(($event.target as HTMLInputElement).value)
              : null
        "
    /></FormField>
    <label class="flex items-center gap-2.5 min-h-11 text-sm col-span-2 self-end"
      ><input v-model="setup.two" type="checkbox" class="size-5 accent-ink" :disabled="started" />two heads are
      moved</label
    >
    <p v-if="window" class="hint col-span-full">
      A sound drive of this type reads over about {{ window.toFixed(1) }} {{ setup.scale }}.
    </p>
  </div>
</template>
