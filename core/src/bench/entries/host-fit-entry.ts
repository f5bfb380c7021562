import { ParameterError } from '@wobrin/core/errors'
import { checkProfile, judgeFit } from '@wobrin/core/host-fit'
import { formatObservation } from '@wobrin/core/observations'
import type { HostFitInput } from '../../shared/profiles'
import type { NewEntry } from './drives'

/**
 * A host fit as a log entry, worked out again from the profiles, which go along as its evidence.
 * @throws InputError where a profile cannot be
 */
export function hostFitEntry(input: HostFitInput, driveId: string): NewEntry {
  const [host, drive] = [checkProfile(input.host), checkProfile(input.drive)]
  if (host.format !== 'wobrin-host-profile')
    throw new ParameterError('the host’s profile is a drive’s', 'a profile of a host', { field: 'host' })
  if (drive.format !== 'wobrin-drive-profile')
    throw new ParameterError('the drive’s profile is a host’s', 'a profile of a drive', { field: 'drive' })
  const fit = judgeFit(host, drive, input.cable)
  const main = fit.observations[0]!
  const moved = fit.sets.filter(s => s.moved).map(s => `${s.choice.label}: ${s.position}`)
  return {
    id: input.id,
    driveId,
    at: input.at,
    kind: 'measurement',
    station: 'electronics',
    title: `${main.label}: ${formatObservation(main)}`,
    detail: [moved.join('; '), input.remark].filter(Boolean).join('\n'),
    call: fit.call,
    observations: fit.observations,
    data: { type: 'host-fit', host, drive, cable: input.cable },
    takesBack: null,
  }
}
