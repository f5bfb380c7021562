import { useIntervalFn } from '@vueuse/core'

/** The time in milliseconds, moving on every few seconds: enough for what soaks, dries and cures. */
export function useClock(everyMs = 5000) {
  const now = ref(Date.now())
  useIntervalFn(() => {
    now.value = Date.now()
  }, everyMs)
  return now
}
