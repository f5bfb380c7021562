<script setup lang="ts">
import { checkProfile, type DriveProfile, type HostProfile } from '@wobrin/core/drives/hosts'

/** The frame of both editors: name, pins, note, what is wrong, and keeping it. */
const { profile, save, own } = defineProps<{
  profile: HostProfile | DriveProfile
  save: (p: never) => Promise<unknown>
  own: boolean
  what: string
}>()
const emit = defineEmits<{ close: []; remove: []; head: [part: { name?: string; pins?: number; note?: string }] }>()
const wrong = computed(() => {
  try {
    checkProfile(JSON.parse(JSON.stringify(profile)))
    return ''
  } catch (error) {
    return problemText(error)
  }
})
const problem = ref('')
async function keep(): Promise<void> {
  problem.value = await save(JSON.parse(JSON.stringify(profile)) as never).then(() => '', problemText)
}
const value = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <form class="space-y-5" novalidate @submit.prevent="keep">
    <h3 class="font-bold text-lg">{{ what }}</h3>
    <div class="grid sm:grid-cols-[1fr_7rem] gap-3">
      <FormField v-slot="{ id }" label="Name"
        ><input
          :id="id"
          class="field"
          :value="profile.name"
          autocomplete="off"
          @input="emit('head', { name: value($event) })"
      /></FormField>
      <FormField v-slot="{ id }" label="Pins"
        ><input
          :id="id"
          class="field text-right"
          inputmode="numeric"
          :value="profile.pins"
          @input="emit('head', { pins: Number(value($event)) })"
      /></FormField>
      <FormField v-slot="{ id }" label="Note" class="sm:col-span-2"
        ><input
          :id="id"
          class="field"
          :value="profile.note"
          autocomplete="off"
          @input="emit('head', { note: value($event) || undefined })"
      /></FormField>
    </div>
    <slot />
    <p v-if="wrong || problem" class="text-sm text-stop" role="alert">{{ problem || wrong }}</p>
    <div class="flex gap-3">
      <button class="btn btn-primary" :disabled="wrong !== ''">Save profile</button
      ><button type="button" class="btn" @click="emit('close')">Cancel</button
      ><button v-if="own" type="button" class="btn btn-quiet ml-auto" @click="emit('remove')">Remove it</button>
    </div>
  </form>
</template>
