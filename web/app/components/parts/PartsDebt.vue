<script setup lang="ts">
import type { Debt } from '../../../shared/parts'

/** A part that one drive owes to another. */
const { debt } = defineProps<{ debt: Debt }>()
const emit = defineEmits<{ settled: [] }>()
const { post } = useLogPost()
const attempt = useAttempt()
const notices = useNotices()
const settle = (how: 'returned' | 'replaced') =>
  attempt(async () => {
    const entry = await post(debt.lender.id, 'parts-back', { lent: debt.lent, how, remark: '' })
    notices.done(`${entry.title}.`)
    emit('settled')
  })
</script>

<template>
  <li class="flex flex-wrap gap-x-3 gap-y-1 items-center border-t border-line py-2 text-sm">
    <span class="grow"
      ><strong>{{ debt.label }}</strong> of
      <NuxtLink class="link" :to="`/drives/${debt.lender.id}?view=parts`">{{ debt.lender.tag }}</NuxtLink> is in
      <NuxtLink class="link" :to="`/drives/${debt.to.id}?view=parts`">{{ debt.to.tag }}</NuxtLink><span
        class="text-muted"
      >
        since {{ shortTime(debt.at) }}</span
      ></span
    >
    <button class="link min-h-10" type="button" @click="settle('returned')">It is back</button>
    <button class="link min-h-10" type="button" @click="settle('replaced')">Another one is in its place</button>
  </li>
</template>
