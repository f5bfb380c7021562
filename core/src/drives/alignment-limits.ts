import { byMechanism } from './catalogue'

/**
 * By class; quick disks have no tracks to align, cartridges follow by servo, and both are left out.
 */
export const ALIGNMENT_LIMITS = byMechanism(m => m.alignment ?? undefined)
