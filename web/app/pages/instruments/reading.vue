<script setup lang="ts">
import { MECHANISMS, type MechanismId } from '@wobrin/core/drives'

useHead({ title: 'Typed reading · Wobrin' })
const mechanism = ref<MechanismId>('5.25in-48')
const context = computed(() => ({ mechanism: mechanism.value }))
</script>

<template>
  <div class="max-w-3xl">
    <section class="panel p-6">
      <h1 class="text-2xl font-bold">Typed reading</h1>
      <p class="text-muted mb-4">
        A value from a host’s program, a meter, a strobe or a probe. It is weaker than a recording, and still evidence.
      </p>
      <FormField v-slot="{ id }" label="Drive type" class="max-w-80 mb-4">
        <select :id="id" v-model="mechanism" class="field">
          <option v-for="m in MECHANISMS" :key="m.id" :value="m.id">{{ m.label }}</option>
        </select>
      </FormField>
      <ReadingForm :key="mechanism" :station="null" :context="context" title="Reading" />
      <ReadingExample :mechanism="mechanism" />
    </section>
  </div>
</template>
