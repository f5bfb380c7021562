import { expose } from 'comlink'
import type { MechanismId } from '@wobrin/core/drives'
import type { WriteTestResult } from '@wobrin/core/log'
import {
  DRIVE_STORIES,
  QUICK_STORIES,
  SimulatedDrive,
  spreadCylinders,
  STORY_SEED,
  writeQuickSide,
  writeTest,
} from '@wobrin/core/simulator'
import { attempt, breath, type Answer, type Stop } from './in-worker'

let stop: Stop = { aborted: false }

const worker = {
  /** A host's write test on the simulated drive. @param onProgress share done and what is done */
  test(
    mechanism: MechanismId,
    story: string,
    onProgress: (share: number, what: string) => void,
  ): Promise<Answer<WriteTestResult>> {
    stop = { aborted: false }
    const mine = stop
    return attempt(async () => {
      if (mechanism === 'quick-disk')
        return writeQuickSide((QUICK_STORIES.find(s => s.id === story) ?? QUICK_STORIES[0]!).spec)
      const chosen = DRIVE_STORIES.find(s => s.id === story) ?? DRIVE_STORIES[0]!
      const drive = new SimulatedDrive(chosen.of(mechanism, STORY_SEED))
      const run = writeTest(drive, {
        patternCylinders: spreadCylinders(drive.media!.layout.cylinders),
        stepMs: 6,
        settleMs: 18,
      })
      for (let step = run.next(); ; step = run.next()) {
        if (step.done) return step.value
        if (step.value.done % 4 === 0) onProgress(step.value.done / step.value.all, step.value.what)
        await breath(mine)
      }
    })
  },
  stop(): void {
    stop.aborted = true
  },
}
export type WriteWorker = typeof worker
expose(worker)
