import { ParameterError } from '../../base/errors'
import { evidenceBy, formatObservation } from '../../base/observations'
import { checkProfile, type Cable } from '../../drives/hosts'
import type { DriveFacts, NewEntry } from '../../log'
import { judgeFit } from '../host-fit'
import { measured, type Sent } from './measured'

export interface HostFitEntryInput extends Sent {
  /** Profiles as they came in, of any shape. */
  readonly host: unknown
  readonly drive: unknown
  readonly cable: Cable
}

/**
 * A host fit as a log entry, worked out again from the profiles, which go along as its evidence.
 * @throws InputError where a profile cannot be
 */
export function hostFitEntry(input: HostFitEntryInput, of: Pick<DriveFacts, 'id' | 'simulated'>): NewEntry {
  const [host, drive] = [checkProfile(input.host), checkProfile(input.drive)]
  if (host.format !== 'wobrin-host-profile')
    throw new ParameterError('the host’s profile is a drive’s', 'a profile of a host', { field: 'host' })
  if (drive.format !== 'wobrin-drive-profile')
    throw new ParameterError('the drive’s profile is a host’s', 'a profile of a drive', { field: 'drive' })
  const fit = judgeFit(host, drive, input.cable)
  const main = fit.observations[0]!
  const moved = fit.sets.filter(s => s.moved).map(s => `${s.choice.label}: ${s.position}`)
  return measured(of, input, {
    station: 'electronics',
    title: `${main.label}: ${formatObservation(main)}`,
    detail: [moved.join('; '), input.remark].filter(Boolean).join('\n'),
    call: fit.call,
    observations: fit.observations,
    evidence: evidenceBy('instrument', 'Host fit'),
    data: { type: 'host-fit', host, drive, cable: input.cable },
  })
}
