declare global {
  interface Window {
    /** What the page asked the server for before its scripts had come, by address; undefined where nothing came. */
    askedAhead?: Map<string, Promise<unknown>>
  }
}

/** What was asked for longer ago may have changed since, ms from the beginning of the page. */
const FRESH_MS = 10_000

/** Fetches what the page may have asked for already as it began. Each such answer is used once. */
export async function fetchAhead<T>(url: string): Promise<T> {
  const ahead = window.askedAhead?.get(url)
  window.askedAhead?.delete(url)
  const answer = performance.now() < FRESH_MS ? await ahead : undefined
  // What went wrong ahead is asked for again, and said as it always is.
  return (answer ?? (await $fetch<T>(url))) as T
}
