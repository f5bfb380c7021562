<script setup lang="ts">
import { upperFirst } from '@wobrin/core/base/observations'
import type { ProcedureStep, Steps } from '@wobrin/core/bench/procedures'
import { CAUTIONS } from '@wobrin/core/bench/stations'

/** The steps of a procedure, with what to mind before any of them. */
const { told } = defineProps<{ told: Pick<Steps, 'steps'> }>()
defineSlots<{ wait?: (of: { step: ProcedureStep; wait: NonNullable<ProcedureStep['wait']> }) => unknown }>()
const cautions = computed(() => [...new Set(told.steps.flatMap(s => s.cautions ?? []))].map(c => CAUTIONS[c].text))
</script>

<template>
  <div>
    <p v-for="c in cautions" :key="c" class="border-l-5 border-nudge bg-nudge-tint px-3 py-2 my-1.5">{{ c }}</p>
    <ol class="list-decimal pl-6 space-y-1.5">
      <li v-for="s in told.steps" :key="s.id">
        <strong>{{ s.title }}</strong>
        <span class="hint block">{{ s.why }}</span>
        <span v-if="s.tools.length" class="hint block">Tools: {{ s.tools.join(', ') }}</span>
        <template v-if="s.wait"
          ><slot name="wait" :step="s" :wait="s.wait"
            ><span class="block">{{ upperFirst(s.wait.what) }}: {{ duration(s.wait.minutes) }}</span></slot
          ></template
        >
      </li>
    </ol>
  </div>
</template>
