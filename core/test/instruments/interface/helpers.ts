import type { Capture, EdgeList } from '../../../src/signals/captures'
import {
  linesOf,
  toReadings,
  cutTracks,
  followHeads,
  type BusLines,
  type CutOptions,
  type TrackReading,
} from '../../../src/instruments/interface'
import { recordReading, soundDrive, type DriveSpec, type Recording, type RecordOptions } from '../../../src/simulator'

/** A drive that differs from a sound one in some things. */
export const driveWith = (
  change: (d: DriveSpec) => Partial<DriveSpec>,
  mechanism: DriveSpec['mechanism'] = '5.25in-48',
  seed = 5,
): DriveSpec => {
  const sound = soundDrive(mechanism, seed)
  return { ...sound, ...change(sound) }
}

export const asCapture = (
  r: Pick<Recording, 'channels' | 'durationS'>,
  names: (name: string) => string = n => n,
): Capture => ({
  fileName: 'bus.vcd',
  format: 'vcd',
  durationS: r.durationS,
  notices: [],
  channels: r.channels.map(c => ({ name: names(c.name), edges: c.edges as EdgeList, edgeCount: c.edges.times.length })),
})

export const record = (
  change: (d: DriveSpec) => Partial<DriveSpec> = () => ({}),
  options: RecordOptions = { cylinders: [0, 3, 2], turns: 1 },
  mechanism?: DriveSpec['mechanism'],
) => recordReading(driveWith(change, mechanism), options)

export const linesIn = (r: Pick<Recording, 'channels' | 'durationS'>): BusLines => linesOf(asCapture(r))

export const readingsIn = (r: Pick<Recording, 'channels' | 'durationS'>, options: CutOptions = {}): TrackReading[] => {
  const lines = linesIn(r)
  return toReadings(cutTracks(lines, followHeads(lines, r.durationS), options))
}
