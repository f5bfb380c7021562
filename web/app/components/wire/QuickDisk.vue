<script setup lang="ts">
import { QUICK_RATE } from '@wobrin/core/signals/codes'
import type { QuickDiskSpec } from '@wobrin/core/simulator'
import type { QuickSweep } from '~/workers/drive.worker'

/** A simulated quick-disk drive: no steps, one pass, and its rail as one continuous pass. */
const { worker } = defineProps<{ worker: ReturnType<typeof useDriveWorker> }>()

const STORIES: readonly { readonly id: string; readonly label: string; readonly part: Partial<QuickDiskSpec> }[] = [
  { id: 'sound', label: 'A sound drive', part: {} },
  { id: 'fast', label: 'Runs fast', part: { rpm: 446 } },
  { id: 'slow', label: 'Runs slow', part: { rpm: 405 } },
  { id: 'late', label: 'Pass starts in the wrong place', part: { startTurns: -1.3 } },
  { id: 'dirty', label: 'Head dirty', part: { dirtUm: 2.6 } },
  { id: 'belt', label: 'Belt with a flat spot', part: { beltRipplePercent: 4 } },
]
const story = ref('sound')
const sweep = shallowRef<QuickSweep | null>(null)
const busy = ref(false)

async function run(): Promise<void> {
  busy.value = true
  sweep.value = await worker().sweep({ ...STORIES.find(s => s.id === story.value)!.part })
  busy.value = false
}
watch(story, run)
onMounted(run)

/** Width of a block, by its bits. */
const long = (bytes: number) => Math.max(3, x(((bytes + 6) * 8) / QUICK_RATE / (1 + (sweep.value?.rateOff || 0))) - 2)
const x = (s: number) => (sweep.value ? (s / sweep.value.durationS) * 1000 : 0)
</script>

<template>
  <section class="panel p-5 space-y-4" aria-label="Quick disk">
    <div class="flex flex-wrap items-end gap-3">
      <FormField v-slot="{ id }" label="Its state"
        ><select :id="id" v-model="story" class="field w-auto">
          <option v-for="s in STORIES" :key="s.id" :value="s.id">{{ s.label }}</option>
        </select></FormField
      >
      <button class="btn btn-primary" :disabled="busy" @click="run">Run one pass</button>
    </div>
    <template v-if="sweep">
      <CallBand :call="sweep.call" />
      <figure>
        <figcaption class="hint mb-1">
          One pass from the outer edge to the hub; bar: timing margin of a block; notch: a block that failed. The layout
          of these blocks is invented: no host writes its disks so.
        </figcaption>
        <svg
          viewBox="0 0 1000 132"
          class="w-full text-xs"
          role="img"
          :aria-label="`Pass of ${sweep.passS.toFixed(1)} s with ${sweep.blocks.length} blocks`"
        >
          <rect
            :x="x(sweep.readyS)"
            y="84"
            :width="x(sweep.passS)"
            height="12"
            rx="4"
            fill="var(--tint)"
            stroke="var(--line)"
          />
          <g v-for="b in sweep.blocks" :key="b.id">
            <rect
              v-if="b.good"
              :x="x(b.atS)"
              :y="80 - Math.max(0, b.margin) * 72"
              :width="long(b.bytes)"
              :height="Math.max(2, Math.max(0, b.margin) * 72)"
              :fill="b.margin < 0.4 ? 'var(--nudge)' : 'var(--leave)'"
            />
            <path v-else :d="`M${x(b.atS)} 78h${long(b.bytes)}`" stroke="var(--nudge)" stroke-width="3" />
          </g>
          <path
            :d="`M0 112H${x(sweep.readyS)}V124H${x(sweep.readyS + sweep.passS)}V112H1000`"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.5"
          />
          <text :x="x(sweep.readyS) + 6" y="120" fill="var(--muted)">ready, low</text>
          <text x="0" y="108" fill="var(--muted)">motor on</text>
          <text x="1000" y="108" text-anchor="end" fill="var(--muted)">
            back at the edge, {{ sweep.durationS.toFixed(1) }} s
          </text>
        </svg>
      </figure>
      <dl class="grid grid-cols-2 md:grid-cols-4 gap-4 text-sm">
        <div>
          <dt class="text-muted">Pass</dt>
          <dd class="text-lg font-bold">{{ sweep.passS.toFixed(2) }} s</dd>
        </div>
        <div>
          <dt class="text-muted">Ready to data</dt>
          <dd class="text-lg font-bold">
            {{ sweep.readyToDataMs === null ? '–' : `${sweep.readyToDataMs.toFixed(0)} ms` }}
          </dd>
        </div>
        <div>
          <dt class="text-muted">Bit rate</dt>
          <dd class="text-lg font-bold">
            {{ sweep.rateOff === null || Number.isNaN(sweep.rateOff) ? '–' : `${signed(sweep.rateOff * 100, 1)} %` }}
          </dd>
        </div>
        <div>
          <dt class="text-muted">Blocks</dt>
          <dd class="text-lg font-bold">{{ sweep.blocks.filter(b => b.good).length }} of {{ sweep.wanted }}</dd>
        </div>
      </dl>
    </template>
  </section>
</template>
