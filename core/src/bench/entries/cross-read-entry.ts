import { ParameterError } from '../../base/errors'
import type { CountedPlace, DriveFacts, NewEntry } from '../../log'
import { familyOf, headName, ZONE_NAMES, type ReferenceDisk } from '../../proof'
import { BY_HOST, measured, type Sent } from './measured'

export interface CrossReadEntryInput extends Sent {
  readonly places: readonly CountedPlace[]
}

/**
 * A disk of the shelf read in a drive, its sectors counted by a person, as a log entry.
 * @throws ParameterError where the disk does not go into the drive, a place is given twice, or more read than were
 *   tried
 */
export function crossReadEntry(
  input: CrossReadEntryInput,
  drive: DriveFacts,
  disk: Pick<ReferenceDisk, 'id' | 'name' | 'mechanism'>,
): NewEntry {
  const field = { field: 'places' }
  if (familyOf(disk.mechanism) !== familyOf(drive.mechanism))
    throw new ParameterError(
      `${disk.name} does not go into ${drive.tag}`,
      `a disk for ${familyOf(drive.mechanism)} drives`,
      { field: 'disk' },
    )
  const names = new Set<string>()
  for (const { head, zone, good, sectors } of input.places) {
    const name = `${headName(head)}, ${zone}`
    if (names.has(name)) throw new ParameterError(`${name} is given twice`, 'each place once', field)
    names.add(name)
    if (good > sectors)
      throw new ParameterError(
        `${name}: ${good} of ${sectors} sectors cannot have read`,
        'no more than were tried',
        field,
      )
  }
  const good = input.places.reduce((n, p) => n + p.good, 0)
  const sectors = input.places.reduce((n, p) => n + p.sectors, 0)
  const places = [...input.places].sort(
    (a, b) => a.head - b.head || ZONE_NAMES.indexOf(a.zone) - ZONE_NAMES.indexOf(b.zone),
  )
  return measured(drive, input, {
    station: 'prove',
    title: `${disk.name} read: ${good} of ${sectors} sectors`,
    call:
      good === sectors
        ? {
            kind: 'leave',
            reasons: [`All ${sectors} sectors that were tried read.`],
            next: 'Continue with the next step.',
          }
        : {
            kind: 'unknown',
            reasons: [`${sectors - good} of ${sectors} sectors failed.`],
            next: 'Once more; then ask who is to blame.',
          },
    observations: [
      {
        key: 'cross-read.failed',
        label: `${disk.name}: sectors that failed`,
        value: sectors - good,
        unit: '',
        how: `of ${sectors}, counted by hand`,
      },
    ],
    evidence: BY_HOST,
    data: { type: 'cross-read', disk: disk.id, places },
  })
}
