import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { composeEntry } from '../../core/src/bench/entries'
import { SimulatedPickup, type PickupOptions } from '../../core/src/simulator'
import { entrySchema } from '../shared/log-input'
import { ArchiveService } from '../server/services/archives'
import { BackupService } from '../server/services/backups'
import { BeltShelf } from '../server/services/belt-shelf'
import { ProfileService } from '../server/services/profiles'
import { BenchService } from '../server/services/bench'
import { DriveCases } from '../server/services/drive-cases'
import { ExchangeService } from '../server/services/exchanging'
import { WorthService } from '../server/services/worth'
import { Finder } from '../server/services/finder'
import { BlameService } from '../server/services/blame'
import { CaptureStore } from '../server/services/capture-store'
import { openDataFolder } from '../server/services/data-folder'
import { DiskShelf } from '../server/services/disk-shelf'
import { CertificateService } from '../server/services/certificates'
import {
  DonorShelf,
  FittingService,
  PartLogs,
  PartPlaces,
  PoolService,
  SpareShelf,
  WantService,
} from '../server/services/parts'
import { EraseService } from '../server/services/erasing'
import { DriveService } from '../server/services/drives'
import { judgeFile, judgeSimulated, judgeSurfaceFile } from '../server/services/judge-file'
import { KnowledgeService } from '../server/services/knowledge'
import { checkLog } from '../server/services/check-log'
import { compareHeads } from '../server/services/compare-heads'
import { catchUpEach } from '../server/services/drive-states'
import { KeptHeads } from '../server/services/kept-heads'
import { openDatabase } from '../server/services/open-database'
import { PhotoStore } from '../server/services/photo-store'
import { ReadTestService } from '../server/services/read-test'
import { SweepService } from '../server/services/sweeps'
import { ProofService } from '../server/services/proofs'
import { WorkshopService } from '../server/services/workshop'
import { SpeedService } from '../server/services/speed'
import { driveSchema } from '../shared/drive-facts'

export const MIGRATIONS = join(import.meta.dirname, '../server/database/migrations')

/** A workshop in a folder of its own, judged in this process. */
export async function workshop(root = mkdtempSync(join(tmpdir(), 'wobrin-unit-'))) {
  const folder = openDataFolder(root)
  const db = await openDatabase(folder, MIGRATIONS)
  const drives = new DriveService(db, new KeptHeads(folder.root))
  catchUpEach(db, drives.aside)
  const captures = new CaptureStore(folder.captures, db)
  const disks = new DiskShelf(db, drives)
  const backups = new BackupService(folder, db)
  const settings = new WorkshopService(db)
  const erasing = new EraseService(db, drives, folder)
  const bench = new BenchService(db, drives)
  const knowledge = new KnowledgeService(folder.root, db, drives)
  const partLogs = new PartLogs(db)
  const donors = new DonorShelf(drives, partLogs)
  const spares = new SpareShelf(db)
  const places = new PartPlaces(donors, spares, partLogs)
  drives.whenLogsChange(() => places.forget())
  return {
    root,
    folder,
    db,
    drives,
    captures,
    photos: new PhotoStore(folder.photos, db),
    speed: new SpeedService(drives, captures, request => judgeFile(request)),
    readTest: new ReadTestService(
      drives,
      captures,
      async request => ('simulated' in request ? judgeSimulated(request) : judgeSurfaceFile(request)),
      disk => disks.trusts(disk) === true,
    ),
    disks,
    sweeps: new SweepService(drives, disks),
    proofs: new ProofService(drives),
    blame: new BlameService(db, drives, disks),
    donors,
    spares,
    places,
    exchanging: new ExchangeService(drives),
    fitting: new FittingService(drives, donors, spares, places),
    wanting: new WantService(db, drives, bench, places, partLogs),
    pooling: new PoolService(db, drives, bench, partLogs, places),
    knowledge,
    bench,
    finder: new Finder(db),
    worth: new WorthService(db, drives, knowledge, places, new DriveCases()),
    archives: new ArchiveService(folder, db, drives, backups, erasing),
    erasing,
    backups,
    belts: new BeltShelf(db, drives),
    profiles: new ProfileService(db),
    settings,
    certificates: new CertificateService(drives, disks, settings),
  }
}

export const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`

export const newDrive = (part: object = {}) => driveSchema.cast({ tag: 'SK-05', mechanism: '5.25in-48', ...part })

export async function* chunks(text: string | Uint8Array, size = 1000): AsyncGenerator<Uint8Array> {
  const bytes = typeof text === 'string' ? Buffer.from(text) : text
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size)
}

export function recording(options: Partial<PickupOptions> = {}, seconds = 20): string {
  const pickup = new SimulatedPickup({ seed: 4, rpm: 309.3, ...options })
  pickup.advanceTo(seconds)
  return pickup.toVcd()
}

/** An entry that says something in words. */
export const note = (driveId: string, id: string, more: object = {}) => ({
  id,
  driveId,
  at: '2026-03-01T10:00:00Z',
  kind: 'note' as const,
  station: 'look' as const,
  title: 'Belt sticky, decayed',
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data: null,
  takesBack: null,
  ...more,
})

/** Puts on a drive's log what a route would of what is sent to it. */
export const say = (w: Pick<Workshop, 'drives'>, driveId: string, input: object) =>
  w.drives.append(
    composeEntry(
      entrySchema.cast(input),
      w.drives.get(driveId),
      () => w.drives.log(driveId),
      () => {
        throw new Error('no photo')
      },
    ),
  )

export type Workshop = Awaited<ReturnType<typeof workshop>>

/** What is wrong with the logs of a workshop: along their chains, and by the file beside the database. */
export const logProblems = (w: Workshop): string[] => [
  ...checkLog(w.db.$client).problems,
  ...compareHeads(w.db, new KeptHeads(w.root).read()),
]

/** An archive of a workshop, or of one of its drives. */
export async function archiveOf(w: Workshop, driveId?: string): Promise<Buffer> {
  const { stream } = await w.archives.export('2026-03-01T09:00:00.000Z', driveId)
  const parts: Buffer[] = []
  for await (const part of stream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}

/** A workshop of so much that it goes elsewhere in many transactions, and a recording. */
export async function filledWorkshop(drives: number, notes: number): Promise<Workshop> {
  const w = await workshop()
  const { sha } = await w.captures.keep('a.vcd', chunks(recording()))
  for (let d = 1; d <= drives; d++) w.drives.receive(newDrive({ tag: `SK-${d}` }), '2026-03-01T09:00:00.000Z', uuid(d))
  w.drives.within((_, write) => {
    for (let n = 0; n < notes; n++)
      for (let d = 1; d <= drives; d++) write(note(uuid(d), uuid(1000 * d + n), { title: `Belt of ${d}, ${n}` }))
    write(note(uuid(1), uuid(9000), { evidence: { source: 'recording', by: 'x', recording: sha } }))
  })
  return w
}
