import type { Random } from '../random'
import type { DriveSpec } from './spec'

/** How far outward of cylinder 0 the stop lets the carriage go, cylinders. */
const STOP = -1

/** The carriage: detents, missed steps, settling, hysteresis, and where the track-zero sensor sees it. */
export class Carriage {
  /** Detent that the stepper holds. */
  cylinder: number
  private from: number
  private movedS = -1
  private lastStepS = -1
  private inward = false
  /** Steps that did nothing, and those that the drive refused at track zero. */
  missed = 0
  refused = 0

  constructor(
    private readonly spec: DriveSpec,
    private readonly random: Random,
  ) {
    this.cylinder = spec.carriage.startCylinder
    this.from = this.cylinder
  }

  /** One step at a time. @param atZero whether the drive's own logic sees track zero */
  step(t: number, inward: boolean, atZero: boolean, innermost: number): void {
    const { carriage, power } = this.spec
    const rate = (t - this.lastStepS) * 1000
    this.lastStepS = t
    if (!inward && atZero && carriage.refusesBelowZero) {
      this.refused++
      return
    }
    const to = this.cylinder + (inward ? 1 : -1)
    const stiff =
      carriage.stiffMissPercent > 0 &&
      Math.min(to, this.cylinder) >= carriage.stiffFrom &&
      Math.max(to, this.cylinder) <= carriage.stiffTo
    // A stepper with too little voltage, or stepped too fast, stays where it is.
    const weak = power.motorV < 10 ? (10 - power.motorV) * 25 : 0
    const fast = rate < carriage.fastestStepMs * 0.8 ? 60 : 0
    if (this.random.next() * 100 < carriage.missPercent + (stiff ? carriage.stiffMissPercent : 0) + weak + fast) {
      this.missed++
      return
    }
    if (to < STOP || to > innermost) return
    this.from = this.position(t)
    this.cylinder = to
    this.movedS = t
    this.inward = inward
  }

  /** Where the carriage is, in cylinders inward of cylinder 0: it swings into its detent. */
  position(t: number): number {
    const since = (t - this.movedS) * 1000
    if (this.movedS < 0 || since > 2 * this.spec.carriage.settleMs) return this.cylinder
    const tau = this.spec.carriage.settleMs / 5
    return (
      this.cylinder + (this.from - this.cylinder) * Math.exp(-since / tau) * Math.cos((Math.PI * since) / (2.2 * tau))
    )
  }

  /** Hysteresis: half of it short of the detent, on the side it came from, µm towards the hub. */
  get lagUm(): number {
    return this.movedS < 0 ? 0 : (this.inward ? -0.5 : 0.5) * this.spec.carriage.hysteresisUm
  }

  /** Whether it is still swinging. */
  settling(t: number): boolean {
    return this.movedS >= 0 && (t - this.movedS) * 1000 < this.spec.carriage.settleMs
  }
}
