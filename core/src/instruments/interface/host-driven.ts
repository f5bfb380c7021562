import type { Capture } from '../../signals/captures'
import { linesFromPhases } from './from-phases'
import { linesFromRegisters } from './from-registers'
import { hostDrivenLines, type HostDrivenLines, type Translated } from './host-driven-lines'

/** Which way a drive is driven by its host, where it has no lines of its own for that. */
export type HostDriven = 'phases' | 'registers'

/** What is there to translate: registers need strobe and sense, phases all four of them. */
function hostDrivenBy(lines: HostDrivenLines): HostDriven | null {
  if (lines.strobe && lines.sense && lines['phase-0'] && lines['phase-1'] && lines['phase-2']) return 'registers'
  return lines['phase-0'] && lines['phase-1'] && lines['phase-2'] && lines['phase-3'] ? 'phases' : null
}

/**
 * Which way it is driven, and the same as steps, direction, track zero and what else the lines carry; null where there
 * is nothing to translate.
 */
export function translateHostDriven(
  capture: Pick<Capture, 'channels' | 'durationS'>,
): (Translated & { readonly by: HostDriven }) | null {
  const lines = hostDrivenLines(capture)
  const by = hostDrivenBy(lines)
  if (by === null) return null
  return { by, ...(by === 'registers' ? linesFromRegisters(lines, capture.durationS) : linesFromPhases(lines)) }
}
