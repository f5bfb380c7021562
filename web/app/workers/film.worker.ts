import { expose } from 'comlink'
import { ALL_FORMATS, BlobSource, Input, VideoSampleSink } from 'mediabunny'
import {
  filmSpeed,
  findGlow,
  MOST_FRAMES,
  writeFrames,
  type FilmAsk,
  type Frames,
  type GlowSeen,
  type Grey,
} from '@wobrin/core/instruments/film'
import type { SensedSpeed } from '@wobrin/core/instruments/rhythm'
import { brightnessReader, type Place } from '../utils/brightness'
import { attempt, breath, type Answer, type Stop } from './in-worker'

/** A film cannot be taken apart here: its coding is not known to the browser, or the page came unprotected. */
export const NOT_DECODED = 'not decoded'

let stop: Stop = { aborted: false }

const worker = {
  /**
   * Reads the brightness of a place in every frame of a film, with the time that the film gives each.
   * @returns the problem `NOT_DECODED` where the browser cannot take the film apart; it may still be able to play it
   */
  read(file: File, place: Place, onProgress: (share: number) => void): Promise<Answer<Frames>> {
    stop = { aborted: false }
    const own = stop
    return attempt(async () => {
      const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS })
      try {
        const track = await input.getPrimaryVideoTrack().catch(() => null)
        if (!track || typeof VideoDecoder === 'undefined' || !(await track.canDecode())) throw new Error(NOT_DECODED)
        return await framesOf(new VideoSampleSink(track), place, await track.computeDuration(), own, onProgress)
      } finally {
        input.dispose()
      }
    })
  },

  /** The speed that the frames give. */
  speed: (frames: Frames, ask: FilmAsk): SensedSpeed => filmSpeed(frames, ask),

  /** The frames as a table. */
  table: (frames: Frames): string => writeFrames(frames),

  /** Whether something glows in one picture that does not in the other. */
  glow: (off: Grey, on: Grey): GlowSeen => findGlow(off, on),

  stop(): void {
    stop.aborted = true
  },
}

async function framesOf(
  sink: VideoSampleSink,
  place: Place,
  durationS: number,
  own: Stop,
  onProgress: (share: number) => void,
): Promise<Frames> {
  const read = brightnessReader(new OffscreenCanvas(1, 1), place)
  const rows: { t: number; place: number; picture: number }[] = []
  let shown = 0
  for await (const sample of sink.samples()) {
    const frame = sample.toVideoFrame()
    const seen = read(frame, frame.displayWidth, frame.displayHeight)
    if (rows.length < MOST_FRAMES && sample.timestamp > (rows.at(-1)?.t ?? -1))
      rows.push({ t: sample.timestamp, ...seen })
    frame.close()
    sample.close()
    const share = sample.timestamp / durationS
    if (share - shown > 0.02) onProgress((shown = share))
    await breath(own)
  }
  return {
    timesS: Float64Array.from(rows, r => r.t),
    place: Float64Array.from(rows, r => r.place),
    picture: Float64Array.from(rows, r => r.picture),
  }
}

export type FilmWorker = typeof worker

expose(worker)
