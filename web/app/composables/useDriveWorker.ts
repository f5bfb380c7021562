import { wrap, type Remote } from 'comlink'
import type { DriveWorker } from '../workers/drive.worker'

/** The worker that holds a simulated drive or an open recording; made when first needed, gone with the page. */
export function useDriveWorker(): () => Remote<DriveWorker> {
  let worker: Worker | null = null
  let remote: Remote<DriveWorker> | null = null
  onScopeDispose(() => worker?.terminate())
  return () => {
    if (!remote) {
      worker = new Worker(new URL('../workers/drive.worker.ts', import.meta.url), { type: 'module' })
      remote = wrap<DriveWorker>(worker)
    }
    return remote
  }
}
