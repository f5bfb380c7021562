<script setup lang="ts">
import { needText, type HostFit } from '@wobrin/core/bench/host-fit'
import type { HostProfile } from '@wobrin/core/drives/hosts'

/** How to set it, what will be noticed, why nothing better can be had, and the plug line by line. */
const { fit, host } = defineProps<{ fit: HostFit; host: HostProfile; made: boolean }>()
const WEIGHTS = { must: 'required', expected: 'expected, from memory', notice: 'preferred' } as const
const GRADES = {
  'missed must': 'It will not work:',
  'missed expected': 'Expected from memory, not met:',
  missed: 'You will notice:',
  'second best': 'Nearly:',
} as const
const moved = computed(() => fit.sets.filter(s => s.moved).length)
const ways = computed(() => host.needs.filter(n => n.wants[0]!.kind === 'way'))
const amiss = (id: string) => fit.noticed.find(n => n.need.id === id)
</script>

<template>
  <div class="space-y-6">
    <CallBand :call="fit.call" />
    <section v-if="fit.noticed.length" aria-labelledby="noticed">
      <h3 id="noticed" class="font-bold mb-1">What you will notice</h3>
      <ul class="text-sm">
        <li
          v-for="n in fit.noticed"
          :key="n.need.id"
          class="py-1.5 border-b border-line grid grid-cols-[9rem_1fr] gap-3"
        >
          <span class="font-bold">{{ GRADES[n.grade] }}</span><span
            >{{ n.text }}<span class="hint block text-xs">wanted: {{ needText(n.need) }}</span></span
          >
        </li>
      </ul>
    </section>
    <section aria-labelledby="set">
      <h3 id="set" class="font-bold">{{ moved ? `Set it so: ${moved} to change` : 'Straps: nothing to change' }}</h3>
      <FitStraps v-if="fit.sets.length" :sets="fit.sets" />
      <p v-else class="hint">This drive has nothing to set.</p>
    </section>
    <section aria-labelledby="plug">
      <h3 id="plug" class="font-bold mb-2">At the plug</h3>
      <FitPlug v-if="!made" :pins="host.pins" :rows="fit.pins" class="mb-3" />
      <div class="grid sm:grid-cols-2 gap-x-8 text-sm">
        <table v-for="half in [0, 1]" :key="half" class="w-full self-start">
          <thead>
            <tr class="text-left text-muted border-b border-line">
              <th scope="col" class="font-normal py-1 w-10">Pin</th>
              <th scope="col" class="font-normal">Host expects</th>
              <th scope="col" class="font-normal">{{ made ? 'Drive’s pin' : 'Drive gives' }}</th>
              <th class="w-5"><span class="sr-only">Agrees</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="p in fit.pins.filter((_, i) => i < fit.pins.length / 2 === (half === 0))"
              :key="p.pin"
              class="border-b border-line"
            >
              <td class="py-1 font-bold">{{ p.pin }}</td>
              <td>{{ p.host }}</td>
              <td :class="!p.agrees && 'font-bold'">{{ made ? (p.from ?? 'none') : p.drive }}</td>
              <td>
                <CallMark :kind="p.agrees ? 'leave' : 'mend'" decorative :size="13" /><span class="sr-only">{{
                  p.agrees ? 'agrees' : 'does not agree'
                }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <ul v-if="ways.length" class="text-sm mt-3">
        <li v-for="n in ways" :key="n.id" class="flex items-center gap-2 py-1">
          <CallMark
            :kind="amiss(n.id) ? (amiss(n.id)!.grade === 'second best' ? 'unknown' : 'mend') : 'leave'"
            decorative
            :size="13"
          />{{ needText(n).charAt(0).toUpperCase() + needText(n).slice(1)
          }}<span class="hint">{{ WEIGHTS[n.weight] }}{{ amiss(n.id) ? ', not met' : '' }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>
