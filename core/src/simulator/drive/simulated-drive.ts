import { LINE_NAMES, RECORDED_AS, STATUS_LINES, type LineName } from '../../instruments/interface'
import { GrowableDoubles, type EdgeList } from '../../signals/captures'
import { ADJUSTER_NAMES, findMechanism, pitchUm, speedShare } from '../../drives'
import { lowerBound, sortNearly } from '../../base/numbers'
import { edgesFromFlux, fluxFromEdges } from '../../signals/separator'
import { halfCellOf, type Format } from '../../signals/codes'
import { residue, viewOf, type HeadState, type HeadView } from '../../signals/head'
import { QuickGauss } from '../gauss'
import { Random } from '../random'
import { SpindleModel } from '../spindle-model'
import { Carriage } from './carriage'
import { Connector } from './connector'
import { HOST_LINES, HOST_WORDS, statusOf, type HostLine, type Inside, type LineState, type StatusLine } from './levels'
import { LineRecorder } from './line-recorder'
import { asItCame, cellsOfTurn, SimulatedDisk, spliced, WRONG_SIGNAL } from './medium'
import { NoisePulses } from './noise-pulses'
import { readArc, type ReadChannel } from './read-head'
import type { DriveSpec } from './spec'
import { spindleOptions } from './spindle-options'

/** What a hand can turn on the drive. */
const { sensor, stepper, upper, lower } = ADJUSTER_NAMES
export const ADJUSTERS = { sensor, stepper, upper, lower, trimmer: 'speed trimmer' } as const
export type Adjuster = keyof typeof ADJUSTERS

/** Arcs that a turn is read in; the index hole comes past from 0 to this share. */
const ARCS = 60
const INDEX_SHARE = 0.02
const SWINGING_PARTS = 8
/** Cylinders after which the stepper phase of cylinder 0 comes again. */
const ZERO_PHASES = 4
/** Beyond this cylinder 8-inch drives lower their write current (from memory). */
const CURRENT_FROM = 43

/**
 * A drive as physics, driven by its interface lines and by hands. Time moves on by {@link advanceTo}; what its lines
 * did is recorded and
 * read like any recording. Deterministic by seed and by what is done to it.
 */
export class SimulatedDrive {
  readonly carriage: Carriage
  readonly connector: Connector
  private readonly spindle: SpindleModel
  private readonly random: Random
  private readonly gauss: QuickGauss
  private readonly pulses: NoisePulses
  private readonly host: Record<HostLine, boolean> = {
    select: false,
    motor: false,
    direction: false,
    step: false,
    side: false,
    'write-gate': false,
  }
  private readonly recorders = Object.fromEntries(LINE_NAMES.map(l => [l, new LineRecorder()])) as Record<
    LineName,
    LineRecorder
  >
  private readonly marks = [...Array.from({ length: ARCS }, (_, i) => i / ARCS), INDEX_SHARE].sort((a, b) => a - b)
  private readonly moved: Record<Adjuster, number> = { sensor: 0, stepper: 0, upper: 0, lower: 0, trimmer: 0 }
  private flux = new GrowableDoubles()
  private taken = 0
  private disk: SimulatedDisk | null
  private diskChangedS = -1
  private tab: boolean
  private changed = true
  private zero = false
  private indexNow = false
  private indexSeen = 0
  private arcTurn = 0
  private arcS = 0
  private readingSignal = false

  /** @param keep whether pulses that were taken are kept for a recording */
  constructor(
    readonly spec: DriveSpec,
    private readonly keep = false,
  ) {
    this.random = new Random(spec.seed)
    this.gauss = new QuickGauss(spec.seed)
    this.pulses = new NoisePulses(new QuickGauss(spec.seed ^ 0x0153))
    this.carriage = new Carriage(spec, new Random(spec.seed ^ 0xca44))
    this.connector = new Connector(spec, new Random(spec.seed ^ 0xc044))
    this.spindle = new SpindleModel(spindleOptions(spec))
    this.spindle.setMotor(false)
    this.disk = new SimulatedDisk(spec.disk, spec.mechanism, spec.pulseUm)
    this.tab = spec.disk.writeProtected
    this.aimSpindle()
    this.refresh()
  }

