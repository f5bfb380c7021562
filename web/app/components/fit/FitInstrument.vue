<script setup lang="ts">
import type { DriveProfile, HostProfile } from '@wobrin/core/drives/hosts'
import type { LogEntry } from '@wobrin/core/log'
import type { FitStart } from '~/composables/useHostFit'

/** A host and a drive: how its straps must stand, what takes a wire, what will never work. */
const { driveId = null, start = null } = defineProps<{ driveId?: string | null; start?: FitStart | null }>()
const emit = defineEmits<{ kept: [LogEntry]; keep: [(id: string) => Promise<void>] }>()

const { profiles, host, drive, cable, hosts, drives, chosenHost, chosenDrive, fit, keep } = useHostFit(start)
const attempt = useAttempt()
const notices = useNotices()
const across = ref(false)
const editing = ref<{ kind: 'host' | 'drive'; id: string | null; profile: HostProfile | DriveProfile } | null>(null)
const opener = useTemplateRef('opener')
onMounted(() => profiles.load().catch(() => {}))

const sides = computed(() => [
  { kind: 'host' as const, label: 'Host', model: host, list: hosts.value, chosen: chosenHost.value },
  { kind: 'drive' as const, label: 'Drive', model: drive, list: drives.value, chosen: chosenDrive.value },
])
/** A profile that ships is copied before it is changed. */
function change(side: (typeof sides.value)[number]): void {
  const copy = JSON.parse(JSON.stringify(side.chosen.profile)) as HostProfile | DriveProfile
  editing.value = {
    kind: side.kind,
    id: side.chosen.own ? side.chosen.key : null,
    profile: side.chosen.own ? copy : { ...copy, name: `${copy.name}, ours` },
  }
}
async function save(profile: HostProfile | DriveProfile): Promise<void> {
  const { kind, id } = editing.value!
  const key = await profiles.put(profile, id ?? undefined)
  ;(kind === 'host' ? host : drive).value = key
  editing.value = null
}
async function remove(): Promise<void> {
  await attempt(async () => {
    await profiles.remove(editing.value!.id!)
    editing.value = null
    notices.done('The profile is gone. What was kept with drives stays as it was.')
  })
}
async function open(event: Event): Promise<void> {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  field.value = ''
  if (file) {
    await attempt(async () => {
      const { kind, key } = await profiles.open(file)
      ;(kind === 'host' ? host : drive).value = key
      notices.done(`${file.name} is kept with the workshop’s profiles.`)
    })
  }
}
async function put(): Promise<void> {
  if (driveId)
    await attempt(async () => {
      emit('kept', await keep(driveId))
    })
  else
    emit('keep', async id => {
      await keep(id)
    })
}
useShortcuts({
  a: () => {
    if (!editing.value) across.value = true
  },
})

/** The readout across the bench closes once its answer is kept. */
function putFromAcross(): void {
  across.value = false
  void put()
}
</script>

<template>
  <section aria-label="Host fit">
    <header class="flex items-start justify-between gap-4 mb-4">
      <div class="min-w-0">
        <h2 class="text-lg font-bold">Host fit</h2>
        <p class="hint">How the straps must stand for a host, what takes a wire, and what will never work.</p>
        <p class="text-sm">
          Nobody knows what the straps mean?
          <NuxtLink class="link" to="/instruments/unknown-straps">Unknown straps</NuxtLink> finds it out, one at a time.
        </p>
      </div>
      <button v-if="!editing" class="btn shrink-0" aria-keyshortcuts="a" @click="across = true">
        Across the bench <kbd>A</kbd>
      </button>
    </header>
    <FitHostEditor
      v-if="editing?.kind === 'host'"
      :start="editing.profile as HostProfile"
      :own="editing.id !== null"
      :save="save"
      @close="editing = null"
      @remove="remove"
    />
    <FitDriveEditor
      v-else-if="editing"
      :start="editing.profile as DriveProfile"
      :own="editing.id !== null"
      :save="save"
      @close="editing = null"
      @remove="remove"
    />
    <template v-else>
      <div class="grid sm:grid-cols-2 gap-x-6 gap-y-3 mb-5">
        <div v-for="s in sides" :key="s.kind">
          <FormField v-slot="{ id }" :label="s.label" :hint="s.chosen.profile.note">
            <select :id="id" v-model="s.model.value" class="field">
              <option v-for="p in s.list" :key="p.key" :value="p.key">
                {{ p.key === 'kept' ? `As kept: ${p.profile.name}` : p.profile.name }}
              </option>
            </select>
          </FormField>
          <p class="flex gap-4 text-sm">
            <button class="link min-h-11" @click="change(s)">
              {{ s.chosen.own ? 'Change it' : 'Copy and change' }}</button><button
              class="link min-h-11"
              @click="profiles.save(s.chosen.profile)"
            >
              Save as JSON
            </button>
          </p>
        </div>
        <div class="sm:col-span-2 flex flex-wrap gap-2 items-center">
          <label
            v-for="[value, label] in [
              ['straight', 'Straight cable'],
              ['made', 'Cable made for it, any pin to any'],
            ]"
            :key="value"
            class="chip"
            ><input v-model="cable" type="radio" name="cable" :value="value" class="sr-only" /><span>{{
              label
            }}</span></label
          >
          <button class="btn ml-auto" @click="opener?.click()">Open a profile</button>
          <input
            ref="opener"
            type="file"
            accept=".json,application/json"
            class="sr-only"
            tabindex="-1"
            aria-label="Profile"
            @change="open"
          />
        </div>
      </div>
      <div aria-live="polite"><FitResult :fit="fit" :host="chosenHost.profile" :made="cable === 'made'" /></div>
      <button class="btn btn-primary mt-5" @click="put">
        {{ driveId ? 'Save to log' : 'Save to a drive…' }}
      </button>
    </template>
    <SumAcross :shown="across" :result="{ ...fit, lines: [] }" @close="across = false" @keep="putFromAcross" />
  </section>
</template>
