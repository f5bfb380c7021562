import type { Mode, Signal } from './signals'

/** A line on a pin of the drive's plug. */
export interface Line {
  readonly signal: Signal
  readonly pin: number
}
/** A way in which the drive behaves. */
export interface Way {
  readonly mode: Mode
  readonly value: string
}

/** What a position of a strap, a wire or a cut brings about. */
export interface Effects {
  readonly lines?: readonly Line[]
  readonly ways?: readonly Way[]
}

export interface Position extends Effects {
  readonly id: string
  readonly label: string
}

/** Something on the drive that can be set: a strap is moved, a wire is bridged, a track is cut. */
export interface Choice {
  readonly id: string
  readonly label: string
  readonly kind: 'strap' | 'wire' | 'cut'
  /** The first is how it comes, unless `found` says otherwise; for wires and cuts it is the untouched one. */
  readonly positions: readonly Position[]
  readonly found?: string
}

/** What a drive offers by its fixed lines, its straps and what may be bridged. */
export interface DriveProfile {
  readonly format: 'wobrin-drive-profile'
  readonly version: 1
  readonly name: string
  readonly pins: number
  readonly fixed: Effects
  readonly choices: readonly Choice[]
  readonly note?: string
}

/** One thing that would satisfy a need. */
export type Want =
  | { readonly kind: 'line'; readonly signal: Signal; readonly pin: number; readonly but?: string }
  | { readonly kind: 'way'; readonly mode: Mode; readonly oneOf: readonly string[]; readonly but?: string }
  /** The drive puts nothing on that pin. */
  | { readonly kind: 'quiet'; readonly pin: number; readonly but?: string }

/** What a host expects. The first want is the right one; each later one serves too, but its `but` is noticed. */
export interface Need {
  readonly id: string
  /**
   * A must was seen on the real host. What is expected is taken from memory: it counts as much when a setting is looked
   * for, and proves nothing impossible.
   */
  readonly weight: 'must' | 'expected' | 'notice'
  readonly wants: readonly Want[]
  /** What a person notices where none is met; left out, it follows from the line or the way. */
  readonly otherwise?: string
}

export interface HostProfile {
  readonly format: 'wobrin-host-profile'
  readonly version: 1
  readonly name: string
  readonly pins: number
  readonly needs: readonly Need[]
  readonly note?: string
}

/** Position that a choice stands at before anything is done. */
export const foundPosition = (c: Choice): Position => c.positions.find(p => p.id === c.found) ?? c.positions[0]!

/** How the cable runs: pin to pin, or made for the purpose, any pin to any. */
export type Cable = 'straight' | 'made'

/** Whether a host is taken not to work without it: seen on it, or remembered of it. */
export const isWanted = (need: Need): boolean => need.weight !== 'notice'