  get timeS(): number {
    return this.spindle.timeS
  }
  get media(): SimulatedDisk | null {
    return this.disk
  }
  /** Share of its speed that the spindle has come to. */
  get spin(): number {
    return this.spindle.spinShare
  }
  get tabProtected(): boolean {
    return this.tab
  }
  get innermost(): number {
    return findMechanism(this.spec.mechanism).geometry.cylinders.value + 1
  }

  /** The host drives one of its lines; low is true. */
  set(line: Exclude<HostLine, 'step'>, low: boolean): void {
    this.host[line] = low
    this.recorders[line].set(this.timeS, low)
    // Most drives turn on the motor line alone; none turns an empty spindle that knows of no disk.
    this.spindle.setMotor(this.hears('motor') && this.diskSeen)
    this.endArc(this.timeS)
    this.refresh()
  }

  /** One pulse on STEP. */
  step(): void {
    const t = this.timeS
    this.recorders.step.pulse(t, 5e-6)
    if (!this.hears('select') || this.connector.broken('step', t) || this.isStuck('step')) return
    this.endArc(t)
    this.carriage.step(t, this.hears('direction'), this.zeroInside, this.innermost)
    this.aimSpindle()
    if (this.diskSeen) this.changed = false
    this.refresh()
  }

  insert(disk = new SimulatedDisk(this.spec.disk, this.spec.mechanism, this.spec.pulseUm)): void {
    this.exchange(disk)
  }
  remove(): void {
    this.exchange(null)
  }

  private exchange(disk: SimulatedDisk | null): void {
    this.endArc(this.timeS)
    this.disk = disk
    this.aimSpindle()
    this.diskChangedS = this.timeS
    if (!this.diskSeen) this.changed = true
    this.spindle.setMotor(this.hears('motor') && this.diskSeen)
    this.refresh()
  }

  /** A drive whose speed goes with the zone takes it from the cylinder that it stands on. */
  private aimSpindle(): void {
    if (this.disk) this.spindle.aimAt(speedShare(this.disk.layout, Math.max(0, this.carriage.cylinder)))
  }

  setTab(isProtected: boolean): void {
    this.tab = isProtected
    this.refresh()
  }

  /** Moves an adjuster: µm towards the hub, cylinders for the sensor, turns to the right for the trimmer. */
  nudge(adjuster: Adjuster, by: number): void {
    this.endArc(this.timeS)
    this.moved[adjuster] += by
    if (adjuster === 'trimmer') this.spindle.turnTrimmer(by)
    this.refresh()
  }

  movedBy(adjuster: Adjuster): number {
    return this.moved[adjuster]
  }

  /** Moves a wire at its plug until told to leave it. */
  wiggle(wire: LineName | null): void {
    this.connector.moving = wire
  }

  /** Lets time pass. */
  advanceTo(untilS: number): void {
    this.spindle.advanceTo(untilS, this.marks, (t, mark, angle) => {
      this.connector.advance(t)
      this.arc(t, angle)
      const at = this.marks[mark]!
      if (at === 0) this.index(t, true)
      else if (at === INDEX_SHARE) this.index(t, false)
      this.refresh(t)
    })
    this.connector.advance(untilS)
    this.endArc(untilS)
    this.refresh(untilS)
  }

  private index(t: number, there: boolean): void {
    const { index } = this.spec.sensors
    if (there) this.indexSeen++
    this.indexNow = there && this.disk !== null && index !== 'dead' && !(index === 'weak' && this.random.next() < 0.2)
    this.refresh(t)
  }

  /** Reads on to the angle and time given: in small parts while the carriage still swings. */
  private arc(t: number, angle: number): void {
    const parts = this.carriage.settling(this.arcS) ? SWINGING_PARTS : 1
    const [fromS, fromTurn] = [this.arcS, this.arcTurn]
    const heard = this.outputs('read-data', t)
    for (let i = 1; i <= parts; i++) {
      const [toS, toTurn] = [fromS + ((t - fromS) * i) / parts, fromTurn + ((angle - fromTurn) * i) / parts]
      const view = this.view((this.arcS + toS) / 2)
      this.readingSignal = view !== null && toS > this.arcS
      if (view && heard && toTurn > this.arcTurn)
        readArc(view, this.arcTurn, toTurn, this.arcS, toS, this.gauss, this.noise, this.channel, x => {
          this.flux.push(x)
        })
      if (!view && heard && this.spec.noisePulses && this.listening) this.noisePulses(this.arcS, toS)
      this.arcTurn = toTurn
      this.arcS = toS
    }
    this.arcTurn = angle
    this.arcS = t
  }

