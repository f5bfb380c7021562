<script setup lang="ts">
import { Check, TriangleAlert, X } from 'lucide-vue-next'

const { notices, close } = useNotices()
/** The page for a phone has its buttons at the foot: nothing may cover them. */
const inHand = useInHand()
</script>

<template>
  <div
    class="fixed right-4 left-4 sm:left-auto sm:w-96 z-40 space-y-2 no-print"
    :class="inHand ? 'top-4' : 'bottom-4'"
    aria-live="polite"
  >
    <div
      v-for="notice in notices"
      :key="notice.id"
      class="panel shadow-lg p-3 pl-4 flex items-start gap-3 text-sm"
      :class="notice.kind === 'problem' && 'border-stop'"
      :role="notice.kind === 'problem' ? 'alert' : 'status'"
    >
      <component
        :is="notice.kind === 'problem' ? TriangleAlert : Check"
        class="size-5 shrink-0 mt-0.5"
        :class="notice.kind === 'problem' ? 'text-stop' : 'text-leave'"
        aria-hidden="true"
      />
      <p class="grow py-0.5">{{ notice.text }}</p>
      <button
        class="size-7 -m-1 grid place-items-center text-muted hover:text-ink"
        aria-label="Close this message"
        @click="close(notice.id)"
      >
        <X class="size-4" />
      </button>
    </div>
  </div>
</template>
