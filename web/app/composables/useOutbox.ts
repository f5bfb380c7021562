import { get, set } from 'idb-keyval'
import type { LogEntry } from '@wobrin/core/log'
import { Outbox, type Waiting } from '../utils/outbox'

const KEY = 'wobrin.outbox'
/** No answer within so long is none, ms. */
const ENTRY_MS = 15_000
const PHOTO_MS = 120_000

const waiting = shallowRef<readonly Waiting[]>([])
/** Pages that want their entries to wait for a connection. */
const users = ref(0)
let begun = false

const outbox = new Outbox({
  keep: all => set(KEY, all).catch(() => {}),
  kept: async () => (await get<Waiting[]>(KEY).catch(() => undefined)) ?? [],
  send: (path, body) => $fetch<LogEntry>(path, { method: 'POST', body, retry: 0, timeout: ENTRY_MS }),
  sendPhoto: async (blob, name) => {
    const path = `/api/photos?name=${encodeURIComponent(name)}`
    const headers = { 'content-type': blob.type || 'application/octet-stream' }
    return (await $fetch<{ sha: string }>(path, { method: 'POST', body: blob, headers, retry: 0, timeout: PHOTO_MS }))
      .sha
  },
  refusal: error => (wasAnswered(error) && error.status < 500 ? problemText(error) : null),
  pause: ms => new Promise(resolve => setTimeout(resolve, ms)),
  changed: all => {
    waiting.value = all
  },
})

/** The outbox of this device, shared by all its pages. */
export const outboxInUse = (): boolean => users.value > 0
export const deliver: Outbox['deliver'] = (...args) => outbox.deliver(...args)

/** Entries of this page wait for a connection and go in their order; what an earlier page left goes first. */
export function useOutbox() {
  users.value++
  if (!begun) {
    begun = true
    void outbox.begin()
    window.addEventListener('online', () => outbox.retry())
  }
  onScopeDispose(() => users.value--)
  return {
    waiting,
    /** Those that wait for a connection, and those that were refused. */
    toSend: computed(() => waiting.value.filter(w => w.refused === undefined)),
    refused: computed(() => waiting.value.filter(w => w.refused !== undefined)),
    retry: () => outbox.retry(),
    drop: (id: string) => outbox.drop(id),
  }
}