  /** Whether the amplifier is on: selected, with a disk that turns. */
  private get listening(): boolean {
    return this.hears('select') && this.disk !== null && this.spindle.spinShare > 0.2
  }

  private noisePulses(fromS: number, toS: number): void {
    const { layout } = this.disk!
    // The band reaches to the highest frequency of the code: half its nearest transitions, and some more.
    const bandHz = 0.6 / (2 * halfCellOf(layout.formatOf(0)))
    this.pulses.run(fromS, toS, bandHz, t => {
      this.flux.push(t)
    })
  }

  private get channel(): ReadChannel {
    return { asymmetryS: this.spec.asymmetryUs * 1e-6, ...this.spec.channel }
  }

  private endArc(t: number): void {
    if (t > this.arcS) this.arc(t, this.spindle.turns)
  }

  private get noise(): number {
    // An amplifier with too little voltage is noisier.
    return this.spec.noise * (1 + Math.max(0, 4.75 - this.spec.power.logicV) * 6)
  }

  /**
   * Writes a turn of cells with the chosen head, from now on, as a host clocks them out: WRITE GATE goes low for one
   * turn. A fast spindle
   * has no room for the last of them; on a slow one the last word repeats.
   * @returns whether the head wrote: not where the drive keeps it from writing, or has no disk at speed before a
   *   head that works
   */
  writeTurn(cells: Uint8Array, format: Format): boolean {
    this.set('write-gate', true)
    const [fromTurn, fromS] = [this.spindle.turns, this.timeS]
    const able = this.writes
    const turnS = 60 / this.spec.spindle.rpm
    while (this.spindle.turns < fromTurn + 1 && this.timeS < fromS + 5 * turnS)
      this.advanceTo(this.timeS + Math.max(turnS / 200, (fromTurn + 1 - this.spindle.turns) * turnS * 0.9))
    this.set('write-gate', false)
    if (!able || !this.disk) return false
    const side: 0 | 1 = this.hears('side') ? 1 : 0
    const { cylinders } = this.headPlace(side)
    const cylinder = Math.round(cylinders)
    const room = Math.floor((this.timeS - fromS) / (this.spindle.turns - fromTurn) / halfCellOf(format))
    const { precompNs, eraseUm, spliceCells, currentSwitch } = this.spec.write
    this.disk.write(spliced(cellsOfTurn(cells, room), spliceCells, this.random), format, {
      eraseUm,
      wide: currentSwitch !== 'good' && this.spec.mechanism === '8in' && cylinder > CURRENT_FROM,
      precompCells: (precompNs * 1e-9) / halfCellOf(format),
      cylinder,
      head: side,
      radialUm: (cylinders - cylinder) * this.pitchUm,
      azimuthMin: this.spec.heads[side].azimuthMin,
      trackUm: this.spec.trackUm,
    })
    return true
  }

  /**
   * Whether the head would write now: the drive hears the host, a disk turns, nothing forbids it, and the head has a
   * coil.
   */
  private get writes(): boolean {
    const side = this.hears('side') ? 1 : 0
    return (
      this.hears('select') &&
      this.hears('write-gate') &&
      this.disk !== null &&
      !this.inside.protectedSeen &&
      this.spindle.spinShare > 0.5 &&
      this.spec.heads[side].amplitude > 0.05
    )
  }

  /** What the chosen head has before it. */
  view(t = this.timeS): HeadView | null {
    if (!this.disk || !this.hears('select') || this.spindle.spinShare < 0.2) return null
    const side: 0 | 1 = this.hears('side') ? 1 : 0
    const place = this.headPlace(side, t)
    const own = Math.round(place.cylinders)
    // A disk that is not centred brings its tracks to and fro under the head.
    const offUm =
      (place.cylinders - own) * this.pitchUm + this.disk.spec.eccentricUm * Math.sin(2 * Math.PI * this.spindle.turns)
    const track = this.disk.track(own, side)
    const lean = Math.abs(offUm) > 1 ? this.disk.track(own + Math.sign(offUm), side) : null
    return viewOf(track, lean, this.headState(side, offUm, own))
  }

