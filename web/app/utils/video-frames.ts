import type { Frames } from '@wobrin/core/instruments/film'
import { brightnessReader, type Place } from './brightness'

/** Frames of a video that plays, as they are shown; the oldest go after so many seconds. */
const KEPT_S = 120

/**
 * Follows a video that plays, a camera or a film, frame by frame.
 * @param onFrame called after each frame with all that are kept
 * @returns ends following
 */
export function followVideo(video: HTMLVideoElement, place: () => Place, onFrame: (frames: () => Frames) => void) {
  const canvas = document.createElement('canvas')
  let at = place()
  let read = brightnessReader(canvas, at)
  let rows: { t: number; place: number; picture: number }[] = []
  let handle = 0
  const frames = (): Frames => ({
    timesS: Float64Array.from(rows, r => r.t),
    place: Float64Array.from(rows, r => r.place),
    picture: Float64Array.from(rows, r => r.picture),
  })
  const step = (_now: number, metadata: VideoFrameCallbackMetadata) => {
    handle = video.requestVideoFrameCallback(step)
    if (place() !== at) {
      // Another place is another series.
      at = place()
      read = brightnessReader(canvas, at)
      rows = []
    }
    // A camera says when a frame was taken; a film, where it stands in it.
    const t = metadata.captureTime === undefined ? metadata.mediaTime : metadata.captureTime / 1000
    if (rows.length && t <= rows.at(-1)!.t) return
    rows.push({ t, ...read(video, video.videoWidth, video.videoHeight) })
    const first = rows.findIndex(r => r.t >= t - KEPT_S)
    if (first > 100) rows = rows.slice(first)
    onFrame(frames)
  }
  handle = video.requestVideoFrameCallback(step)
  return () => video.cancelVideoFrameCallback(handle)
}

/**
 * Reads a film by playing it, where the browser cannot take it apart: as long as it lasts, and frames that the device
 * cannot keep up with are missing.
 * @throws Error in a sentence where it cannot be played either; Stopped where it was stopped
 */
export function framesByPlaying(
  file: File,
  place: Place,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Frames> {
  const video = document.createElement('video')
  video.muted = true
  video.playsInline = true
  video.src = URL.createObjectURL(file)
  let last: (() => Frames) | null = null
  return new Promise<Frames>((resolve, reject) => {
    const end = followVideo(
      video,
      () => place,
      frames => {
        last = frames
        onProgress(video.currentTime / video.duration)
      },
    )
    const done = (settle: () => void) => {
      end()
      video.pause()
      URL.revokeObjectURL(video.src)
      settle()
    }
    video.addEventListener('error', () =>
      done(() => reject(new Error(`${file.name} is not a film that this browser plays; expected MP4 or WebM.`))),
    )
    video.addEventListener('ended', () =>
      done(() => (last ? resolve(last()) : reject(new Error(`${file.name} shows no frames.`)))),
    )
    signal.addEventListener('abort', () => done(() => reject(new Stopped())))
    void video.play().catch(() => {})
  })
}
