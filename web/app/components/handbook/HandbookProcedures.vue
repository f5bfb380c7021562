<script setup lang="ts">
import { changePart, procedureSteps } from '@wobrin/core/bench/procedures'
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import { findPart, partsOn } from '@wobrin/core/parts'

/** How parts are changed, for a drive type, and how disks are made fit to be read. */
const { procedures } = await useProcedures()
const mechanism = ref<MechanismId>('3.5in')
const drive = computed(() => ({ mechanism: mechanism.value, features: null }))
const parts = computed(() => {
  const there = new Set(partsOn(drive.value, []).map(n => n.id))
  return procedures.value.flatMap(p =>
    p.parts
      .filter(id => there.has(id))
      .slice(0, 1)
      .map(id => ({
        id: p.id,
        label: p.title,
        of: p.parts.filter(x => there.has(x)).map(x => findPart(x)!.label),
        told: changePart(id, drive.value, [], procedures.value),
      })),
  )
})
const disks = computed(() =>
  procedures.value
    .filter(p => p.parts.length === 0)
    .map(p => ({
      id: p.id,
      label: p.title,
      of: [] as string[],
      told: procedureSteps(p.id, drive.value, procedures.value),
    })),
)
const groups = computed(() => [
  { title: 'Disks', list: disks.value },
  { title: 'Parts', list: parts.value },
])
</script>

<template>
  <section id="procedures" class="panel p-6 scroll-mt-4">
    <div class="flex flex-wrap items-start justify-between gap-4">
      <div>
        <h2 class="text-xl font-bold">How parts are changed, and disks made fit</h2>
        <p class="hint max-w-prose">
          Common practice; minutes are from memory. A workshop may export and edit them on its Workshop page.
        </p>
      </div>
      <FormField v-slot="{ id }" label="Drive type"
        ><select :id="id" v-model="mechanism" class="field">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select></FormField
      >
    </div>
    <template v-for="g in groups" :key="g.title">
      <h3 class="font-bold mt-4">{{ g.title }}</h3>
      <details v-for="p in g.list" :id="`procedure-${p.id}`" :key="p.id" class="border-t border-line text-sm">
        <summary class="py-2.5">
          <strong>{{ p.label }}</strong>
          <span class="text-muted ml-2.5"
            >{{ p.of.join(', ') }}{{ p.of.length ? ', ' : '' }}{{ p.told.hands }} min</span
          >
        </summary>
        <InTurn><ProcedureSteps :told="p.told" class="pb-4" /></InTurn>
      </details>
    </template>
  </section>
</template>
