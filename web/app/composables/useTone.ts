import { speedTone } from '@wobrin/core/instruments/spindle'

/**
 * The tone that tells error and direction: lower is slow, higher is fast, beating while outside the band and steady
 * when right. Silent until it is asked for.
 */
export function useTone(volume: () => number, octaveShare: () => number) {
  const on = ref(false)
  let audio: AudioContext | null = null
  let pitch: OscillatorNode | null = null
  let beat: OscillatorNode | null = null
  let depth: GainNode | null = null
  let loudness: GainNode | null = null

  function build(): void {
    audio = new AudioContext()
    pitch = new OscillatorNode(audio, { type: 'sine', frequency: 440 })
    beat = new OscillatorNode(audio, { type: 'square', frequency: 1 })
    depth = new GainNode(audio, { gain: 0 })
    const chopped = new GainNode(audio, { gain: 1 })
    loudness = new GainNode(audio, { gain: 0 })
    beat.connect(depth).connect(chopped.gain)
    pitch.connect(chopped).connect(loudness).connect(audio.destination)
    pitch.start()
    beat.start()
  }

  /** Follows a reading; null is silence. */
  function follow(rpm: number | null, target: number, halfBand: number): void {
    if (!audio || !pitch || !beat || !depth || !loudness) return
    const now = audio.currentTime
    if (!on.value || rpm === null) {
      loudness.gain.setTargetAtTime(0, now, 0.03)
      return
    }
    const { hz, beatsPerSecond } = speedTone(rpm, target, halfBand, octaveShare())
    pitch.frequency.setTargetAtTime(hz, now, 0.05)
    beat.frequency.setValueAtTime(Math.max(0.1, beatsPerSecond), now)
    // A square wave of half depth about half gain switches the tone fully on and off.
    depth.gain.setTargetAtTime(beatsPerSecond > 0 ? 0.5 : 0, now, 0.02)
    loudness.gain.setTargetAtTime(volume() * 0.4, now, 0.03)
  }

  async function toggle(): Promise<void> {
    if (!audio) build()
    on.value = !on.value
    await audio!.resume()
    if (!on.value) loudness!.gain.setTargetAtTime(0, audio!.currentTime, 0.03)
  }

  onScopeDispose(() => {
    void audio?.close()
  })

  return { on, toggle, follow }
}
