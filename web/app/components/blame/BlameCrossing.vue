<script setup lang="ts">
import type { BlameTable, PlaceRead } from '@wobrin/core/proof'

/** Disks down, drives across: each crossing a small rail. */
defineProps<{
  table: BlameTable
  disks: readonly number[]
  drives: readonly number[]
  cell: (disk: number, drive: number) => PlaceRead[]
  writerOf: (disk: number) => string
}>()
</script>

<template>
  <div class="overflow-x-auto relative">
    <table class="text-sm">
      <thead>
        <tr>
          <th class="text-left font-normal text-muted pr-6 pb-2 align-bottom">Disk, and who wrote it</th>
          <th v-for="r in drives" :key="r" class="px-2 pb-2 font-bold">
            {{ table.drives[r]!.name
            }}<span v-if="table.drives[r]!.speed === 'off'" class="block hint font-normal">off speed</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in disks" :key="d" class="border-t border-line">
          <th class="text-left font-bold pr-6 py-2 min-w-44">
            {{ table.disks[d]!.name
            }}<span class="hint block font-normal"
              >{{ writerOf(d) }}{{ table.disks[d]!.trusted ? ' · reference disk' : '' }}</span
            >
          </th>
          <td v-for="r in drives" :key="r" class="px-2 py-2 align-middle">
            <BlameCell v-if="cell(d, r).length" :places="cell(d, r)" /><span
              v-else
              class="block w-28 text-center hint text-xs"
              >not read</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
