<script setup lang="ts">
import { calculatorStart } from '@wobrin/core/bench/entries'
import { findCalculator, ASKED_FOR } from '@wobrin/core/calculators/registry'
import { calculatorOf } from '@wobrin/core/diagnosis'
import type { LogEntry } from '@wobrin/core/log'

/** The calculator that answers a check, its fields filled by the check and by what the log holds. */
const { check } = defineProps<{ check: string | null }>()
const emit = defineEmits<{ close: []; kept: [LogEntry] }>()
const store = useDrive()
const of = computed(() => (check ? calculatorOf(check) : null))
const start = computed(() =>
  of.value ? { ...calculatorStart(of.value.calculator, store.drive!.mechanism, store.log), ...of.value.values } : {},
)
</script>

<template>
  <ModalDialog
    :shown="of !== null"
    :title="of ? `${findCalculator(of.calculator).title}: ${ASKED_FOR[of.calculator]!.asks}` : ''"
    widest
    @close="emit('close')"
  >
    <SumInstrument
      v-if="of"
      :key="check!"
      :instrument="of.calculator"
      :drive-id="store.drive!.id"
      :start="start"
      @kept="entry => emit('kept', entry)"
    />
    <button class="btn mt-4" type="button" @click="emit('close')">Cancel</button>
  </ModalDialog>
</template>
