/**
 * Where a value comes from. What is derived from a reading (a call, a finding, a verified level) is never evidence a
 * second time, so it has no source of its own.
 */
export const SOURCES = {
  recording: { label: 'Recording', words: 'from a recording' },
  instrument: { label: 'Calculator', words: 'worked out here from typed values' },
  meter: { label: 'Meter', words: 'by a meter' },
  probe: { label: 'Probe', words: 'by a logic probe' },
  host: { label: 'Host', words: 'by the host’s own program' },
  hand: { label: 'By hand', words: 'by eye, ear or finger' },
  said: { label: 'Said', words: 'as somebody said' },
  simulated: { label: 'Simulated', words: 'by the simulated drive' },
} as const

export type SourceId = keyof typeof SOURCES
export const SOURCE_IDS = Object.keys(SOURCES) as readonly SourceId[]

/** What stands behind the values of a measurement. */
export interface Evidence {
  readonly source: SourceId
  /** Instrument, program or tool, as a person names it; empty where the source says all. */
  readonly by: string
  /** SHA-256 of the recording that it was computed from; null where there is none. */
  readonly recording: string | null
}

/** Evidence without a recording. */
export const evidenceBy = (source: SourceId, by = ''): Evidence => ({ source, by, recording: null })

/** The source by its name: the tool or program where one is known. */
export const sourceName = ({ source, by }: Evidence): string =>
  by && source !== 'simulated'
    ? by
    : source === 'simulated'
      ? 'the simulated drive'
      : SOURCES[source].label.toLowerCase()

/**
 * The source as the end of a sentence.
 * @example evidenceWords({ source: 'hand', by: 'a strobe', recording: null }) // 'by a strobe'
 */
export function evidenceWords({ source, by }: Evidence): string {
  if (!by || source === 'recording' || source === 'simulated' || source === 'instrument') return SOURCES[source].words
  return source === 'said' ? `as ${by} said` : `by ${by}`
}
