<script setup lang="ts">
import { CALLS, type Call } from '@wobrin/core/base/observations'

/** The call of a worked example, in a line of text: quieter than the band of a call that is meant. */
defineProps<{ call: Call }>()
</script>

<template>
  <p>
    <CallMark :kind="call.kind" decorative class="inline align-[-3px] mr-2" /><strong>{{
      CALLS[call.kind].label
    }}</strong>
    {{ call.reasons.join(' ') }} {{ call.next }}
  </p>
</template>
