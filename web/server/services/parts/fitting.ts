import { randomUUID } from 'node:crypto'
import { ParameterError } from '@wobrin/core/base/errors'
import { lowerFirst } from '@wobrin/core/base/observations'
import { backEntries, fittedEntries, type Fitting } from '@wobrin/core/bench/entries'
import { progressOf } from '@wobrin/core/bench/stations'
import { findPart, partsThere } from '@wobrin/core/parts'
import type { DriveFacts, LogEntry, NewEntry } from '@wobrin/core/log'
import type { PartBack, PartUse } from '../../../shared/parts'
import { keepStateAfter } from '../drive-states'
import type { DriveService } from '../drives'
import type { DonorShelf } from './donor-shelf'
import type { PartPlaces } from './part-places'
import type { SpareShelf } from './spare-shelf'

const wrong = (problem: string, expected: string) => new ParameterError(problem, expected, { field: 'part' })

/** Puts parts into drives, and gives back what was lent: on the logs of all drives that it concerns, or on none. */
export class FittingService {
  constructor(
    private readonly drives: DriveService,
    private readonly donors: DonorShelf,
    private readonly spares: SpareShelf,
    private readonly places: PartPlaces,
  ) {}

  /**
   * Puts a part into a drive.
   * @throws ParameterError where it is not there, in another drive, or of the drive itself; nothing is kept then
   */
  fit(driveId: string, use: PartUse): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(use.id, drive.id)
    if (sent) return sent
    const fitting = use.release ? this.ofDonor(drive, use) : this.found(drive, use)
    if (progressOf(this.drives.log(driveId)).outcome === 'parts')
      throw wrong(`${drive.tag} was stripped for parts`, 'a drive that is worked on')
    return this.write(fittedEntries(fitting, drive, randomUUID))
  }

  /** Ends a lending. @throws ParameterError where nothing is open by this entry */
  giveBack(lenderId: string, back: PartBack): LogEntry {
    const lender = this.drives.get(lenderId)
    const sent = this.drives.sent(back.id, lender.id)
    if (sent) return sent
    return this.write(backEntries(back, lender, this.drives.log(lenderId), randomUUID))
  }

  private write(entries: readonly NewEntry[]): LogEntry {
    return this.drives.within((tx, write) => {
      const kept = entries.map(e => write(e))
      for (const e of kept) keepStateAfter(tx, e)
      return kept[0]!
    })
  }

  /** Where a part of the shelf, or of another drive, comes from. */
  private found(drive: DriveFacts, use: PartUse): Fitting {
    const { id, at, remark, part, as = part } = use
    if (!findPart(as)) throw wrong(`there is no part “${as}”`, 'one of the parts of a drive')
    const common = { id, at, remark, part: as }
    if (use.spare) {
      const spare = this.spares.find(use.spare)
      if (!spare || spare.gone !== null || spare.part !== part)
        throw wrong('there is no such part on the shelf', 'one that is')
      if (this.places.used(spare.id) >= spare.pieces)
        throw wrong(`“${spare.name}” is in a drive already`, 'one that is still there')
      const from = { kind: 'spare', id: spare.id, name: spare.name } as const
      return { ...common, from, known: spare.known, says: spare.says || spare.known, measures: spare.measures }
    }
    const lender = this.drives.get(use.drive!)
    if (lender.id === drive.id) throw wrong('a drive is no donor of its own', 'another drive')
    if (lender.practice || drive.practice) throw wrong('a practice drive has no real parts', 'a real drive')
    const there = partsThere(lender, this.drives.log(lender.id)).find(p => p.id === part)
    if (!there) throw wrong(`${lender.tag} has no such part`, 'one of its parts')
    if (!there.good)
      throw wrong(`the ${lowerFirst(there.label)} of ${lender.tag}: ${lowerFirst(there.says)}`, 'a part that is good')
    const from = { kind: 'drive', id: lender.id, tag: lender.tag } as const
    return { ...common, from, known: there.state, says: there.says, measures: there.measures }
  }

  /** A part of a drive that was stripped. */
  private ofDonor(drive: DriveFacts, use: PartUse): Fitting {
    const { id, at, remark, part: partId, as = partId, release } = use
    const donor = this.donors.find(release!)
    const part = donor?.parts.find(p => p.id === partId)
    if (!donor || !part) throw wrong('there is no such part on the shelf', 'one that is')
    if (part.wentTo)
      throw wrong(
        `the ${lowerFirst(part.label)} of ${donor.tag} is in ${part.wentTo} already`,
        'one that is still there',
      )
    if (donor.drive.id === drive.id) throw wrong('a drive is no donor of its own', 'another drive')
    const from = { kind: 'donor', tag: donor.tag, release: donor.release, part: partId } as const
    return { id, at, remark, part: as, from, known: part.state, says: part.says, measures: part.measures ?? {} }
  }
}
