import { Random } from './random'

/** Something that turns with the spindle and makes it uneven. */
export interface Ripple {
  /** Cycles per turn of the spindle: belts below 1, motor pulleys above. */
  readonly cyclesPerTurn: number
  /** Zero-to-peak depth, % of speed. */
  readonly peakPercent: number
}

export interface SpindleModelOptions {
  readonly seed: number
  /** Speed with the trimmer where it stands at the start, warm, r/min. */
  readonly rpm: number
  /** Speed change for one turn of the trimmer to the right, r/min; 0 is a dead trimmer. */
  readonly rpmPerTrimmerTurn?: number
  readonly ripples?: readonly Ripple[]
  /** Speed when cold differs by this share, in %, and comes in with the time constant. */
  readonly coldPercent?: number
  readonly warmUpS?: number
  /** Random wander of the speed, deviation in %, over about a second. */
  readonly wanderPercent?: number
  /** Time constant of the motor's start; 0 starts at full speed. */
  readonly startS?: number
}

/** Steps a turn: fine enough for motor ripple at ten cycles a turn. */
const STEPS_PER_TURN = 120
const WANDER_S = 1

/**
 * A spindle as physics: motor with trimmer, belt and pulley ripple locked to the angle, warm-up, wander.
 * Time moves on by {@link advanceTo}, which reports the instants at which given angles pass.
 */
export class SpindleModel {
  private readonly random: Random
  private readonly phases: number[]
  private trimmer = 0
  private wander = 0
  private angleTurns = 0
  private nowS = 0
  private on = true
  private aim = 1
  private share = 1
  /** Share of its speed that the spindle has come to. */
  private spin: number

  constructor(private readonly options: SpindleModelOptions) {
    this.random = new Random(options.seed)
    this.phases = (options.ripples ?? []).map(() => this.random.next())
    this.spin = options.startS ? 0 : 1
  }

  /** Sets the speed that it is driven to, as a share of its own; it comes there with the time constant of its start. */
  aimAt(share: number): void {
    this.aim = share
  }

  /** Switches the motor; the spindle starts and runs out with its time constant. */
  setMotor(on: boolean): void {
    this.on = on
  }

  /** Share of its speed that the spindle has come to, 0 to 1. */
  get spinShare(): number {
    return this.spin
  }

  get timeS(): number {
    return this.nowS
  }

  get turns(): number {
    return this.angleTurns
  }

  /** Turns the trimmer from where it stands; positive is to the right. */
  turnTrimmer(turns: number): void {
    this.trimmer += turns
  }

  private speedAt(angle: number, time: number): number {
    const o = this.options
    let rpm = o.rpm + this.trimmer * (o.rpmPerTrimmerTurn ?? 0)
    rpm *= 1 + ((o.coldPercent ?? 0) / 100) * Math.exp(-time / (o.warmUpS ?? 60))
    let factor = 1 + this.wander
    o.ripples?.forEach((r, i) => {
      factor += (r.peakPercent / 100) * Math.sin(2 * Math.PI * (r.cyclesPerTurn * angle + this.phases[i]!))
    })
    return Math.max(0, rpm * factor * this.spin * this.share)
  }

  /**
   * Runs until the given time.
   * @param marks angles of the marks in turns (0 to 1, ascending)
   * @param onMark called with each passing: time, mark index, angle in turns from the start
   */
  advanceTo(
    untilS: number,
    marks: readonly number[],
    onMark: (timeS: number, mark: number, angleTurns: number) => void,
  ): void {
    const o = this.options
    const wanderShare = (o.wanderPercent ?? 0) / 100
    while (this.nowS < untilS) {
      const rough = this.speedAt(this.angleTurns, this.nowS) / 60
      const dt = Math.min(
        1 / STEPS_PER_TURN / rough,
        untilS - this.nowS,
        this.spin === (this.on ? 1 : 0) && this.share === this.aim ? 0.02 : 0.005,
      )
      // Midpoint rule: the ripple depends on the angle that the step itself changes.
      const speed = this.speedAt(this.angleTurns + (rough * dt) / 2, this.nowS + dt / 2) / 60
      const from = this.angleTurns
      const to = from + speed * dt
      for (let turn = Math.floor(from); turn <= Math.floor(to); turn++) {
        marks.forEach((m, i) => {
          const angle = turn + m
          if (angle > from && angle <= to) onMark(this.nowS + (angle - from) / speed, i, angle)
        })
      }
      this.angleTurns = to
      this.nowS += dt
      if (this.share !== this.aim) {
        const left = (this.share - this.aim) * Math.exp(-dt / (o.startS || 1e-3))
        this.share = Math.abs(left) < 1e-5 ? this.aim : this.aim + left
      }
      const goal = this.on ? 1 : 0
      if (this.spin !== goal) {
        const left = (this.spin - goal) * Math.exp(-dt / (o.startS || 1e-3))
        this.spin = Math.abs(left) < 1e-5 ? goal : goal + left
      }
      if (wanderShare > 0) {
        const keep = Math.exp(-dt / WANDER_S)
        this.wander = this.wander * keep + wanderShare * Math.sqrt(1 - keep * keep) * this.random.gaussian()
      }
    }
  }
}
