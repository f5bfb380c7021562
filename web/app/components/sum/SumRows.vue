<script setup lang="ts">
import { X } from 'lucide-vue-next'
import { QUANTITIES, rowKey, type CalculatorList } from '@wobrin/core/calculators/calculator'

/** Things of one kind, a row each; an empty row stands ready at the end. */
const {
  list,
  typed,
  rows,
  problem = null,
  example,
} = defineProps<{
  list: CalculatorList
  typed: Readonly<Record<string, string>>
  rows: number
  problem?: { readonly field: string; readonly text: string } | null
  /** Values of a worked example, shown where nothing is typed. */
  example?: Readonly<Record<string, string>>
}>()
const emit = defineEmits<{ drop: [row: number]; say: [key: string, text: string] }>()
const say = (row: number, field: string, event: Event) =>
  emit('say', rowKey(list, row, field), (event.target as HTMLInputElement).value)
const at = computed(() => Number(problem?.field.split('.')[1] ?? -1))
const unit = (q: keyof typeof QUANTITIES | undefined) => (q ? QUANTITIES[q].unit : '')
</script>

<template>
  <div class="relative overflow-x-auto">
    <table class="w-full text-sm border-separate border-spacing-x-1 border-spacing-y-1">
      <caption class="text-left font-bold pb-1">
        {{
          list.title
        }}
      </caption>
      <thead>
        <tr class="text-left text-muted">
          <th v-for="f in list.fields" :key="f.key" scope="col" class="font-normal px-1 whitespace-nowrap">
            {{ f.label }}<template v-if="unit(f.quantity)">, {{ unit(f.quantity) }}</template>
          </th>
          <th class="w-8"><span class="sr-only">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="row in rows" :key="row">
          <tr>
            <td
              v-for="f in list.fields"
              :key="f.key"
              :class="f.words ? 'min-w-20' : f.choices ? 'min-w-20' : 'min-w-14'"
            >
              <select
                v-if="f.choices"
                :value="typed[rowKey(list, row - 1, f.key)]"
                class="field px-1.5!"
                :aria-label="`${f.label}, row ${row}`"
                @change="say(row - 1, f.key, $event)"
              >
                <option value="" />
                <option v-for="c in f.choices" :key="c.value" :value="c.value">{{ c.label }}</option>
              </select>
              <input
                v-else
                :value="typed[rowKey(list, row - 1, f.key)]"
                class="field px-2!"
                :class="[
                  f.words ? '' : 'text-right',
                  problem?.field === rowKey(list, row - 1, f.key) && 'border-stop!',
                ]"
                autocomplete="off"
                :placeholder="example?.[rowKey(list, row - 1, f.key)]"
                :aria-label="`${f.label}, row ${row}`"
                @input="say(row - 1, f.key, $event)"
              />
            </td>
            <td>
              <button
                v-if="row < rows || rows === list.most"
                type="button"
                class="min-h-11 min-w-8 text-muted hover:text-ink"
                :aria-label="`Take out row ${row}`"
                @click="emit('drop', row - 1)"
              >
                <X class="size-4 mx-auto" />
              </button>
            </td>
          </tr>
          <tr v-if="at === row - 1">
            <td :colspan="list.fields.length + 1" class="text-stop px-1" role="alert">{{ problem!.text }}</td>
          </tr>
        </template>
      </tbody>
    </table>
  </div>
</template>
