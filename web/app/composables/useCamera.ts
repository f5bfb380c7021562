import { useDebounceFn } from '@vueuse/core'
import { proxy } from 'comlink'
import type { FilmAsk, Frames } from '@wobrin/core/instruments/film'
import type { SensedSpeed } from '@wobrin/core/instruments/rhythm'
import type { FilmWorker } from '../workers/film.worker'
import type { Place } from '../utils/brightness'

/** The speed is worked out so often while a camera runs, ms. */
const EVERY_MS = 1000
/** Of the middle of the picture to begin with. */
const FIRST_PLACE: Place = { x: 0.5, y: 0.5, side: 0.1 }

/** A camera of this device or a film: brightness of one place, frame by frame, and the speed that it gives. */
export function useCamera(ask: () => FilmAsk, video: () => HTMLVideoElement | null) {
  const state = ref<'off' | 'camera' | 'film'>('off')
  const place = shallowRef<Place>(FIRST_PLACE)
  const problem = ref<string | null>(null)
  const progress = ref<number | null>(null)
  const frames = shallowRef<Frames | null>(null)
  const speed = shallowRef<SensedSpeed | null>(null)
  const film = shallowRef<File | null>(null)
  const cameras = shallowRef<readonly MediaDeviceInfo[]>([])
  const chosen = ref('')
  const worker = useWorker<FilmWorker>(
    () => new Worker(new URL('../workers/film.worker.ts', import.meta.url), { type: 'module' }),
  )
  let stream: MediaStream | null = null
  let unfollow: (() => void) | null = null
  let stopper = new AbortController()
  let judged = 0
  const judging = latestOnly()

  async function judge(): Promise<void> {
    if (!frames.value || frames.value.timesS.length < 2) return
    judged = performance.now()
    const counts = judging.ask()
    const got = await worker().speed(toRaw(frames.value), toRaw(ask()))
    if (counts()) speed.value = got
  }

  async function startCamera(): Promise<void> {
    problem.value = null
    clear()
    try {
      const which = chosen.value ? { deviceId: { exact: chosen.value } } : { facingMode: 'environment' }
      stream = await openMedia({ video: { ...which, frameRate: { ideal: 120 } } })
      cameras.value = await mediaDevices('videoinput')
      stream.getVideoTracks()[0]!.addEventListener('ended', () => {
        problem.value = 'The camera was pulled out. What came before is still here.'
        letGo()
      })
      state.value = 'camera'
      const shown = video()!
      shown.srcObject = stream
      await shown.play()
      unfollow = followVideo(
        shown,
        () => place.value,
        all => {
          if (performance.now() - judged < EVERY_MS) return
          frames.value = all()
          void judge()
        },
      )
    } catch (error) {
      clear()
      problem.value = mediaProblem('camera', error)
    }
  }

  async function openFilm(file: File): Promise<void> {
    clear()
    problem.value = null
    film.value = file
    state.value = 'film'
    video()!.src = URL.createObjectURL(file)
    await read()
  }

  /** Reads the film at the place that is chosen now. */
  async function read(): Promise<void> {
    const file = film.value
    if (!file) return
    stopper.abort()
    stopper = new AbortController()
    const { signal } = stopper
    progress.value = 0
    const tell = (share: number) => {
      if (!signal.aborted) progress.value = share
    }
    try {
      const answer = await worker().read(file, toRaw(place.value), proxy(tell))
      if (signal.aborted || 'stopped' in answer) return
      frames.value = 'ok' in answer ? answer.ok : await framesByPlaying(file, place.value, tell, signal)
      await judge()
    } catch (error) {
      if (error instanceof Stopped) return
      clear()
      problem.value = problemText(error)
    } finally {
      if (!signal.aborted) progress.value = null
    }
  }

  function stop(): void {
    stopper.abort()
    progress.value = null
    void worker().stop()
  }

  /** Lets the camera go; what it gave stays. */
  function letGo(): void {
    unfollow?.()
    unfollow = null
    closeMedia(stream)
    stream = null
  }

  function clear(): void {
    letGo()
    stopper.abort()
    const shown = video()
    if (shown) {
      if (shown.src) URL.revokeObjectURL(shown.src)
      shown.srcObject = null
      shown.removeAttribute('src')
    }
    state.value = 'off'
    film.value = null
    judging.drop()
    frames.value = null
    speed.value = null
    progress.value = null
  }

  /** The frames as a file; null while there are none. */
  async function table(name: string): Promise<File | null> {
    const text = frames.value && (await worker().table(toRaw(frames.value)))
    return text ? new File([text], name, { type: 'text/csv' }) : null
  }

  const again = useDebounceFn(read, 400)
  watch(place, () => {
    judging.drop()
    frames.value = null
    speed.value = null
    if (state.value === 'film') void again()
  })
  watch(ask, () => void judge())
  watch(chosen, () => {
    if (state.value === 'camera') void startCamera()
  })
  onScopeDispose(clear)

  return {
    state,
    place,
    problem,
    progress,
    frames,
    speed,
    cameras,
    chosen,
    film,
    startCamera,
    openFilm,
    stop,
    clear,
    table,
    glow: (off: Parameters<FilmWorker['glow']>[0], on: Parameters<FilmWorker['glow']>[1]) => worker().glow(off, on),
  }
}
