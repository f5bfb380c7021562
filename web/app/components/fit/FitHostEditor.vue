<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { Plus, X } from 'lucide-vue-next'
import {
  MODE_IDS,
  MODES,
  SIGNAL_IDS,
  SIGNALS,
  valuesOf,
  type HostProfile,
  type Mode,
  type Need,
  type Want,
} from '@wobrin/core/drives/hosts'

/** What a host expects, need by need; each may be met in more than one way, the right one first. */
const { start, save } = defineProps<{ start: HostProfile; save: (p: HostProfile) => Promise<unknown>; own: boolean }>()
const emit = defineEmits<{ close: []; remove: [] }>()
const profile = ref<HostProfile>(start)
const setNeed = (i: number, part: Partial<Need>) => {
  profile.value = { ...profile.value, needs: profile.value.needs.map((n, j) => (j === i ? { ...n, ...part } : n)) }
}
const setWant = (i: number, k: number, want: Want) =>
  setNeed(i, { wants: profile.value.needs[i]!.wants.map((w, j) => (j === k ? want : w)) })
const fresh: Readonly<Record<Want['kind'], Want>> = {
  line: { kind: 'line', signal: 'ready', pin: 34 },
  way: { kind: 'way', mode: 'motor-turns', oneOf: ['motor-line'] },
  quiet: { kind: 'quiet', pin: 34 },
}
const add = () => {
  profile.value = {
    ...profile.value,
    needs: [...profile.value.needs, { id: uuid().slice(0, 8), weight: 'notice', wants: [fresh.line] }],
  }
}
const drop = (i: number) => {
  profile.value = { ...profile.value, needs: profile.value.needs.filter((_, j) => j !== i) }
}
const value = (event: Event) => (event.target as HTMLInputElement).value
/** A part of a want that is changed, its kind kept. */
const patch = (w: Want, part: object) => ({ ...w, ...part }) as Want
</script>

<template>
  <FitEditor
    :profile="profile"
    :save="save"
    :own="own"
    what="What the host expects"
    @close="emit('close')"
    @remove="emit('remove')"
    @head="profile = { ...profile, ...$event }"
  >
    <ul class="divide-y divide-line border-y border-line">
      <li
        v-for="(n, i) in profile.needs"
        :key="n.id"
        class="py-1.5 grid sm:grid-cols-[9rem_1fr_auto] gap-x-3 gap-y-2 items-start"
      >
        <select
          class="field"
          :value="n.weight"
          :aria-label="`Need ${i + 1}, how much`"
          @change="setNeed(i, { weight: value($event) as Need['weight'] })"
        >
          <option value="must">required: seen on this host</option>
          <option value="expected">expected, from memory</option>
          <option value="notice">preferred</option>
        </select>
        <div class="space-y-2">
          <div v-for="(w, k) in n.wants" :key="k" class="flex flex-wrap gap-2 items-center">
            <span v-if="k" class="text-sm text-muted">or</span>
            <select
              class="field w-28!"
              :value="w.kind"
              :aria-label="`Need ${i + 1}, kind ${k + 1}`"
              @change="setWant(i, k, fresh[value($event) as Want['kind']])"
            >
              <option value="line">a line</option>
              <option value="way">a way</option>
              <option value="quiet">nothing</option>
            </select>
            <template v-if="w.kind === 'way'">
              <select
                class="field w-48!"
                :value="w.mode"
                :aria-label="`Need ${i + 1}, way ${k + 1}`"
                @change="
                  setWant(i, k, {
                    kind: 'way',
                    mode: value($event) as Mode,
                    oneOf: [valuesOf(value($event) as Mode)[0]![0]],
                  })
                "
              >
                <option v-for="m in MODE_IDS" :key="m" :value="m">{{ MODES[m].label }}</option>
              </select>
              <label v-for="[v, t] in valuesOf(w.mode)" :key="v" class="chip"
                ><input
                  type="checkbox"
                  class="sr-only"
                  :checked="w.oneOf.includes(v)"
                  @change="
                    setWant(
                      i,
                      k,
                      patch(w, { oneOf: w.oneOf.includes(v) ? w.oneOf.filter(x => x !== v) : [...w.oneOf, v] }),
                    )
                  "
                /><span>{{ t.label }}</span></label
              >
            </template>
            <template v-else>
              <select
                v-if="w.kind === 'line'"
                class="field w-52!"
                :value="w.signal"
                :aria-label="`Need ${i + 1}, line ${k + 1}`"
                @change="setWant(i, k, patch(w, { signal: value($event) }))"
              >
                <option v-for="s in SIGNAL_IDS" :key="s" :value="s">{{ SIGNALS[s].label }}</option>
              </select>
              <span class="text-sm text-muted">on pin</span
              ><input
                class="field w-16! text-right"
                inputmode="numeric"
                :value="w.pin"
                :aria-label="`Need ${i + 1}, pin ${k + 1}`"
                @change="setWant(i, k, patch(w, { pin: Number(value($event)) }))"
              />
            </template>
            <input
              v-if="k"
              class="field grow min-w-40"
              :value="w.but"
              placeholder="what is noticed then"
              :aria-label="`Need ${i + 1}, what is noticed ${k + 1}`"
              @change="setWant(i, k, patch(w, { but: value($event) || undefined }))"
            />
            <button
              v-if="k === n.wants.length - 1 && k < 5"
              type="button"
              class="link text-sm min-h-11 px-1"
              @click="setNeed(i, { wants: [...n.wants, fresh[n.wants[0]!.kind]] })"
            >
              or else
            </button>
            <button
              v-if="k"
              type="button"
              class="min-h-11 min-w-8 text-muted"
              :aria-label="`Need ${i + 1}, take out ${k + 1}`"
              @click="setNeed(i, { wants: n.wants.filter((_, j) => j !== k) })"
            >
              <X class="size-4" />
            </button>
          </div>
        </div>
        <button
          type="button"
          class="min-h-11 min-w-8 text-muted"
          :aria-label="`Take out need ${i + 1}`"
          @click="drop(i)"
        >
          <X class="size-4" />
        </button>
      </li>
    </ul>
    <button type="button" class="btn" @click="add"><Plus class="size-4" />A need</button>
  </FitEditor>
</template>
