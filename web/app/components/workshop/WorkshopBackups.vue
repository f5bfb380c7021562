<script setup lang="ts">
import type { Backup } from '../../../shared/archive'

/** Backups, the newest first; one can be put back. */
const { backups } = defineProps<{ backups: readonly Backup[] }>()

const { state: network } = useNetwork()
const notices = useNotices()
const asked = shallowRef<Backup | null>(null)
const restoring = ref(false)
const all = ref(false)
const shown = computed(() => (all.value ? backups : backups.slice(0, 5)))

const REASONS: readonly [RegExp, string][] = [
  [/^daily-/, 'Daily'],
  [/^before-import-/, 'Before an import'],
  [/^before-migration-/, 'Before an update of Wobrin'],
  [/^before-restore-/, 'Before a restore'],
  [/^by-hand-/, 'Made by hand'],
]
const reasonOf = (b: Backup) => REASONS.find(([pattern]) => pattern.test(b.name))?.[1] ?? b.name

async function restore(): Promise<void> {
  restoring.value = true
  try {
    await $fetch('/api/workshop/restore', { method: 'POST', body: { name: asked.value!.name } })
    // Everything on every page is of another time now.
    location.reload()
  } catch (error) {
    notices.problem(problemText(error))
    asked.value = null
  }
  restoring.value = false
}
</script>

<template>
  <ul data-testid="backups">
    <li
      v-for="b in shown"
      :key="b.name"
      class="border-t border-line py-1 flex flex-wrap items-center justify-between gap-x-3"
    >
      <span
        >{{ longTime(b.at) }} <span class="hint">{{ reasonOf(b) }}, {{ megabytes(b.bytes) }}</span></span
      ><button v-if="network.own" class="btn" type="button" @click="asked = b">Restore…</button>
    </li>
    <li v-if="backups.length > 5" class="border-t border-line pt-2">
      <button class="btn btn-quiet" type="button" @click="all = !all">
        {{ all ? 'Show fewer' : `Show all ${backups.length}` }}
      </button>
    </li>
  </ul>
  <ModalDialog :shown="asked !== null" title="Restore this backup" @close="asked = null">
    <template v-if="asked">
      <p class="mb-2">
        The workshop becomes as it was on {{ longTime(asked.at) }}. What was entered since is no longer shown.
      </p>
      <p class="mb-4">
        The database of now is kept among the backups, as “Before a restore”. The backup is checked before anything is
        replaced. Recordings and photos stay as they are.
      </p>
      <div class="flex flex-wrap gap-3">
        <button class="btn btn-primary" type="button" :disabled="restoring" @click="restore">
          {{ restoring ? 'Restoring…' : 'Restore backup' }}
        </button>
        <button class="btn" type="button" @click="asked = null">Cancel</button>
      </div>
    </template>
  </ModalDialog>
</template>
