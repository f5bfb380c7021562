<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { hasOffsetCost } from '@wobrin/core/calculators/alignment'
import { calculatorStart, factoryRows } from '@wobrin/core/bench/entries'
import { calculatorGroups } from '@wobrin/core/calculators/registry'
import { ALIGNMENT_LIMITS, findMechanism, type MechanismId } from '@wobrin/core/drives'
import { standingEntries, type LogEntry, type StationId } from '@wobrin/core/log'

/** The instruments of a station by what they look at, each starting from what was last kept with this drive. */
const {
  station,
  driveId,
  log,
  mechanism = null,
  only = null,
} = defineProps<{
  station: StationId
  only?: readonly string[] | null
  driveId: string
  mechanism?: MechanismId | null
  log: readonly LogEntry[]
  closed: boolean
}>()
const emit = defineEmits<{ kept: [LogEntry]; pulleys: [Record<string, string>] }>()
const groups = computed(() => calculatorGroups(station).filter(g => !only || only.includes(g.group)))
const standing = computed(() => standingEntries(log))
const disks = useDisks()
/** What sweeps of the log say where nothing was kept yet. */
const swept = (id: string) =>
  id === 'factory-disks' && mechanism
    ? factoryRows(log, disks.view.value?.standings.map(s => s.disk) ?? [], mechanism)
    : {}
const start = (id: string) => ({ ...usual(id), ...swept(id), ...calculatorStart(id, mechanism, log) })
/** What the class of the drive says where nothing was kept yet. */
function usual(id: string): Record<string, string> {
  if (station !== 'align' || !mechanism) return {}
  const limits = ALIGNMENT_LIMITS[mechanism]
  const trackUm = findMechanism(mechanism).recording?.trackUm.value
  const pitch = findMechanism(mechanism).geometry.pitchMm?.value
  const all: Record<string, Record<string, string | undefined>> = {
    lobes: { limit: limits && `${limits.radialUm.value} um` },
    azimuth: {
      limit: limits && String(limits.azimuthMin.value),
      width: trackUm === undefined ? undefined : `${trackUm} um`,
    },
    'index-burst': {
      nominal: limits && limits.indexUs.value > 0 ? `${limits.indexUs.value} us` : undefined,
      allowed: limits && `${limits.indexWithinUs.value} us`,
    },
    offset: { mechanism: hasOffsetCost(mechanism) ? mechanism : undefined, unit: 'um' },
    'factory-disks': { mechanism: hasOffsetCost(mechanism) ? mechanism : undefined },
    tab: { pitch: pitch?.toFixed(4) },
    flag: { pitch: pitch?.toFixed(4) },
    home: { pitch: pitch?.toFixed(4) },
  }
  return Object.fromEntries(Object.entries(all[id] ?? {}).filter((e): e is [string, string] => e[1] !== undefined))
}
const lastFit = computed(() => {
  const d = standing.value.findLast(e => e.data?.type === 'host-fit')?.data
  return d?.type === 'host-fit' ? d : null
})
const tab = 'min-h-11 border-b-3 -mb-px text-sm'
const chosen = reactive<Record<string, string>>({})
</script>

<template>
  <TabGroup v-if="groups.length && !closed" as="section" aria-label="Instruments here">
    <TabList class="flex flex-wrap gap-x-5 border-b border-line mb-4">
      <Tab v-for="g in groups" :key="g.group" v-slot="{ selected }" as="template"
        ><button :class="[tab, selected ? 'border-ink font-bold' : 'border-transparent text-muted']">
          {{ g.group }}
        </button></Tab
      >
      <Tab v-if="station === 'electronics'" v-slot="{ selected }" as="template"
        ><button :class="[tab, selected ? 'border-ink font-bold' : 'border-transparent text-muted']">
          Host fit
        </button></Tab
      >
    </TabList>
    <TabPanels>
      <TabPanel v-for="g in groups" :key="g.group" :tabindex="-1">
        <div
          v-if="g.sums.length > 1"
          class="flex flex-wrap gap-2 mb-4"
          role="group"
          :aria-label="`${g.group}: which instrument`"
        >
          <button
            v-for="s in g.sums"
            :key="s.id"
            class="btn"
            :class="(chosen[g.group] ?? g.sums[0]!.id) === s.id && 'bg-tint! border-ink! font-bold'"
            :aria-pressed="(chosen[g.group] ?? g.sums[0]!.id) === s.id"
            @click="chosen[g.group] = s.id"
          >
            {{ s.title }}
          </button>
        </div>
        <template v-for="s in g.sums" :key="s.id">
          <SumInstrument
            v-if="(chosen[g.group] ?? g.sums[0]!.id) === s.id"
            :instrument="s.id"
            :drive-id="driveId"
            :start="start(s.id)"
            @kept="emit('kept', $event)"
          >
            <template #default="{ typed }"
              ><template v-if="s.id === 'belt'"
                ><SumBeltDrawing :typed="typed" /><BeltAtHand :typed="typed" :drive-id="driveId" /></template
              ><AlignFlag v-if="s.id === 'flag' || s.id === 'tab'" :instrument="s.id" :typed="typed"
            /></template>
            <template #actions="{ typed }"
              ><button v-if="s.id === 'belt'" class="btn" @click="emit('pulleys', { ...typed })">
                Give the sizes to Speed
              </button></template
            >
          </SumInstrument>
        </template>
      </TabPanel>
      <TabPanel v-if="station === 'electronics'" :tabindex="-1"
        ><FitInstrument :drive-id="driveId" :start="lastFit" @kept="emit('kept', $event)"
      /></TabPanel>
    </TabPanels>
  </TabGroup>
</template>
