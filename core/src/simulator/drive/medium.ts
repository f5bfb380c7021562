import { LAYOUTS, pulseShare, radiusMm, speedShare, type Layout, type MechanismId } from '../../drives'
import { layCells, type LaidTrack, type Strip } from '../../signals/head'
import { writeTrack, type Format, type SectorToWrite } from '../../signals/codes'
import { Random } from '../random'
import type { DiskSpec } from './spec'

/** What the wrong density does: pulses so much wider, and so much of the signal left (shares from memory). */
const WRONG_PULSE = 1.3
export const WRONG_SIGNAL = 0.55
/** Too much write current on the inner cylinders makes pulses so much wider (from memory). */
const WIDE = 1.2

/** Tracks that are kept once they were laid: the heads move over few at a time. */
const KEPT = 12

/** How a head stood when it wrote a track, and what lies under it. */
export interface HowWritten {
  readonly trackUm: number
  /** Width over which nothing older is left, µm. */
  readonly clearedUm: number
  readonly azimuthMin: number
  readonly under: Strip | null
}

interface Written extends HowWritten {
  readonly track: LaidTrack
}

/** A disk whose tracks are laid when a head first comes to them; the same seed has the same contents. */
export class SimulatedDisk {
  readonly layout: Layout
  private readonly laid = new Map<string, LaidTrack | null>()
  private readonly written = new Map<string, Written>()

  constructor(
    readonly spec: DiskSpec,
    private readonly mechanism: MechanismId,
    private readonly pulseUm: number,
  ) {
    this.layout = LAYOUTS[spec.layout]!
  }

  /** What stands in the sectors of a track as the disk came. @param content another seed for other bytes */
  sectorsOf(cylinder: number, head: 0 | 1, content = this.spec.content): SectorToWrite[] {
    const { firstId, bytes, sectorsOf } = this.layout
    const random = new Random(content * 4099 + cylinder * 2 + head)
    return Array.from({ length: sectorsOf(cylinder) }, (_, i) => ({
      cylinder,
      head,
      sector: firstId + i,
      data: Uint8Array.from({ length: bytes }, () => Math.floor(random.next() * 256)),
    }))
  }

  /** The track of a cylinder and side; null where none was written. */
  track(cylinder: number, head: 0 | 1): LaidTrack | null {
    const key = `${cylinder} ${head}`
    const own = this.written.get(key)
    if (own) return own.track
    const known = this.laid.get(key)
    if (known !== undefined) return known
    if (this.laid.size >= KEPT) this.laid.delete(this.laid.keys().next().value!)
    const track =
      cylinder < 0 || cylinder >= this.layout.cylinders || head >= this.layout.heads ? null : this.lay(cylinder, head)
    this.laid.set(key, track)
    return track
  }

  /**
   * A head writes a turn of cells.
   * @param at how it stands: the cylinder that it covers, how far beside its middle (µm towards the hub), its angle
   *   and width
   */
  write(
    cells: Uint8Array,
    format: Format,
    at: Strip & {
      readonly cylinder: number
      readonly head: 0 | 1
      readonly azimuthMin: number
      /** Cleared beside the track on either side, µm. */
      readonly eraseUm: number
      readonly precompCells: number
      /** Written with too much current: the pulses come out wider. */
      readonly wide: boolean
    },
  ): void {
    const key = `${at.cylinder} ${at.head}`
    const before = this.track(at.cylinder, at.head)
    const under = before ? { radialUm: before.radialUm, trackUm: this.howWritten(at.cylinder, at.head).trackUm } : null
    const pathUm = 2 * Math.PI * this.radiusMm(at.cylinder, at.head) * 1000
    this.written.set(key, {
      track: layCells(
        cells,
        at.cylinder,
        format,
        pathUm,
        this.pulseOf() * (at.wide ? WIDE : 1),
        at.radialUm,
        at.precompCells,
      ),
      trackUm: at.trackUm,
      clearedUm: at.trackUm + 2 * at.eraseUm,
      azimuthMin: at.azimuthMin,
      under,
    })
  }

  /** Width and angle of what stands on a track, and what is left beside it of what it was written over. */
  howWritten(cylinder: number, head: 0 | 1): HowWritten {
    return this.written.get(`${cylinder} ${head}`) ?? asItCame(this.spec)
  }

  private pulseOf(): number {
    return this.pulseUm * pulseShare(this.mechanism, this.spec.layout) * (this.spec.wrongDensity ? WRONG_PULSE : 1)
  }

  /** Radius of a cylinder, mm. */
  radiusMm(cylinder: number, head: 0 | 1): number {
    return radiusMm(this.mechanism, cylinder, head)
  }

  private lay(cylinder: number, head: 0 | 1): LaidTrack {
    const format = this.layout.formatOf(cylinder)
    const turnS = 60 / (this.spec.writer.rpm * speedShare(this.layout, cylinder))
    const cells = writeTrack(format, this.sectorsOf(cylinder, head), turnS)
    return layCells(
      cells,
      cylinder,
      format,
      2 * Math.PI * this.radiusMm(cylinder, head) * 1000,
      this.pulseOf(),
      this.spec.writer.radialUm[head],
    )
  }
}

/** Cells in one word of a gap. */
const WORD = 16

/**
 * A turn as it is clocked out: a fast spindle has no room for the last cells, on a slow one the last word repeats.
 * @param room cells that the turn takes
 */
export const cellsOfTurn = (cells: Uint8Array, room: number): Uint8Array =>
  Uint8Array.from({ length: room }, (_, i) =>
    i < cells.length ? cells[i]! : cells[cells.length - WORD + ((i - cells.length) % WORD)]!,
  )

/** A track that was not written over since the disk came from its writer. */
export const asItCame = ({ writer }: Pick<DiskSpec, 'writer'>): HowWritten => ({
  ...writer,
  clearedUm: writer.trackUm,
  under: null,
})

/** The ends of what was written, where the current came and went: cells there are anything. */
export function spliced(cells: Uint8Array, count: number, random: Random): Uint8Array {
  const out = cells.slice()
  for (let i = 0; i < Math.min(count, out.length >> 1); i++)
    for (const at of [i, out.length - 1 - i]) out[at] = random.next() < 0.3 ? 1 : 0
  return out
}
