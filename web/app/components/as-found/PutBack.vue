<script setup lang="ts">
import type { PutBackStep } from '@wobrin/core/bench/put-back'
import type { useAsFound } from '~/composables/useAsFound'

/** The way back, in reverse of undoing, one check each. */
const { book } = defineProps<{ book: ReturnType<typeof useAsFound>; closed: boolean }>()
const { list } = book
const next = computed(() => list.value.steps.find(s => !s.done) ?? null)
const leaving = ref<PutBackStep | null>(null)
const reason = ref('')
const problem = ref<string | null>(null)

async function leaveOff(): Promise<void> {
  problem.value = await book
    .leaveOff(leaving.value!.recorded.entry.id, reason.value.trim())
    .then(() => null, problemText)
  if (!problem.value) leaving.value = null
}

function askLeaveOff(s: NonNullable<typeof leaving.value>): void {
  leaving.value = s
  reason.value = ''
  problem.value = null
}
</script>

<template>
  <section aria-label="Put-back list">
    <p v-if="!list.steps.length" class="hint">Nothing was undone, so nothing is to be put back.</p>
    <div v-if="list.warnings.length" class="border-l-5 border-nudge bg-nudge-tint px-4 py-3 mb-4 text-sm">
      <p v-for="w in list.warnings" :key="w">{{ w }}</p>
    </div>
    <ol>
      <li
        v-for="s in list.steps"
        :key="s.recorded.entry.id"
        class="flex gap-3 border-b border-line py-2.5"
        :class="s === next && 'bg-tint -mx-3 px-3'"
      >
        <span
          class="min-w-7 h-7 grid place-items-center rounded-full border-2 border-ink text-sm font-bold shrink-0"
          :class="s.done ? 'bg-ink text-panel' : ''"
          aria-hidden="true"
          >{{ s.recorded.number }}</span
        >
        <div class="grow min-w-0">
          <p :class="s.done ? 'text-muted' : 'font-bold'">
            {{ s.title }}<span v-if="s.recorded.leftOff" class="font-normal"> (left off)</span>
          </p>
          <p v-if="!s.done" class="hint">{{ s.check }}</p>
          <p v-if="s.remake" class="text-sm">
            <CallMark kind="mend" :size="14" decorative class="inline align-[-2px] mr-1.5" />{{ s.remake }}
          </p>
        </div>
        <div v-if="!closed && !s.done" class="flex items-start gap-2 shrink-0">
          <button class="btn" :class="s === next && 'btn-primary'" @click="book.putBack(s.recorded.entry.id)">
            It is back
          </button>
          <button class="text-sm text-muted link min-h-11" @click="askLeaveOff(s)">Left off</button>
        </div>
      </li>
    </ol>
    <p v-if="list.steps.length && !list.left" class="mt-3">
      <CallMark kind="leave" decorative class="inline align-[-3px] mr-2" />Everything that was undone is settled.
    </p>
    <ModalDialog :shown="leaving !== null" :title="`Leave off: ${leaving?.recorded.item.name}`" @close="leaving = null">
      <form class="space-y-4" @submit.prevent="leaveOff">
        <FormField v-slot="{ id }" label="Why it stays off" :problem="problem ?? undefined"
          ><input :id="id" v-model="reason" class="field" maxlength="300" required
        /></FormField>
        <div class="flex gap-3">
          <button class="btn btn-primary">Leave it off</button
          ><button type="button" class="btn" @click="leaving = null">Cancel</button>
        </div>
      </form>
    </ModalDialog>
  </section>
</template>
