/** What the worker is sent of the sound input: samples, and where the first of them stands. */
export interface SoundBlock {
  readonly frame: number
  readonly samples: Float32Array
}

// The thread that sound runs in has names of its own, which the browser's types leave out.
declare const currentFrame: number
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, of: new () => AudioWorkletProcessor): void

/** So many samples go at once: 20 ms, so that the hand on the trimmer does not wait. */
const AT_ONCE = 1024

/** Passes the sound input on to the worker that is given to it, without judging anything. */
class SoundInput extends AudioWorkletProcessor {
  private to: MessagePort | null = null
  private held = new Float32Array(AT_ONCE)
  private count = 0
  private first = 0

  constructor() {
    super()
    this.port.onmessage = ({ data }: MessageEvent<MessagePort | null>) => {
      this.to = data
    }
  }

  process([input]: Float32Array[][]): boolean {
    const samples = input?.[0]
    if (!samples || !this.to) return true
    // A quantum that was left out shows by its number: what is held goes first.
    if (this.count > 0 && currentFrame !== this.first + this.count) this.send()
    if (this.count === 0) this.first = currentFrame
    this.held.set(samples, this.count)
    this.count += samples.length
    if (this.count + samples.length > AT_ONCE) this.send()
    return true
  }

  private send(): void {
    const block: SoundBlock = { frame: this.first, samples: this.held.slice(0, this.count) }
    this.to!.postMessage(block, [block.samples.buffer])
    this.count = 0
  }
}

registerProcessor('sound-input', SoundInput)
