import { fromMemory, sourced, type Sourced } from './provenance'

/** What decides how well a head reads a track that it stands beside. */
export interface RecordingGeometry {
  /** Width of a track as written, and of the head that reads it. */
  readonly trackUm: Sourced
  /** Width of an isolated pulse at half its height, along the track. */
  readonly pulseUm: Sourced
  /** The same on media of another density, by the name of the layout. */
  readonly pulseOn?: Readonly<Record<string, Sourced>>
}

/** Track and pulse width in µm, from memory, of the usual size. */
export const recordingOf = (
  trackUm: number,
  pulseUm: number,
  pulseOn: Readonly<Record<string, number>> = {},
): RecordingGeometry => ({
  trackUm: sourced(trackUm, 'µm', fromMemory),
  pulseUm: sourced(pulseUm, 'µm', fromMemory),
  pulseOn: Object.fromEntries(Object.entries(pulseOn).map(([layout, um]) => [layout, sourced(um, 'µm', fromMemory)])),
})
