<script setup lang="ts">
import { FileDown } from 'lucide-vue-next'
import { toCsv, type CalculatorTable } from '@wobrin/core/calculators/calculator'

/** A table to take along: what to buy, what to cut. */
const { table, name } = defineProps<{ table: CalculatorTable; name: string }>()
</script>

<template>
  <div class="mt-5">
    <div class="flex items-center justify-between gap-3">
      <h3 class="font-bold">{{ table.title }}</h3>
      <button class="btn" @click="saveText(`${name}.csv`, toCsv(table), 'text/csv')">
        <FileDown class="size-4" />CSV
      </button>
    </div>
    <table class="w-full text-sm mt-1">
      <thead>
        <tr class="text-left text-muted border-b border-line">
          <th
            v-for="(c, i) in table.columns"
            :key="c"
            scope="col"
            class="font-normal py-1"
            :class="i === 0 ? 'text-right pr-4 w-14' : 'pr-3'"
          >
            {{ c }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in table.rows" :key="i" class="border-b border-line">
          <td v-for="(x, j) in r" :key="j" class="py-1.5" :class="j === 0 ? 'text-right pr-4 font-bold' : 'pr-3'">
            {{ x }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
