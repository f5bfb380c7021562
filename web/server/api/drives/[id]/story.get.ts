import { complaintsOf, triedOn } from '@wobrin/core/bench/case'
import { findMechanism } from '@wobrin/core/drives'
import type { DriveStory } from '../../../../shared/story'

/** The story of a drive's case: what it did, what was tried, what it was, and what the workshop learned by it. */
export default api((event, { drives, knowledge, workshop, worth }): DriveStory => {
  const drive = drives.get(param(event, 'id'))
  const log = drives.log(drive.id)
  return {
    workshop: workshop.get().name,
    drive,
    mechanism: findMechanism(drive.mechanism).label,
    complaints: complaintsOf(drive, log),
    tried: triedOn(drive, log),
    spent: worth.spentOn(drive),
    moved: knowledge.movedBy(drive.id),
  }
})
