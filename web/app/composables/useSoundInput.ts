import { proxy, transfer } from 'comlink'
import type { SensedAsk } from '@wobrin/core/instruments/sensed'
import inputUrl from '../worklets/sound-input.ts?worker&url'
import type { ListenAsk, SoundNews, SoundWorker } from '../workers/sound.worker'

/** The sound input of this device, followed and judged in a worker. Nothing is taken before `start`. */
export function useSoundInput(ask: () => ListenAsk) {
  const running = ref(false)
  const problem = ref<string | null>(null)
  const inputs = shallowRef<readonly MediaDeviceInfo[]>([])
  const chosen = ref('')
  const news = shallowRef<SoundNews | null>(null)
  const worker = useWorker<SoundWorker>(
    () => new Worker(new URL('../workers/sound.worker.ts', import.meta.url), { type: 'module' }),
  )
  let stream: MediaStream | null = null
  let audio: AudioContext | null = null
  /** Counts the questions: what answers an earlier one is not shown as an answer to the last. */
  let question = 0

  async function start(): Promise<void> {
    problem.value = null
    close()
    try {
      // What a browser does to speech would take steps and pulses for noise.
      const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
      const device = chosen.value ? { deviceId: { exact: chosen.value } } : {}
      stream = await openMedia({ audio: { ...plain, ...device, channelCount: 1 } })
      inputs.value = await mediaDevices('audioinput')
      const track = stream.getAudioTracks()[0]!
      track.addEventListener('ended', () => end('The sound input was pulled out. What came before is still here.'))
      await connect()
      running.value = true
    } catch (error) {
      close()
      problem.value = mediaProblem('sound input', error)
    }
  }

  async function connect(): Promise<void> {
    audio = new AudioContext()
    await audio.audioWorklet.addModule(inputUrl)
    const node = new AudioWorkletNode(audio, 'sound-input', { numberOfOutputs: 0 })
    const { port1, port2 } = new MessageChannel()
    node.port.postMessage(port1, [port1])
    news.value = null
    await worker().begin(
      transfer(port2, [port2]),
      audio.sampleRate,
      toRaw(ask()),
      ++question,
      proxy((n: SoundNews) => {
        if (n.question === question) news.value = n
      }),
    )
    audio.createMediaStreamSource(stream!).connect(node)
    await audio.resume()
  }

  function close(): void {
    running.value = false
    closeMedia(stream)
    stream = null
    void audio?.close()
    audio = null
  }

  /** Takes no more sound; what came is still judged and can be kept. */
  async function end(why: string | null = null): Promise<void> {
    close()
    problem.value = why
    await worker().end()
  }

  /** Puts away what came. */
  async function clear(): Promise<void> {
    question++
    await end()
    news.value = null
  }

  /** What is judged now as a file; null while there is nothing. */
  async function recording(name: string): Promise<File | null> {
    const bytes = await worker().recording()
    return bytes && new File([bytes as Uint8Array<ArrayBuffer>], name, { type: 'audio/wav' })
  }

  /** What was judged was of another question; how loud it is stays true. */
  function unjudged(): void {
    question++
    if (news.value) news.value = { ...news.value, marks: null, speed: null, steps: null }
  }

  async function anew(): Promise<void> {
    unjudged()
    await worker().anew(question)
  }

  watch(ask, (next, last) => {
    if (!running.value && !news.value) return
    if (next.for === last.for) question++
    else unjudged()
    void worker().ask(toRaw(next), question)
  })
  watch(chosen, () => {
    if (running.value) void start()
  })
  onScopeDispose(close)

  const judgeFile = (file: File, of: SensedAsk) => worker().file(file, of)

  return {
    judgeFile,
    running,
    problem,
    inputs,
    chosen,
    news,
    start,
    end,
    clear,
    recording,
    anew,
  }
}

export type SoundInput = ReturnType<typeof useSoundInput>
