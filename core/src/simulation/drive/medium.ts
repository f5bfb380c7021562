import { findMechanism, type MechanismId } from '../../mechanisms'
import { crowdedHeight, peakShift, writeTrack, type Format, type SectorToWrite } from '../../recording'
import { Random } from '../random'
import { LAYOUTS, type Layout } from './layouts'
import type { DiskSpec } from './spec'

/** A track as it lies on the disk: for each transition its place in the turn, and what its neighbours do to it. */
export interface LaidTrack {
  readonly cylinder: number
  readonly format: Format
  /** Cells of a turn. */
  readonly cells: number
  /** Cell of each transition, rising. */
  readonly at: Int32Array
  /** Peak shift, cells. */
  readonly shift: Float32Array
  /** Height, share of an isolated pulse. */
  readonly height: Float32Array
  /** Wavelength of the shortest spacing, µm. */
  readonly wavelengthUm: number
  /** Where it was written, µm towards the hub of where its cylinder should be. */
  readonly radialUm: number
}

/** What the wrong density does: pulses so much wider, and so much of the signal left (shares from memory). */
const WRONG_PULSE = 1.3
export const WRONG_SIGNAL = 0.55

/** Tracks that are kept once they were laid: the heads move over few at a time. */
const KEPT = 12

/** A disk whose tracks are laid when a head first comes to them; the same seed has the same contents. */
export class SimulatedDisk {
  readonly layout: Layout
  private readonly laid = new Map<string, LaidTrack | null>()

  constructor(readonly spec: DiskSpec, private readonly mechanism: MechanismId, private readonly pulseUm: number) {
    this.layout = LAYOUTS[spec.layout]!
  }

  /** What stands in the sectors of a track. */
  sectorsOf(cylinder: number, head: 0 | 1): SectorToWrite[] {
    const { firstId, bytes, sectorsOf } = this.layout
    const random = new Random(this.spec.content * 4099 + cylinder * 2 + head)
    return Array.from({ length: sectorsOf(cylinder) }, (_, i) => ({ cylinder, head, sector: firstId + i, data: Uint8Array.from({ length: bytes }, () => Math.floor(random.next() * 256)) }))
  }

  /** The track of a cylinder and side; null where none was written. */
  track(cylinder: number, head: 0 | 1): LaidTrack | null {
    const key = `${cylinder} ${head}`
    const known = this.laid.get(key)
    if (known !== undefined) return known
    if (this.laid.size >= KEPT) this.laid.delete(this.laid.keys().next().value!)
    const track = cylinder < 0 || cylinder >= this.layout.cylinders || head >= this.layout.heads ? null : this.lay(cylinder, head)
    this.laid.set(key, track)
    return track
  }

  /** Radius of a cylinder, mm. */
  radiusMm(cylinder: number, head: 0 | 1): number {
    const { pitchMm, track0LowerMm, track0UpperMm } = findMechanism(this.mechanism).geometry
    const outer = (head ? track0UpperMm : track0LowerMm) ?? track0LowerMm
    return (outer?.value ?? 40) - cylinder * (pitchMm?.value ?? 0.25)
  }

  private lay(cylinder: number, head: 0 | 1): LaidTrack {
    const format = this.layout.formatOf(cylinder)
    const turnS = 60 / this.spec.writer.rpm
    const cells = writeTrack(format, this.sectorsOf(cylinder, head), turnS)
    return layCells(cells, cylinder, format, 2 * Math.PI * this.radiusMm(cylinder, head) * 1000, this.pulseUm * (this.layout.pulseShare ?? 1) * (this.spec.wrongDensity ? WRONG_PULSE : 1), this.spec.writer.radialUm[head])
  }
}

/** Lays the cells of a turn (or a pass) along a path of some length, µm. */
export function layCells(cells: Uint8Array, cylinder: number, format: Format, pathUm: number, pulseUm: number, radialUm: number): LaidTrack {
  const cellUm = pathUm / cells.length
  let n = 0
  for (const c of cells) n += c
  const at = new Int32Array(n)
  for (let i = 0, k = 0; i < cells.length; i++) if (cells[i]) at[k++] = i
  const shift = new Float32Array(n)
  const height = new Float32Array(n)
  let least = Infinity
  // Spacings are small whole numbers of cells: what they do is worked out once for each pair.
  const known = new Map<number, { readonly shift: number, readonly height: number }>()
  for (let i = 0; i < n; i++) {
    const before = Math.min(31, at[i]! - (i ? at[i - 1]! : at[n - 1]! - cells.length))
    const after = Math.min(31, (i + 1 < n ? at[i + 1]! : at[0]! + cells.length) - at[i]!)
    const key = before * 32 + after
    let done = known.get(key)
    if (!done) {
      done = { shift: peakShift(before * cellUm, after * cellUm, pulseUm) / cellUm, height: crowdedHeight(before * cellUm, after * cellUm, pulseUm) }
      known.set(key, done)
    }
    shift[i] = done.shift
    height[i] = done.height
    if (before < least) least = before
  }
  return { cylinder, format, cells: cells.length, at, shift, height, wavelengthUm: 2 * least * cellUm, radialUm }
}
