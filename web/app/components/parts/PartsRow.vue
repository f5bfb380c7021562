<script setup lang="ts">
import { CornerDownRight } from 'lucide-vue-next'
import type { PartThere } from '@wobrin/core/parts'

/** One part of a drive: what it is like, and how that is known. */
defineProps<{ part: PartThere }>()
const emit = defineEmits<{ change: [] }>()
</script>

<template>
  <tr class="border-t border-line align-top" :data-part="part.id" :data-condition="part.condition">
    <th class="font-normal text-left py-2 pr-3" scope="row">
      <span :class="part.within ? 'pl-5 inline-flex gap-1.5' : 'font-bold'"
        ><CornerDownRight v-if="part.within" class="size-4 text-muted shrink-0 mt-0.5" aria-hidden="true" />{{
          part.label
        }}</span
      >
    </th>
    <td class="py-2 pr-3 whitespace-nowrap">
      <span class="inline-flex gap-2 items-center"
        ><CallMark :kind="PART_CONDITIONS[part.condition].mark" :size="15" decorative /><span
          :class="{ 'font-bold': part.condition === 'bad' || part.condition === 'lent' }"
          >{{ PART_CONDITIONS[part.condition].word }}</span
        ></span
      >
    </td>
    <td class="py-2 pr-3 text-muted">
      {{ part.says }}
      <span v-if="part.condition === 'good' && part.state !== 'not known'" class="whitespace-nowrap"
        >({{ part.state }})</span
      >
    </td>
    <td class="py-0 text-right whitespace-nowrap">
      <button v-if="!part.lent" class="link min-h-10 px-1" type="button" @click="emit('change')">Record…</button>
    </td>
  </tr>
</template>
