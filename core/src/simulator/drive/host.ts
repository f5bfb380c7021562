import { rpmAt } from '../../drives'
import { recogniseTrack, writeTrack, type Format, type SectorToWrite } from '../../signals/codes'
import { sampleOf, type RawTrack } from '../../instruments/interface'
import type { SimulatedDrive } from './simulated-drive'

/** What a host waits for the spindle to come to the speed of another zone, s (from memory). */
const ZONE_CHANGE_S = 0.4

/** How the host reads. */
export interface HostOptions {
  readonly cylinders: readonly number[]
  readonly heads: readonly (0 | 1)[]
  /** Turns that each track is read for. */
  readonly turns: number
  readonly stepMs: number
  readonly settleMs: number
}

/** A host that drives the simulated drive by its lines alone, and believes only what they say. */
export class SimulatedHost {
  /** Where it believes the heads to be; null before it has homed. */
  believes: number | null = null

  constructor(
    readonly drive: SimulatedDrive,
    private readonly options: Pick<HostOptions, 'stepMs' | 'settleMs'> = { stepMs: 6, settleMs: 18 },
  ) {}

  /** Seconds of a turn where the heads are, as the host takes it. */
  private get turnS(): number {
    return 60 / rpmAt(this.drive.media!.layout, this.believes ?? 0)
  }

  wait(seconds: number): void {
    this.drive.advanceTo(this.drive.timeS + seconds)
  }

  /** Selects the drive and starts its motor. @returns whether it became ready in time */
  start(): boolean {
    this.drive.set('select', true)
    this.drive.set('motor', true)
    const until = this.drive.timeS + 3
    while (this.drive.timeS < until) {
      this.wait(0.1)
      if (this.drive.explain('ready').low) return true
    }
    return false
  }

  stop(): void {
    this.drive.set('motor', false)
    this.drive.set('select', false)
  }

  private step(inward: boolean): void {
    this.drive.set('direction', inward)
    this.wait(2e-5)
    this.drive.step()
    this.wait(this.options.stepMs / 1000)
  }

  /** Steps outward until track zero is low, then once more. @returns whether it was found */
  home(): boolean {
    for (let i = 0; i <= this.drive.innermost + 10; i++) {
      if (this.drive.explain('track-0').low && this.drive.hears('select')) {
        this.step(false)
        this.wait(this.options.settleMs / 1000)
        this.believes = 0
        return true
      }
      this.step(false)
    }
    this.wait(this.options.settleMs / 1000)
    this.believes = null
    return false
  }

  seek(cylinder: number): void {
    const from = this.believes ?? 0
    const inward = cylinder > from
    for (let i = 0; i < Math.abs(cylinder - from); i++) this.step(inward)
    this.believes = cylinder
    if (cylinder === from) return
    this.wait(this.options.settleMs / 1000)
    // Another zone, another speed: the spindle takes its time.
    const { layout } = this.drive.media ?? {}
    if (layout && rpmAt(layout, from) !== rpmAt(layout, cylinder)) this.wait(ZONE_CHANGE_S)
  }

  /**
   * Writes a track from index to index.
   * @returns whether the index came at all; what the head did with it only reading tells
   */
  write(head: 0 | 1, sectors: readonly SectorToWrite[], format: Format): boolean {
    this.drive.set('side', head === 1)
    const turnS = this.turnS
    // A host waits for the hole, and gives up after some turns without one.
    const since = this.drive.timeS
    while (this.drive.indexFalls(since).length === 0) {
      if (this.drive.timeS - since > 4 * turnS) return false
      this.wait(turnS / 100)
    }
    this.drive.writeTurn(writeTrack(format, sectors, turnS), format)
    return true
  }

  /** Reads the track under a head for some turns. @param formats codes to try; all that are known otherwise */
  read(head: 0 | 1, turns: number, likely?: Format, formats?: readonly Format[]): RawTrack {
    this.drive.set('side', head === 1)
    this.drive.takeFlux()
    const fromS = this.drive.timeS
    // A little more than whole turns, so that a sector that lies across the start is not cut.
    this.wait((turns + 0.1) * this.turnS)
    const flux = this.drive.takeFlux()
    const read = flux.length > 200 ? recogniseTrack(flux, formats, {}, likely) : null
    return {
      cylinder: this.believes,
      head,
      fromS,
      toS: this.drive.timeS,
      turns,
      transitions: flux.length,
      sample: sampleOf(flux),
      read,
      index: this.drive.indexFalls(fromS - 0.25),
    }
  }
}

/** Cylinders and heads that a disk of this layout has. */
export function wholeSurface(drive: SimulatedDrive, turns = 2): HostOptions {
  const { cylinders, heads } = drive.media!.layout
  return {
    cylinders: Array.from({ length: cylinders }, (_, i) => i),
    heads: heads === 2 ? [0, 1] : [0],
    turns,
    stepMs: 6,
    settleMs: 18,
  }
}

/** Progress of a read: the track just read, of how many. */
export interface ReadProgress {
  readonly done: number
  readonly all: number
  readonly track: RawTrack
}

/**
 * Homes and reads cylinder by cylinder, through the same engine as any recording; yields after each track.
 * @returns all tracks; those of a drive that never came ready or found home are read all the same, where a disk is in
 */
export function* readSurface(drive: SimulatedDrive, options: HostOptions): Generator<ReadProgress, RawTrack[]> {
  const host = new SimulatedHost(drive, options)
  host.start()
  host.home()
  const all = options.cylinders.length * options.heads.length
  const tracks: RawTrack[] = []
  let likely: Format | undefined
  for (const cylinder of options.cylinders) {
    host.seek(cylinder)
    for (const head of options.heads) {
      if (!drive.media) return tracks
      const track = host.read(head, options.turns, likely)
      likely = track.read?.format ?? likely
      tracks.push(track)
      yield { done: tracks.length, all, track }
    }
  }
  drive.set('side', false)
  return tracks
}
