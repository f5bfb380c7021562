<script setup lang="ts">
import { CALLS, type Call } from '@wobrin/core/base/observations'

defineProps<{ call: Call }>()

const look = {
  leave: 'border-leave bg-leave-tint',
  nudge: 'border-nudge bg-nudge-tint',
  mend: 'border-mend bg-mend-tint',
  stop: 'border-stop bg-stop-tint',
  unknown: 'border-muted bg-tint',
} as const
</script>

<template>
  <div class="border-l-5 px-4 py-3" :class="look[call.kind]" role="status" data-testid="call">
    <p>
      <CallMark :kind="call.kind" decorative class="inline align-[-3px] mr-2" /><strong class="mr-2.5">{{
        CALLS[call.kind].label
      }}</strong
      >{{ call.reasons[0] }} <strong>{{ call.next }}</strong>
    </p>
    <p v-for="reason in call.reasons.slice(1)" :key="reason" class="hint mt-1">{{ reason }}</p>
  </div>
</template>
