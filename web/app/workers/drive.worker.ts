import { expose } from 'comlink'
import { imageOf, marginsTable, reportJson } from '@wobrin/core/instruments/interface'
import { imageMapCsv } from '@wobrin/core/signals/codes'
import { SOUND_QUICK_DISK, sweepQuickDisk, type QuickDiskSpec, type QuickPass } from '@wobrin/core/simulator'
import { toCsv } from '@wobrin/core/calculators/calculator'
import { busFile, lastReport } from './bus-file'
import { lastSurface, liveDrive } from './live-drive'
import { stopping } from './stopping'

export type { OpenedBus, Playback } from './bus-file'
export type { LiveState, SurfaceRun } from './live-drive'

/** A sweep as the page shows it. */
export interface QuickSweep extends Pick<
  QuickPass,
  'call' | 'passS' | 'readyS' | 'readyToDataMs' | 'wanted' | 'durationS'
> {
  readonly margin: number | null
  readonly rateOff: number | null
  readonly blocks: readonly {
    readonly id: number
    readonly bytes: number
    readonly good: boolean
    readonly margin: number
    readonly atS: number
  }[]
}

/** The simulated drive, recordings of the interface, and what was read of either as files. */
const worker = {
  ...liveDrive,
  ...busFile,

  stop(): void {
    stopping.stop()
  },

  /** What was read, as files: the image with its map, the margins, the report. */
  files(of: 'recording' | 'simulated'): {
    readonly image: Blob
    readonly map: string
    readonly margins: string
    readonly json: string
    readonly filled: number
  } {
    const tracks = of === 'recording' ? lastReport()!.tracks : lastSurface()!.tracks
    const image = imageOf(tracks)
    return {
      image: new Blob([image.bytes as Uint8Array<ArrayBuffer>]),
      map: toCsv(imageMapCsv(image)),
      margins: toCsv(marginsTable(tracks)),
      filled: image.filled.length,
      json: JSON.stringify(
        of === 'recording'
          ? reportJson(lastReport()!)
          : {
              call: lastSurface()!.call.kind,
              reasons: lastSurface()!.call.reasons,
              next: lastSurface()!.call.next,
              totals: lastSurface()!.totals,
              observations: lastSurface()!.observations,
              tracks: lastSurface()!.tracks.map(({ sample: _, histogram: __, sectors, ...t }) => ({
                ...t,
                sectors: sectors.map(({ data: ___, ...s }) => s),
              })),
            },
        null,
        2,
      ),
    }
  },

  /** One sweep of a quick-disk drive. */
  sweep(part: Partial<QuickDiskSpec>): QuickSweep {
    const { call, passS, readyS, readyToDataMs, read, wanted, durationS } = sweepQuickDisk({
      ...SOUND_QUICK_DISK,
      ...part,
    })
    return {
      call,
      passS,
      readyS,
      readyToDataMs,
      wanted,
      durationS,
      margin: read?.margin ?? null,
      rateOff: read?.rateOff ?? null,
      blocks:
        read?.sectors.map(b => ({
          id: b.sector,
          bytes: b.size,
          good: b.status === 'good',
          margin: b.margin,
          atS: b.atS,
        })) ?? [],
    }
  },
}

export type DriveWorker = typeof worker

expose(worker)
