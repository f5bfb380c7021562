import { wrap, type Remote } from 'comlink'

/**
 * A web worker that is made when it is first needed and goes with the page.
 * @param make makes it; the address has to stand there in full, so that the build finds it
 */
export function useWorker<T>(make: () => Worker): () => Remote<T> {
  let worker: Worker | null = null
  let remote: Remote<T> | null = null
  onScopeDispose(() => worker?.terminate())
  return () => {
    worker ??= make()
    return (remote ??= wrap<T>(worker))
  }
}
