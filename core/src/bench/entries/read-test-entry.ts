import { ParameterError } from '../../base/errors'
import type { Call, Observation } from '../../base/observations'
import type {
  DriveFacts,
  NewEntry,
  ReadTestEntryData,
  ShownReading,
  StationId,
  SurfaceBar,
  SurfaceFacts,
} from '../../log'
import { measured, type Sent } from './measured'

/** A surface that was read and judged. */
export interface ReadSurface {
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly bars: readonly SurfaceBar[]
  readonly facts: SurfaceFacts
  readonly shows?: readonly ShownReading[]
  readonly good: number
  readonly sectors: number
}

export interface ReadTestEntryInput extends Sent {
  readonly station: StationId
  readonly disk: string | null
  /** The recording that it was read from; null for the simulated drive. */
  readonly recording: { readonly sha: string; readonly name: string } | null
  readonly read: ReadTestEntryData['read']
  readonly simulated: ReadTestEntryData['simulated']
}

/**
 * A read test as a log entry, with the recording that it came from.
 * @throws ParameterError where no sector was found
 */
export function readTestEntry(input: ReadTestEntryInput, drive: DriveFacts, surface: ReadSurface): NewEntry {
  const { recording, simulated } = input
  if (surface.sectors === 0)
    throw new ParameterError('no sector was found', 'a recording in which a host reads a disk', {
      file: recording?.name,
    })
  return measured(drive, input, {
    station: input.station,
    title: `Read test: ${surface.good} of ${surface.sectors} sectors good`,
    call: surface.call,
    observations: surface.observations,
    evidence: {
      source: recording ? 'recording' : 'simulated',
      by: 'Read test',
      recording: recording?.sha ?? null,
    },
    data: {
      type: 'read-test',
      bars: surface.bars,
      surface: surface.facts,
      ...(surface.shows?.length ? { shows: surface.shows } : {}),
      captureSha: recording?.sha ?? null,
      captureName: recording?.name ?? null,
      simulated,
      disk: input.disk,
      read: input.read,
    },
  })
}
