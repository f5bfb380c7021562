import { pitchUm, type MechanismId } from '../../drives'
import { soundDrive, type DriveSpec } from './spec'

/** A state in which a restorer meets a drive. */
export interface DriveStory {
  readonly id: string
  readonly label: string
  readonly of: (mechanism: MechanismId, seed: number) => DriveSpec
}

const story = (id: string, label: string, change: (d: DriveSpec) => Partial<DriveSpec> = () => ({})): DriveStory => ({
  id,
  label,
  of: (mechanism, seed) => {
    const sound = soundDrive(mechanism, seed)
    return { ...sound, ...change(sound) }
  },
})
const upper = (d: DriveSpec, part: Partial<DriveSpec['heads'][1]>): Partial<DriveSpec> => ({
  heads: [d.heads[0], { ...d.heads[1], ...part }],
})
const lower = (d: DriveSpec, part: Partial<DriveSpec['heads'][0]>): Partial<DriveSpec> => ({
  heads: [{ ...d.heads[0], ...part }, d.heads[1]],
})

/** Seed of the stand-in: the page and the server must read the same drive. */
export const STORY_SEED = 7

/** Drives that the stand-in can be. Shares of a track's width, so that each shows on every class. */
export const DRIVE_STORIES: readonly DriveStory[] = [
  story('sound', 'A sound drive'),
  story('upper-leans', 'Upper head a little off track', d => upper(d, { radialUm: d.trackUm * 0.48 })),
  story('upper-off', 'Upper head on the next cylinder', d => upper(d, { radialUm: pitchUm(d.mechanism) * 0.76 })),
  story('both-off', 'Both heads off: sensor or stepper', d => ({
    carriage: { ...d.carriage, offsetUm: d.trackUm * 0.55 },
  })),
  story('dirty', 'Lower head dirty', d => lower(d, { dirtUm: d.pulseUm * 0.29 })),
  story('worn', 'Both heads weak', d => ({
    heads: [
      { ...d.heads[0], amplitude: 0.5 },
      { ...d.heads[1], amplitude: 0.46 },
    ],
  })),
  story('dead-upper', 'Upper head dead: noise only', d => ({
    ...upper(d, { amplitude: 0 }),
    noisePulses: true,
  })),
  story('groove', 'A groove in the disk', d => ({
    disk: {
      ...d.disk,
      grooves: [{ head: 0, fromCylinder: 12, toCylinder: 14, fromTurn: 0.2, toTurn: 0.55, liftUm: d.pulseUm }],
    },
  })),
  story('wrong-density', 'A disk of the wrong density', d => ({ disk: { ...d.disk, wrongDensity: true } })),
  story('fast-writer', 'Disk written by a fast drive', d => ({
    disk: { ...d.disk, writer: { ...d.disk.writer, rpm: d.disk.writer.rpm * 1.055 } },
  })),
  story('seam', 'A seam in the belt', d => ({ spindle: { ...d.spindle, beltRipplePercent: 3.5 } })),
  story('old-motor', 'A worn motor', d => ({ spindle: { ...d.spindle, motorAge: 0.9 } })),
  story('gummed', 'Gummed guide rail: steps are lost', d => ({
    carriage: { ...d.carriage, stiffFrom: 18, stiffTo: 24, stiffMissPercent: 30 },
  })),
  story('early-zero', 'Track-zero sensor trips early', () => ({ sensorAt: 1.5 })),
  story('no-change', 'Disk-in switch does not return', d => ({ sensors: { ...d.sensors, diskIn: 'always in' } })),
  story('always-protected', 'Write-protect switch stuck', d => ({
    sensors: { ...d.sensors, writeProtect: 'always protected' },
  })),
  story('loose-data', 'Read-data crimp loose', () => ({
    loose: { wire: 'read-data', breaksPerSecond: 40, atRestPerSecond: 0.1 },
  })),
  story('ungated', 'Index driven without select', () => ({ ungated: ['index'] })),
  story('no-index', 'Dead index sensor', d => ({ sensors: { ...d.sensors, index: 'dead' } })),
]