  /** Where a head's gap is, cylinders inward of cylinder 0. */
  headPlace(side: 0 | 1, t = this.timeS): { readonly cylinders: number } {
    const head = this.spec.heads[side]
    const um =
      this.spec.carriage.offsetUm +
      this.moved.stepper +
      head.radialUm +
      this.moved[side ? 'upper' : 'lower'] +
      this.carriage.lagUm
    return { cylinders: this.carriage.position(t) + um / this.pitchUm }
  }

  get pitchUm(): number {
    return pitchUm(this.spec.mechanism)
  }

  private headState(side: 0 | 1, offUm: number, cylinder: number): HeadState {
    const head = this.spec.heads[side]
    const disk = this.disk?.spec ?? this.spec.disk
    const { trackUm, clearedUm, azimuthMin, under } = this.disk?.howWritten(cylinder, side) ?? asItCame(disk)
    const over = this.disk?.track(cylinder, side)
    // What shines through from under a track is noise to it.
    const through =
      under && over
        ? (residue(offUm, this.spec.trackUm, under, { radialUm: over.radialUm, trackUm }, clearedUm) * head.amplitude) /
          Math.SQRT2
        : 0
    const turn = this.spindle.turns % 1
    const lift = disk.grooves.reduce(
      (um, g) =>
        um +
        (g.head === side &&
        cylinder >= g.fromCylinder &&
        cylinder <= g.toCylinder &&
        turn >= g.fromTurn &&
        turn < g.toTurn
          ? g.liftUm
          : 0),
      0,
    )
    return {
      offUm,
      azimuthMin: head.azimuthMin - azimuthMin,
      spacingUm: head.dirtUm + lift,
      amplitude: head.amplitude * disk.amplitude * (disk.wrongDensity ? WRONG_SIGNAL : 1),
      noise: Math.hypot(this.noise, through),
      headUm: this.spec.trackUm,
      trackUm,
      pitchUm: this.pitchUm,
    }
  }

  private get diskSeen(): boolean {
    const { diskIn } = this.spec.sensors
    if (diskIn === 'always in') return true
    if (diskIn === 'never in') return false
    // A switch that returns slowly shows the last state for a while.
    return (
      (diskIn === 'slow' && this.diskChangedS >= 0 && this.timeS - this.diskChangedS < 1.5) !== (this.disk !== null)
    )
  }

  private get zeroInside(): boolean {
    const { trackZero, zeroPhase } = this.spec.sensors
    const sensor = trackZero === 'covered' || (trackZero !== 'clear' && this.zero)
    return sensor && (!zeroPhase || this.carriage.cylinder % ZERO_PHASES === 0)
  }

  private isStuck(line: LineName): 'low' | 'high' | null {
    return this.spec.stuckLow.includes(line) ? 'low' : this.spec.stuckHigh.includes(line) ? 'high' : null
  }

  /** Whether the drive takes a host line as true, through plug and wire. */
  hears(line: HostLine): boolean {
    const stuck = this.isStuck(line)
    if (stuck) return stuck === 'low'
    return this.host[line] && !this.connector.broken(line, this.timeS)
  }

  private get inside(): Inside {
    const { writeProtect } = this.spec.sensors
    const turning = this.spindle.spinShare > 0.05
    return {
      diskSeen: this.diskSeen,
      diskIn: this.disk !== null,
      turning,
      ready: this.diskSeen && this.spindle.spinShare > 0.97 && this.indexSeen > 1,
      changed: this.changed,
      tabProtected: this.tab,
      protectedSeen: writeProtect === 'always protected' || (writeProtect === 'good' && this.disk !== null && this.tab),
      zeroSeen: this.zeroInside,
      cylinder: this.carriage.cylinder,
      indexNow: this.indexNow,
      readingSignal: this.readingSignal,
    }
  }

