<script setup lang="ts">
import { findQuestion } from '@wobrin/core/findings'
import { CAUTIONS, findGate, type Station } from '@wobrin/core/bench/stations'

/** A station with all its steps, whatever the drive. */
const { station } = defineProps<{ station: Station }>()
const asks = (ids: readonly string[] | undefined) =>
  (ids ?? []).map(id => findQuestion(id).topic.toLowerCase()).join(', ')
</script>

<template>
  <details class="border-b border-line">
    <summary class="flex items-baseline gap-3 min-h-11 py-2.5 cursor-pointer">
      <strong>{{ station.label }}</strong><span class="text-muted">{{ station.purpose }}</span
      ><span class="hint ml-auto whitespace-nowrap">{{ station.steps.length }} steps</span>
    </summary>
    <ol class="text-sm pb-4">
      <li
        v-for="s in station.steps"
        :key="s.id"
        class="grid sm:grid-cols-[14rem_1fr] gap-x-5 gap-y-0.5 py-2 border-t border-line"
      >
        <span class="font-bold"
          >{{ s.title }}<span v-if="s.when" class="hint block font-normal">not on every drive</span></span
        >
        <span
          >{{ s.why }}
          <span class="hint block"
            >{{ duration(s.hands) }}{{ s.wait ? `, then ${duration(s.wait)} waiting` : ''
            }}<template v-if="s.tools.length"> · with {{ s.tools.join(', ') }}</template
            ><template v-if="asks(s.asks)"> · records {{ asks(s.asks) }}</template
            ><template v-if="s.gate">
              · behind the safety gate “{{ findGate(s.gate).label.toLowerCase() }}”</template
            ></span
          >
        </span>
      </li>
    </ol>
    <p v-if="station.cautions.length" class="text-sm pb-4">
      <strong>Caution: </strong>{{ station.cautions.map(c => CAUTIONS[c].text).join(' ') }}
    </p>
  </details>
</template>
