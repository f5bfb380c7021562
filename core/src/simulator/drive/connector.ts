import type { LineName } from '../../instruments/interface'
import type { Random } from '../random'
import type { DriveSpec } from './spec'

/** How long a contact stays broken, s on average. */
const BROKEN_S = 0.006

/** The plug: one wire may have a loose contact that breaks when it is moved. */
export class Connector {
  /** Wire that is moved now. */
  moving: LineName | null = null
  private brokenUntilS = -1
  private lastS = 0

  constructor(
    private readonly spec: DriveSpec,
    private readonly random: Random,
  ) {}

  /** Lets time pass. */
  advance(t: number): void {
    const { wire, breaksPerSecond, atRestPerSecond } = this.spec.loose
    const dt = t - this.lastS
    this.lastS = t
    if (wire === 'none' || t < this.brokenUntilS) return
    const rate = this.moving === wire ? breaksPerSecond : atRestPerSecond
    if (rate > 0 && this.random.next() < 1 - Math.exp(-rate * dt))
      this.brokenUntilS = t - BROKEN_S * Math.log(1 - this.random.next())
  }

  broken(wire: LineName, t: number): boolean {
    return wire === this.spec.loose.wire && t < this.brokenUntilS
  }
}
