import { toReadings } from '../../instruments/interface'
import { pitchUm } from '../../drives'
import type { SweepCount } from '../../log'
import { SimulatedHost } from './host'
import type { Adjuster, SimulatedDrive } from './simulated-drive'

/** Fewer sectors that name another cylinder are no whole other track. */
const WHOLE = 0.6

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
    const good = Math.min(expected, r?.sectors.filter(s => s.state === 'good').length ?? 0)
    const foreign = r?.sectors.filter(s => s.state === 'foreign') ?? []
    const named =
      foreign.length >= expected * WHOLE && foreign.every(s => s.names === foreign[0]!.names)
        ? foreign[0]!.names - this.cylinder
        : undefined
    const margin = r && r.margin !== null && good > 0 ? Math.max(0, Math.min(1, r.margin)) : undefined
    return { good, expected, ...(margin === undefined ? {} : { margin }), ...(named ? { named } : {}) }
  }
}
