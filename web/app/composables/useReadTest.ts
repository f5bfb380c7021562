import { proxy } from 'comlink'
import type { TrackReading } from '@wobrin/core/instruments/interface'
import type { MechanismId } from '@wobrin/core/drives'
import type { SurfaceRun } from '../workers/drive.worker'

/** What was read, as a file: the image, its list of sectors, the margins or all of it. */
export type ReadFile = 'image' | 'map' | 'margins' | 'json'

/** A surface read by the simulated drive, shown as it grows, with the one before it to compare with. */
export function useReadTest(worker: ReturnType<typeof useDriveWorker>) {
  const run = shallowRef<SurfaceRun | null>(null)
  const growing = shallowRef<TrackReading[] | null>(null)
  const progress = ref<number | null>(null)
  const problem = ref<string | null>(null)

  /** Reads every track of the disk in the drive. @returns whether it went through */
  async function read(turns = 2): Promise<boolean> {
    problem.value = null
    progress.value = 0
    growing.value = []
    await worker().rest()
    const answer = await worker().readSurface(
      turns,
      proxy((share: number, tracks: TrackReading[]) => {
        progress.value = share
        growing.value = tracks
      }),
    )
    progress.value = null
    growing.value = null
    if ('ok' in answer) run.value = answer.ok
    else if ('problem' in answer) problem.value = answer.problem
    return 'ok' in answer
  }

  /** Puts a drive on the bench and reads it. */
  async function readStory(mechanism: MechanismId, story: string): Promise<boolean> {
    await worker().power(mechanism, story)
    return read()
  }

  return { run, growing, progress, problem, read, readStory, stop: () => worker().stop() }
}
