<script setup lang="ts">
import { findStation } from '@wobrin/core/bench/stations'
import { photoOf } from '@wobrin/core/log'

/** Words and photos that are to be gone for good, or the whole drive. */
const { shown } = defineProps<{ shown: boolean }>()
const emit = defineEmits<{ close: [] }>()
const store = useDrive()
const notices = useNotices()
const { ownerWords, chosen, problem, busy, list, count, clear, erase, eraseDrive } = useErasing()
const tag = ref('')
const drive = computed(() => store.drive!)

function close(): void {
  clear()
  tag.value = ''
  emit('close')
}
async function eraseChosen(): Promise<void> {
  if (!(await erase())) return
  notices.done(`Erased from ${drive.value.tag}. The log says so.`)
  close()
}
async function eraseAll(): Promise<void> {
  const { tag: name } = drive.value
  if (!(await eraseDrive(tag.value))) return
  close()
  await navigateTo('/')
  notices.done(`${name} was erased.`)
}
</script>

<template>
  <ModalDialog :shown="shown" :title="`Erase from ${drive.tag}`" wide @close="close">
    <p class="text-sm">
      What is erased cannot be brought back here. The log keeps that something was erased, and when. Backups, archives
      and certificates made before still hold it.
    </p>
    <p v-if="problem" class="text-sm text-stop mt-3" role="alert">{{ problem }}</p>
    <form class="mt-4" @submit.prevent="eraseChosen">
      <fieldset>
        <legend class="font-bold mb-1">Words and photos</legend>
        <div class="max-h-64 overflow-y-auto border border-line rounded-box divide-y divide-line" tabindex="0">
          <label v-if="drive.ownerWords" class="flex gap-3 px-3 py-2.5 min-h-11 text-sm">
            <input v-model="ownerWords" type="checkbox" class="size-5 shrink-0 accent-ink" />
            <span class="min-w-0 break-words">Owner’s words: “{{ drive.ownerWords }}”</span>
          </label>
          <div v-for="{ entry, parts } in list" :key="entry.id" class="flex gap-3 px-3 py-2 text-sm items-start">
            <img
              v-if="photoOf(entry)"
              :src="`/api/photos/${photoOf(entry)}?size=small`"
              alt=""
              class="w-16 rounded-box shrink-0"
            />
            <div class="grow min-w-0">
              <p class="break-words">{{ entry.title }}</p>
              <p v-if="entry.detail" class="hint break-words line-clamp-3">{{ entry.detail }}</p>
              <p class="hint text-xs">{{ longTime(entry.at) }} · {{ findStation(entry.station).label }}</p>
            </div>
            <div class="shrink-0 flex flex-col">
              <label v-for="part in parts" :key="part" class="flex gap-2 items-center min-h-11">
                <input
                  v-model="chosen[part]"
                  type="checkbox"
                  :value="entry.id"
                  class="size-5 accent-ink"
                  :aria-label="`${part === 'photo' ? 'Photo' : 'Words'} of “${entry.title}”`"
                />{{ part === 'photo' ? 'Photo' : 'Words' }}
              </label>
            </div>
          </div>
          <p v-if="!drive.ownerWords && list.length === 0" class="hint text-sm p-3">
            This log has neither words of a person nor photos.
          </p>
        </div>
      </fieldset>
      <p class="hint text-sm mt-2">
        A photo goes from every drive that shows it. Names in the as-found record and places of findings go only with
        the whole drive.
      </p>
      <div class="flex gap-3 mt-3">
        <button class="btn btn-primary" :disabled="busy || count === 0">
          {{ count === 0 ? 'Erase chosen' : `Erase ${count} chosen` }}
        </button>
        <button type="button" class="btn" @click="close">Cancel</button>
      </div>
    </form>
    <form class="mt-6 pt-4 border-t border-line" @submit.prevent="eraseAll">
      <h3 class="font-bold">Whole drive</h3>
      <p class="text-sm mt-1">
        {{ drive.tag }} goes with its {{ store.log.length }} log entries, and with the recordings and photos that no
        other drive names. Its archive, exported before, can be read in again.
      </p>
      <div class="flex flex-wrap items-end gap-3 mt-3">
        <FormField v-slot="{ id }" :label="`Type ${drive.tag} to erase it`"
          ><input :id="id" v-model="tag" class="field w-44!" autocomplete="off"
        /></FormField>
        <button class="btn" :disabled="busy || tag.trim() !== drive.tag">Erase drive</button>
      </div>
    </form>
  </ModalDialog>
</template>
