import type { EdgeList } from '../../signals/captures'
import { readSurface, SimulatedHost, wholeSurface, type HostOptions } from './host'
import { SimulatedDrive } from './simulated-drive'
import { asPhases, asRegisters } from './wire-as'
import type { DriveSpec } from './spec'

export interface Recording {
  readonly channels: readonly { readonly name: string; readonly edges: EdgeList }[]
  readonly durationS: number
  readonly drive: SimulatedDrive
}

export interface RecordOptions extends Partial<HostOptions> {
  /** Takes the disk out after reading and puts it in again, so that the change line shows. */
  readonly changeDisk?: boolean
  /** Turns the write-protect tab over after reading. */
  readonly flipTab?: boolean
}

/** Records the interface while a host starts the drive, homes it and reads. */
export function recordReading(spec: DriveSpec, options: RecordOptions = {}): Recording {
  const drive = new SimulatedDrive(spec, true)
  drive.advanceTo(0.05)
  for (const run = readSurface(drive, { ...wholeSurface(drive), ...options }); !run.next().done;);
  const host = new SimulatedHost(drive)
  if (options.flipTab) {
    drive.setTab(!drive.tabProtected)
    host.wait(0.3)
  }
  if (options.changeDisk) {
    drive.remove()
    host.wait(1.6)
    drive.insert()
    host.wait(1)
    drive.set('direction', true)
    host.wait(0.001)
    drive.step()
    host.wait(0.3)
  }
  // What is driven without select shows while the disk still turns.
  drive.set('select', false)
  host.wait(0.7)
  host.stop()
  host.wait(0.3)
  const channels = drive.recording()
  const onTheWire = {
    lines: () => channels,
    phases: () => asPhases(channels),
    registers: () => asRegisters(channels, drive.timeS),
  }[spec.wire]
  return { channels: onTheWire(), durationS: drive.timeS, drive }
}
