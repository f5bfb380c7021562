<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { Plus, X } from 'lucide-vue-next'
import { foundPosition, type Choice, type DriveProfile, type Position } from '@wobrin/core/drives/hosts'
import type { EditedEffects } from './FitEffects.vue'

/** What a drive has soldered, and what can be set on it: straps, wires, cuts. */
const { start, save } = defineProps<{
  start: DriveProfile
  save: (p: DriveProfile) => Promise<unknown>
  own: boolean
}>()
const emit = defineEmits<{ close: []; remove: [] }>()
const profile = ref<DriveProfile>(start)
const setChoice = (i: number, part: Partial<Choice>) => {
  profile.value = { ...profile.value, choices: profile.value.choices.map((c, j) => (j === i ? { ...c, ...part } : c)) }
}
const setPosition = (i: number, k: number, part: Partial<Position>) =>
  setChoice(i, { positions: profile.value.choices[i]!.positions.map((p, j) => (j === k ? { ...p, ...part } : p)) })
const id = () => uuid().slice(0, 8)
const add = (kind: Choice['kind']) => {
  const first = { id: id(), label: kind === 'cut' ? 'whole' : 'open' }
  const second = { id: id(), label: kind === 'cut' ? 'cut' : 'closed' }
  profile.value = {
    ...profile.value,
    choices: [
      ...profile.value.choices,
      {
        id: id(),
        label: `${kind.charAt(0).toUpperCase()}${kind.slice(1)} ${profile.value.choices.length + 1}`,
        kind,
        positions: [first, second],
      },
    ],
  }
}
const dropPosition = (i: number, c: Choice, k: number) =>
  setChoice(i, {
    positions: c.positions.filter((_, j) => j !== k),
    found: c.found === c.positions[k]!.id ? undefined : c.found,
  })
const value = (event: Event) => (event.target as HTMLInputElement).value
const fixed = computed({
  get: () => profile.value.fixed as EditedEffects,
  set: e => {
    profile.value = { ...profile.value, fixed: e }
  },
})
</script>

<template>
  <FitEditor
    :profile="profile"
    :save="save"
    :own="own"
    what="What the drive offers"
    @close="emit('close')"
    @remove="emit('remove')"
    @head="profile = { ...profile, ...$event }"
  >
    <details open>
      <summary class="font-bold min-h-9">
        Soldered: {{ profile.fixed.lines?.length ?? 0 }} lines, {{ profile.fixed.ways?.length ?? 0 }} ways
      </summary>
      <FitEffects v-model="fixed" name="Soldered" class="grid-cols-2 mt-2 max-w-xl" />
    </details>
    <section
      v-for="(c, i) in profile.choices"
      :key="c.id"
      class="border border-line rounded-box p-3 space-y-3"
      :aria-label="c.label"
    >
      <div class="flex gap-2 items-end">
        <FormField v-slot="{ id: f }" label="Name" class="grow"
          ><input
            :id="f"
            class="field"
            :value="c.label"
            autocomplete="off"
            @input="setChoice(i, { label: value($event) })"
        /></FormField>
        <FormField v-slot="{ id: f }" label="Kind"
          ><select
            :id="f"
            class="field"
            :value="c.kind"
            @change="setChoice(i, { kind: value($event) as Choice['kind'] })"
          >
            <option value="strap">strap</option>
            <option value="wire">wire</option>
            <option value="cut">cut</option>
          </select></FormField
        >
        <button
          type="button"
          class="min-h-11 min-w-8 text-muted"
          :aria-label="`Take out ${c.label}`"
          @click="profile = { ...profile, choices: profile.choices.filter((_, j) => j !== i) }"
        >
          <X class="size-4" />
        </button>
      </div>
      <div class="grid sm:grid-cols-2 gap-3">
        <div v-for="(p, k) in c.positions" :key="p.id" class="bg-tint rounded-box p-2.5 space-y-1.5">
          <div class="flex gap-2 items-center">
            <input
              class="field"
              :value="p.label"
              :aria-label="`${c.label}, position ${k + 1}`"
              @input="setPosition(i, k, { label: value($event) })"
            />
            <label class="text-sm flex items-center gap-1.5 shrink-0 min-h-11"
              ><input
                type="radio"
                :name="`found-${c.id}`"
                class="size-4 accent-ink"
                :checked="foundPosition(c) === p"
                @change="setChoice(i, { found: p.id })"
              />found so</label
            >
            <button
              v-if="c.positions.length > 1"
              type="button"
              class="min-h-11 min-w-8 text-muted"
              :aria-label="`${c.label}, take out position ${k + 1}`"
              @click="dropPosition(i, c, k)"
            >
              <X class="size-4" />
            </button>
          </div>
          <FitEffects
            :model-value="p as EditedEffects"
            :name="`${c.label}, ${p.label}`"
            @update:model-value="setPosition(i, k, $event)"
          />
        </div>
      </div>
      <button
        v-if="c.positions.length < 8"
        type="button"
        class="link text-sm min-h-9"
        @click="
          setChoice(i, { positions: [...c.positions, { id: id(), label: `position ${c.positions.length + 1}` }] })
        "
      >
        Another position
      </button>
    </section>
    <div class="flex gap-3 flex-wrap">
      <button type="button" class="btn" @click="add('strap')"><Plus class="size-4" />A strap</button
      ><button type="button" class="btn" @click="add('wire')"><Plus class="size-4" />A wire</button
      ><button type="button" class="btn" @click="add('cut')"><Plus class="size-4" />A cut</button>
    </div>
  </FitEditor>
</template>
