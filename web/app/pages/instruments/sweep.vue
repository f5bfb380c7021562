<script setup lang="ts">
import { Plus, Undo2, X } from 'lucide-vue-next'

useHead({ title: 'Adjuster sweep · Wobrin' })

const { rows, expected, two, unit, entry, result, amiss, add, strike, clear } = useSweep()
const first = useTemplateRef('first')

async function enter(): Promise<void> {
  add()
  await nextTick()
  first.value?.focus()
}
</script>

<template>
  <div class="grid lg:grid-cols-[300px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <h1 class="text-xl font-bold">Adjuster sweep</h1>
      <p class="text-sm">Read a trusted disk at one position after another, and say how many sectors came. Clean the heads and set the speed first; one adjuster at a time, the sensor before the heads; come to each position from the same side.</p>
      <div class="grid grid-cols-2 gap-3">
        <FormField v-slot="{ id }" label="Scale"><select :id="id" v-model="unit" class="field"><option>marks</option><option>°</option><option>turns</option><option>mm</option></select></FormField>
        <FormField v-slot="{ id }" label="Sectors there are"><input :id="id" v-model.number="expected" class="field" type="number" min="1" max="100"></FormField>
      </div>
      <label class="flex items-center gap-2.5 min-h-11 text-sm"><input v-model="two" type="checkbox" class="size-5">two heads</label>
      <form class="space-y-3 border-t border-line pt-3" @submit.prevent="enter">
        <FormField v-slot="{ id }" :label="`Position, ${unit}`" :hint="result && result.tryNext !== null ? `worth trying next: ${Number(result.tryNext.toPrecision(3))}` : undefined"><input :id="id" ref="first" v-model="entry.position" class="field" inputmode="decimal"></FormField>
        <div class="grid grid-cols-2 gap-3">
          <FormField v-slot="{ id }" label="Lower head read"><input :id="id" v-model="entry.lower" class="field" inputmode="numeric"></FormField>
          <FormField v-if="two" v-slot="{ id }" label="Upper head read"><input :id="id" v-model="entry.upper" class="field" inputmode="numeric"></FormField>
        </div>
        <button class="btn btn-primary w-full"><Plus class="size-4" />Tried it</button>
      </form>
      <p v-if="amiss" class="text-sm text-stop" role="alert" data-testid="problem">{{ amiss }}</p>
    </aside>
    <div class="panel p-5 min-w-0 space-y-4">
      <CallBand v-if="result" :call="result.call" />
      <AlignSweepBand :rows="rows" :result="result" :expected="expected" :two="two" :unit="unit" />
      <template v-if="rows.length">
        <dl v-if="result?.common" class="grid sm:grid-cols-3 gap-4 text-sm border-t border-line pt-4">
          <div><dt class="text-muted">Both read from</dt><dd class="text-lg font-bold">{{ result.common.from.toFixed(2) }} {{ unit }}</dd></div><div><dt class="text-muted">to</dt><dd class="text-lg font-bold">{{ result.common.to.toFixed(2) }} {{ unit }}</dd></div>
          <div><dt class="text-muted">Middle</dt><dd class="text-lg font-bold">{{ result.common.centre.toFixed(2) }} ± {{ result.common.uncertainty.toFixed(2) }} {{ unit }}</dd></div>
        </dl>
        <table class="w-full text-sm">
          <thead class="text-muted text-right"><tr><th class="font-normal py-1 pr-5">Position</th><th class="font-normal pr-5">Lower</th><th v-if="two" class="font-normal pr-5">Upper</th><th><span class="sr-only">Strike out</span></th></tr></thead>
          <tbody><tr v-for="r in rows" :key="r.id" class="border-t border-line text-right" :class="r.struck && 'line-through text-muted'"><td class="pr-5">{{ r.position }}</td><td class="pr-5">{{ r.lower }} of {{ expected }}</td><td v-if="two" class="pr-5">{{ r.upper }} of {{ expected }}</td><td class="w-12"><button class="size-11 grid place-items-center" :aria-label="`${r.struck ? 'Take in again' : 'Strike out'}: position ${r.position}`" @click="strike(r.id)"><component :is="r.struck ? Undo2 : X" class="size-4" /></button></td></tr></tbody>
        </table>
        <button class="btn btn-quiet" @click="clear">Begin anew</button>
      </template>
      <p class="hint border-t border-line pt-4">A sweep with a reference disk shows that this drive agrees with the one that wrote the disk. Only an analogue alignment disk measures against the standard.</p>
    </div>
  </div>
</template>
