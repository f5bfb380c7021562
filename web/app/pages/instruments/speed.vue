<script setup lang="ts">
import { findMechanism, MECHANISMS, type MechanismId } from '@wobrin/core/drives'
import type { InstrumentSetup } from '~/composables/useSpeedInstrument'

useHead({ title: 'Speed · Wobrin' })

const workshop = useWorkshop()
const mechanism = ref<MechanismId>('5.25in-48')
const nominalRpm = ref<number | undefined>()
const motor = ref<'ac' | 'dc' | undefined>()
const chosen = computed(() => findMechanism(mechanism.value))
watch(mechanism, () => {
  nominalRpm.value = undefined
})
const sizes = reactive({ motorPulleyMm: '', flywheelMm: '', beltLengthMm: '' })
const pulleys = computed(() => {
  const [motorPulleyMm, flywheelMm, beltLengthMm] = [sizes.motorPulleyMm, sizes.flywheelMm, sizes.beltLengthMm].map(
    Number,
  )
  return motorPulleyMm! > 0 && flywheelMm! > 0
    ? {
        motorPulleyMm: motorPulleyMm!,
        flywheelMm: flywheelMm!,
        beltLengthMm: beltLengthMm! > 0 ? beltLengthMm : undefined,
      }
    : undefined
})

const setup = computed<InstrumentSetup>(() => ({
  mechanism: mechanism.value,
  pulleys: pulleys.value,
  context: {
    mechanism: mechanism.value,
    school: workshop.settings.speedSchool,
    nominalRpm: nominalRpm.value,
    motor: motor.value,
  },
}))

const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
</script>

<template>
  <div class="grid lg:grid-cols-[262px_1fr] gap-4 items-start">
    <aside class="panel p-4 space-y-4">
      <h1 class="text-xl font-bold">Speed</h1>
      <FormField v-slot="{ id }" label="Drive type">
        <select :id="id" v-model="mechanism" class="field">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <FormField v-if="chosen.speed.nominal.length > 1" v-slot="{ id }" label="Nominal speed">
        <select :id="id" v-model="nominalRpm" class="field">
          <option :value="undefined">the nearest</option>
          <option v-for="n in chosen.speed.nominal" :key="n.value" :value="n.value">{{ n.value }} r/min</option>
        </select>
      </FormField>
      <FormField v-if="mechanism === '8in'" v-slot="{ id }" label="Motor">
        <select :id="id" v-model="motor" class="field">
          <option :value="undefined">not known</option>
          <option value="dc">d.c.</option>
          <option value="ac">a.c., on the mains</option>
        </select>
      </FormField>
      <details v-if="chosen.drives.includes('belt')" class="text-sm">
        <summary class="font-bold min-h-8">Pulleys, where known</summary>
        <div class="space-y-3 mt-2">
          <FormField v-slot="{ id }" label="Motor pulley, mm"
            ><input :id="id" v-model.lazy="sizes.motorPulleyMm" class="field" inputmode="decimal"
          /></FormField>
          <FormField v-slot="{ id }" label="Flywheel, mm"
            ><input :id="id" v-model.lazy="sizes.flywheelMm" class="field" inputmode="decimal"
          /></FormField>
          <FormField v-slot="{ id }" label="Belt length, mm" hint="Then periodic parts get their names."
            ><input :id="id" v-model.lazy="sizes.beltLengthMm" class="field" inputmode="decimal"
          /></FormField>
        </div>
      </details>
      <div class="text-sm space-y-2 border-t border-line pt-3">
        <p><strong>Where the pulses are.</strong> {{ chosen.pickup }}</p>
        <p><strong>Before you turn anything.</strong> {{ chosen.speed.trimmerNote }}</p>
        <p><NuxtLink class="link" :to="`/handbook#${mechanism}`">Tolerances and their sources</NuxtLink></p>
      </div>
    </aside>
    <div class="panel p-5 sm:px-6 min-w-0">
      <SpeedInstrument
        :setup="setup"
        @keep="
          keep => {
            keepTo = keep
          }
        "
      />
    </div>
    <FileToDrive
      :keep="keepTo"
      :mechanism="mechanism"
      hint="It is judged again by that drive’s own facts."
      @close="keepTo = null"
      @kept="id => navigateTo(`/drives/${id}?station=speed`)"
    />
  </div>
</template>
