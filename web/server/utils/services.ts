import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { existsSync } from 'node:fs'
import { CaptureStore } from '../services/capture-store'
import { openDataFolder, type DataFolder } from '../services/data-folder'
import { BenchService } from '../services/bench'
import { Finder } from '../services/finder'
import { BlameService } from '../services/blame'
import { CertificateService } from '../services/certificates'
import { DonorShelf } from '../services/donor-shelf'
import { ArchiveService } from '../services/archives'
import { BackupService } from '../services/backups'
import { BeltShelf } from '../services/belt-shelf'
import { DiskShelf } from '../services/disk-shelf'
import { DriveService } from '../services/drives'
import { judgeInThread } from '../services/judge-in-thread'
import { openDatabase } from '../services/open-database'
import { PhotoStore } from '../services/photo-store'
import { ProfileService } from '../services/profiles'
import { ProofService } from '../services/proofs'
import { ReadTestService } from '../services/read-test'
import { SpeedService } from '../services/speed'
import { SweepService } from '../services/sweeps'
import { WorkshopService } from '../services/workshop'

export interface Services {
  readonly drives: DriveService
  readonly captures: CaptureStore
  readonly photos: PhotoStore
  readonly speed: SpeedService
  readonly readTest: ReadTestService
  readonly workshop: WorkshopService
  readonly profiles: ProfileService
  readonly belts: BeltShelf
  readonly disks: DiskShelf
  readonly sweeps: SweepService
  readonly proofs: ProofService
  readonly blame: BlameService
  readonly certificates: CertificateService
  readonly donors: DonorShelf
  readonly bench: BenchService
  readonly finder: Finder
  readonly archives: ArchiveService
  readonly backups: BackupService
  readonly folder: DataFolder
  /** Folder with the PDF fonts. */
  readonly fonts: string
}

/** The folder that the build puts beside the server: in it the worker, the migrations and the fonts. */
function companions(): string {
  const candidates = [
    process.env.WOBRIN_COMPANIONS,
    join(dirname(process.argv[1] ?? ''), 'companions'),
    fileURLToPath(new URL('./companions', import.meta.url)),
    fileURLToPath(new URL('../companions', import.meta.url)),
    fileURLToPath(new URL('../../companions', import.meta.url)),
  ]
  const found = candidates.find(c => c && existsSync(join(c, 'migrations')))
  if (!found) throw new Error('The server’s companions folder is missing: build again with `npm run build`.')
  return found
}

let opening: Promise<Services> | null = null

async function open(): Promise<Services> {
  const beside = companions()
  const folder = openDataFolder()
  const db = await openDatabase(folder, join(beside, 'migrations'))
  const drives = new DriveService(db)
  const workshop = new WorkshopService(db)
  const disks = new DiskShelf(db, drives)
  const captures = new CaptureStore(folder.captures, db)
  const speed = new SpeedService(drives, captures, request => judgeInThread(join(beside, 'judge-capture.mjs'), request))
  const readTest = new ReadTestService(
    drives,
    captures,
    request => judgeInThread(join(beside, 'judge-capture.mjs'), request),
    disk => disks.trusts(disk) === true,
  )
  return {
    folder,
    drives,
    disks,
    sweeps: new SweepService(drives, disks),
    proofs: new ProofService(drives),
    blame: new BlameService(db, drives, disks),
    donors: new DonorShelf(db, drives),
    bench: new BenchService(db, drives),
    finder: new Finder(db),
    archives: new ArchiveService(folder, db, drives),
    backups: new BackupService(folder, db),
    certificates: new CertificateService(drives, disks, workshop),
    captures,
    photos: new PhotoStore(folder.photos, db),
    speed,
    readTest,
    workshop,
    profiles: new ProfileService(db),
    belts: new BeltShelf(db, drives),
    fonts: join(beside, 'fonts'),
  }
}

/** The one set of services of this server, opened at start. */
export function useServices(): Promise<Services> {
  opening ??= open()
  return opening
}
