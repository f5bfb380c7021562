<script setup lang="ts">
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import type { DriveFacts } from '@wobrin/core/log'
import type { Bench } from '../../shared/bench'

/** Asks with which open drive something is kept. */
const { keep, mechanism = null } = defineProps<{
  keep: ((id: string) => Promise<void>) | null
  mechanism?: MechanismId | null
  hint?: string
}>()
const emit = defineEmits<{ close: []; kept: [id: string] }>()

const open = ref<DriveFacts[]>([])
const target = ref('')
const problem = ref<string | null>(null)
/** Open drives of this kind first. */
const candidates = computed(() =>
  open.value.toSorted((a, b) => Number(b.mechanism === mechanism) - Number(a.mechanism === mechanism)),
)
watch(
  () => keep,
  async now => {
    if (!now) return
    problem.value = null
    const bench = await $fetch<Bench>('/api/bench').catch(() => null)
    open.value = bench?.lines.filter(l => !l.outcome).map(l => l.drive) ?? []
    target.value = candidates.value[0]?.id ?? ''
  },
)

async function send(): Promise<void> {
  problem.value = await keep!(target.value).then(() => null, problemText)
  if (!problem.value) emit('kept', target.value)
}
</script>

<template>
  <ModalDialog :shown="keep !== null" title="Save to which drive?" @close="emit('close')">
    <form v-if="candidates.length" @submit.prevent="send">
      <FormField v-slot="{ id }" label="Drive" :problem="problem ?? undefined">
        <select :id="id" v-model="target" class="field">
          <option v-for="d in candidates" :key="d.id" :value="d.id">
            {{ d.tag }} · {{ findMechanism(d.mechanism).label }}
          </option>
        </select>
      </FormField>
      <p v-if="hint" class="hint mt-2">{{ hint }}</p>
      <div class="flex gap-3 mt-4">
        <button class="btn btn-primary">Save to log</button
        ><button type="button" class="btn" @click="emit('close')">Cancel</button>
      </div>
    </form>
    <p v-else>No drive is open. <NuxtLink class="link" to="/drives/new">Receive one first.</NuxtLink></p>
  </ModalDialog>
</template>