  /** Whether what a status line says gets out of the drive and to the host. */
  private outputs(line: StatusLine, t: number): boolean {
    return (
      (this.hears('select') || this.spec.ungated.includes(line)) &&
      !this.connector.broken(line, t) &&
      !this.isStuck(line)
    )
  }

  /** A line's level now, and why. */
  explain(line: LineName): LineState {
    const stuck = this.isStuck(line)
    if (stuck)
      return { low: stuck === 'low', why: `Its driver holds it ${stuck}, whatever the drive means.`, means: false }
    if ((HOST_LINES as readonly LineName[]).includes(line)) return this.explainHost(line as HostLine)
    if (this.connector.broken(line, this.timeS))
      return {
        low: false,
        why: 'The contact of its wire is open just now: the host’s resistor pulls it up.',
        means: false,
      }
    const { low, why } = statusOf(line as StatusLine, this.inside, this.spec.sensors)
    if (this.hears('select')) return { low, why, means: true }
    return this.spec.ungated.includes(line)
      ? { low, why: `${why} It is driven though the drive is not selected.`, means: false }
      : { low: false, why: 'Not valid: the drive is not selected.', means: false }
  }

  private explainHost(line: HostLine): LineState {
    const low = this.host[line]
    if (this.connector.broken(line, this.timeS))
      return { low, why: 'The host drives it, but the contact of its wire is open just now.', means: false }
    return {
      low,
      why: HOST_WORDS[line][low ? 0 : 1],
      means: line === 'select' || line === 'motor' || this.hears('select'),
    }
  }

  /** Brings the recorded status lines up to date. */
  private refresh(t = this.timeS): void {
    const p = this.carriage.position(t)
    const at = this.spec.sensorAt + this.moved.sensor
    // The sensor's own hysteresis, and a weak detector that hardly switches.
    this.zero = this.zero
      ? p < at + 0.05
      : p < at - 0.05 && !(this.spec.sensors.trackZero === 'weak' && this.random.next() < 0.3)
    if (!this.diskSeen) this.changed = true
    const inside = this.inside
    for (const line of STATUS_LINES) {
      if (line === 'read-data') continue
      const stuck = this.isStuck(line)
      this.recorders[line].set(
        t,
        stuck ? stuck === 'low' : this.outputs(line, t) && statusOf(line, inside, this.spec.sensors).low,
      )
    }
  }

  /** Pulses of the read line since they were last taken, seconds. */
  takeFlux(): Float64Array {
    const flux = this.keep ? this.flux.copyFrom(this.taken) : this.flux.take()
    this.taken = this.keep ? this.flux.length : 0
    // Noise may bring two pulses out of order where they are close.
    return sortNearly(flux)
  }

  /** Falls of the index line since a time, seconds. */
  indexFalls(sinceS: number): Float64Array {
    return fluxFromEdges(this.recorders.index.edges(sinceS)).map(t => t + sinceS)
  }

  /** Forgets what was recorded until now. */
  forget(): void {
    for (const r of Object.values(this.recorders)) r.forget(this.timeS)
    this.flux.clear()
    this.taken = 0
  }

  /** All lines since a time, as a recording; of the read line what is still kept. */
  recording(sinceS = 0): { readonly name: string; readonly edges: EdgeList }[] {
    const flux = sortNearly(this.flux.copyFrom(0))
    const pulses = edgesFromFlux(flux.subarray(lowerBound(flux, sinceS)).map(f => f - sinceS))
    return LINE_NAMES.map(line => ({
      name: RECORDED_AS[line],
      edges: line === 'read-data' ? withStuck(pulses, this.isStuck(line)) : this.recorders[line].edges(sinceS),
    }))
  }

  /** The lines but the read line since a time, in the recording's own time. */
  recent(sinceS: number): Record<string, EdgeList> {
    return Object.fromEntries(
      LINE_NAMES.filter(l => l !== 'read-data').map(line => [line, this.recorders[line].edges(sinceS)]),
    )
  }
}

const withStuck = (edges: EdgeList, stuck: 'low' | 'high' | null): EdgeList =>
  stuck ? { initial: stuck === 'low' ? 0 : 1, times: new Float64Array(), gaps: [] } : edges
