import type { DiagnosisCase } from './case/read-case'
import { OUTSIDE } from './knowledge/actions'
import { faultAt, weighCase, type WeighOptions } from './weigh-case'

/** How often a part stays with the machine when the drive is exchanged, 0 to 1. */
export const outsideShare = (part: string): number => OUTSIDE[part] ?? 0

/** From this share on a part stays with the machine when the drive is exchanged. */
const STAYS = 0.5
/** Faults are made no likelier or less likely than by this factor (a guess): a case is never quite sure. */
const MOST = 100

/**
 * How much likelier, by their odds, faults outside a drive are after its case than before it: what another drive in
 * the same place begins from.
 * @returns factors of odds by fault id; those of faults inside the drive are left out
 */
export function outsideFactors(c: DiagnosisCase, options: WeighOptions = {}): Record<string, number> {
  const w = weighCase(c, options)
  const before = new Map<string, number>()
  for (const { fault, odds } of w.drive.elements) before.set(fault.id, (before.get(fault.id) ?? 0) + odds)
  /** Those that the evidence speaks of; the others are as likely as on any drive. */
  const spokenOf = new Set(w.weigh.relevant.map((_, n) => faultAt(w, n).id))
  const out: Record<string, number> = {}
  for (const [id, odds] of before) {
    const fault = w.drive.faultById.get(id)!
    if (!spokenOf.has(id) || outsideShare(fault.part) < STAYS) continue
    const p = (w.byFault.get(id) ?? 0) * (1 - w.unknown)
    const after = p / Math.max(1e-9, 1 - p)
    out[id] = Math.min(MOST, Math.max(1 / MOST, after / odds))
  }
  return out
}
