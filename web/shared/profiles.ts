import { object, string, type InferType } from 'yup'
import type { DriveProfile, HostProfile } from '@wobrin/core/drives/hosts'
import type { ModelSheet } from '@wobrin/core/drives/models'
import { instant, uuid } from './log-input'

/** A profile that a person keeps. */
export interface KeptProfile {
  readonly id: string
  readonly profile: HostProfile | DriveProfile | ModelSheet
  readonly changedAt: string
}

/** A host fit to be worked out and put on a log; the profiles are checked as such by core. */
export const hostFitInputSchema = object({
  id: uuid(),
  at: instant(),
  host: object().required('The host is left out.'),
  drive: object().required('The drive’s profile is left out.'),
  cable: string()
    .oneOf(['straight', 'made'] as const)
    .default('straight'),
  remark: string().trim().max(4000, 'An entry has at most 4000 characters.').default(''),
}).noUnknown()
export type HostFitInput = InferType<typeof hostFitInputSchema>
