import type { DriveWorker } from '../workers/drive.worker'

/** The worker that holds a simulated drive or an open recording. */
export const useDriveWorker = () =>
  useWorker<DriveWorker>(() => new Worker(new URL('../workers/drive.worker.ts', import.meta.url), { type: 'module' }))
