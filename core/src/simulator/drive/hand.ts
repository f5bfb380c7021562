import { toReadings } from '../../instruments/interface'
import { usualHalfWindowUm } from '../../calculators/alignment'
import { countTrack } from '../../instruments/alignment'
import { pitchUm, type MechanismId } from '../../drives'
import type { SweepCount } from '../../log'
import { SimulatedHost } from './host'
import type { Adjuster, SimulatedDrive } from './simulated-drive'

/** Marks that a usual range is wide on the scale of a simulated adjuster. */
const RANGE_MARKS = 7

/** What a mark of a simulated adjuster moves the head by, µm. */
export const umPerMark = (mechanism: MechanismId): number => (2 * usualHalfWindowUm(mechanism)) / RANGE_MARKS

/** A hand at an adjuster of the simulated drive: sets it to marks and reads what comes. */
export class AdjustingHand {
  readonly host: SimulatedHost
  private at = 0
  private cylinder = 0

  /** @param umPerUnit what a mark moves the head by, µm, towards the hub */
  constructor(
    readonly drive: SimulatedDrive,
    readonly adjuster: Adjuster,
    private readonly umPerUnit: number,
  ) {
    this.host = new SimulatedHost(drive, { stepMs: 6, settleMs: 20 })
    this.host.start()
    this.host.home()
  }

  get position(): number {
    return this.at
  }

  /** Sets the adjuster. The sensor only tells where home is, so that the carriage is sent there again. */
  set(position: number): void {
    const by = (position - this.at) * this.umPerUnit
    this.at = position
    this.drive.nudge(this.adjuster, this.adjuster === 'sensor' ? by / pitchUm(this.drive.spec.mechanism) : by)
    if (this.adjuster !== 'sensor') return
    this.host.home()
    this.host.seek(this.cylinder)
  }

  seek(cylinder: number): void {
    this.cylinder = cylinder
    this.host.seek(cylinder)
  }

  /** Reads the track where the hand stands, one turn, by the read engine alone. */
  read(head: 0 | 1): SweepCount {
    const { layout } = this.drive.media!
    const expected = layout.sectorsOf(this.cylinder)
    const [r] = toReadings([this.host.read(head, 1, undefined, [layout.formatOf(this.cylinder)])], {
      stepsPerCylinder: 1,
      offset: 0,
    })
    return countTrack(r, this.cylinder, expected)
  }
}
