import {
  linesOf,
  invertLines,
  mapLines,
  MOST_EDGES,
  reportingBus,
  type BusOptions,
  type BusReport,
  type LineMapping,
  type LineName,
} from '@wobrin/core/instruments/interface'
import { cutStretch, vcdChunks, type Capture, type EdgeList } from '@wobrin/core/signals/captures'
import { attempt, breath, readFileIn, type Answer } from './in-worker'
import { stopping } from './stopping'

export interface OpenedBus {
  readonly fileName: string
  readonly durationS: number
  readonly channels: readonly { readonly name: string; readonly edgeCount: number; readonly usable: boolean }[]
  readonly mapping: LineMapping
  readonly notices: readonly string[]
}

/** A recording's slow lines, to play it back by. */
export interface Playback {
  readonly lines: Readonly<Partial<Record<LineName, EdgeList>>>
  readonly durationS: number
}

let capture: Capture | null = null
let report: BusReport | null = null

function guessed(read: Capture): LineMapping {
  try {
    return mapLines(read)
  } catch {
    return {}
  }
}

/** The report on the recording that was judged last; null where none was. */
export const lastReport = (): BusReport | null => report

/** What a page does with a recording of the interface that was opened. */
export const busFile = {
  /** Reads a file; the recording stays here. */
  open(file: File, onProgress: (share: number) => void): Promise<Answer<OpenedBus>> {
    const own = stopping.begin()
    return attempt(async () => {
      const read = await readFileIn(file, { maxEdgesPerChannel: MOST_EDGES }, own, onProgress)
      const mapping = guessed(read)
      capture = read
      report = null
      return {
        fileName: read.fileName,
        durationS: read.durationS,
        mapping,
        notices: read.notices,
        channels: read.channels.map(c => ({ name: c.name, edgeCount: c.edgeCount, usable: c.edges !== null })),
      }
    })
  },

  /** Judges the recording that is open. */
  judge(options: BusOptions, onTrack: (share: number) => void): Promise<Answer<BusReport>> {
    const own = stopping.begin()
    return attempt(async () => {
      const run = reportingBus(capture!, options)
      for (;;) {
        const step = run.next()
        if (step.done) {
          report = step.value
          return report
        }
        onTrack(step.value.done / step.value.all)
        await breath(own)
      }
    })
  },

  playback(mapping: LineMapping, inverted: boolean): Playback {
    const lines = linesOf(capture!, mapping)
    const { 'read-data': _, ...slow } = inverted ? invertLines(lines) : lines
    return { lines: slow, durationS: capture!.durationS }
  },

  /** A stretch of the open recording, as a value change dump. */
  stretch(fromS: number, toS: number): Blob {
    const kept = capture!.channels.flatMap(c => (c.edges ? [{ name: c.name, edges: c.edges }] : []))
    return new Blob([
      ...vcdChunks(cutStretch(kept, fromS, toS), {
        tickNs: 10,
        durationS: toS - fromS,
        comment: `From ${fromS} s to ${toS} s of ${capture!.fileName}.`,
      }),
    ])
  },
}
