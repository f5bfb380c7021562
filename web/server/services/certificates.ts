import { buildCertificate, checkCertificate, type Certificate, type CheckedCertificate } from '@wobrin/core/release'
import { diskWord } from '@wobrin/core/proof'
import type { DiskShelf } from './disk-shelf'
import type { DriveService } from './drives'
import type { WorkshopService } from './workshop'

/** Certificates: put together from the log each time, and checked when one comes back. */
export class CertificateService {
  constructor(
    private readonly drives: DriveService,
    private readonly disks: DiskShelf,
    private readonly workshop: WorkshopService,
  ) {}

  /** @throws NotFound */
  of(driveId: string, issuedAt: string): Certificate {
    const drive = this.drives.get(driveId)
    const view = this.disks.view()
    return buildCertificate(drive, this.drives.linkedLog(drive.id), this.workshop.get().name, issuedAt, id => {
      const standing = view.standings.find(s => s.disk.id === id)
      // The view has put tags in place of ids already.
      return standing ? diskWord(standing) : null
    })
  }

  check(json: unknown): CheckedCertificate {
    return checkCertificate(json, tag => {
      const drive = this.drives.byTag(tag)
      return drive ? this.drives.linkedLog(drive.id) : null
    })
  }
}
