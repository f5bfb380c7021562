import { expose } from 'comlink'
import { toCsv } from '@wobrin/core/calculators/calculator'
import { MOST_EDGES } from '@wobrin/core/instruments/interface'
import {
  missingByTrack,
  readingAttempt,
  rescue,
  rescueImage,
  rescueJson,
  rescueTable,
  type Attempt,
  type AttemptFacts,
  type Rescue,
} from '@wobrin/core/instruments/rescue'
import { attempt, breath, readFileIn, type Answer } from './in-worker'
import { stopping } from './stopping'

/** A rescue as the page shows it; data of sectors stay here. */
export type ShownRescue = Omit<Rescue, 'sectors'> & {
  readonly missing: ReturnType<typeof missingByTrack>
  readonly sectors: number
}

let attempts: Attempt[] = []
let last: Rescue | null = null

/** @param merged sectors and tracks where they stay what they are; putting them together is most of the work */
function shown(merged?: Rescue | null): ShownRescue | null {
  last = attempts.length ? rescue(attempts, merged ?? undefined) : null
  if (!last) return null
  const { sectors, tracks, ...rest } = last
  return {
    ...rest,
    sectors: sectors.length,
    missing: missingByTrack(sectors),
    tracks: tracks.map(t => ({ ...t, sectors: t.sectors.map(s => ({ ...s, data: null })) })),
  }
}

const worker = {
  /** Reads a recording as one more attempt. Nothing changes where it cannot be used. */
  add(file: File, onProgress: (share: number, what: string) => void): Promise<Answer<ShownRescue | null>> {
    const own = stopping.begin()
    return attempt(async () => {
      const capture = await readFileIn(file, { maxEdgesPerChannel: MOST_EDGES }, own, s =>
        onProgress(s, 'Reading the file'),
      )
      const run = readingAttempt(capture)
      for (;;) {
        const step = run.next()
        if (step.done) {
          attempts = [...attempts, step.value]
          return shown()
        }
        onProgress(step.value.done / step.value.all, 'Reading the tracks')
        await breath(own)
      }
    })
  },

  /** What is known of an attempt beside its recording. */
  tell(at: number, facts: AttemptFacts): ShownRescue | null {
    attempts = attempts.map((a, i) => (i === at ? { ...a, ...facts } : a))
    return shown(last)
  },

  remove(at: number): ShownRescue | null {
    attempts = attempts.filter((_, i) => i !== at)
    return shown()
  },

  stop(): void {
    stopping.stop()
  },

  files(): { readonly image: Blob; readonly list: string; readonly json: string } {
    return {
      image: new Blob([rescueImage(last!).bytes as Uint8Array<ArrayBuffer>]),
      list: toCsv(rescueTable(last!)),
      json: JSON.stringify(rescueJson(last!), null, 2),
    }
  },
}

export type RescueWorker = typeof worker

expose(worker)
