import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { existsSync } from 'node:fs'
import { CaptureStore } from '../services/capture-store'
import { openDataFolder, sweepLeftovers, type DataFolder } from '../services/data-folder'
import { BenchService } from '../services/bench'
import { DriveCases } from '../services/drive-cases'
import { ExchangeService } from '../services/exchanging'
import { Finder } from '../services/finder'
import { BlameService } from '../services/blame'
import { CertificateService } from '../services/certificates'
import { ArchiveService } from '../services/archives'
import { answerOf } from '../services/answer-of'
import { BackupService } from '../services/backups'
import { BeltShelf } from '../services/belt-shelf'
import { DiskShelf } from '../services/disk-shelf'
import { EraseService } from '../services/erasing'
import { compareHeads } from '../services/compare-heads'
import { DriveService } from '../services/drives'
import { LogCheck } from '../services/log-check'
import { KeptHeads } from '../services/kept-heads'
import { JudgePool } from '../services/judge-pool'
import { driveNews } from '../services/drive-news'
import { LiveStreams } from '../services/live-streams'
import { exportInThread } from '../services/export-thread'
import { ImportThread } from '../services/import-thread'
import { IdenticalService } from '../services/identical'
import { KnowledgeService } from '../services/knowledge'
import { catchUpEach } from '../services/drive-states'
import { openDatabase } from '../services/open-database'
import {
  checkBackup,
  checkDatabase,
  finishRestore,
  lockFolder,
  restoreBackup,
  watchDatabase,
  type Restored,
} from '../services/start'
import { Pairing } from '../services/pairing'
import { PhotoStore } from '../services/photo-store'
import {
  DonorShelf,
  FittingService,
  PartLogs,
  PartPlaces,
  PoolService,
  SpareShelf,
  WantService,
} from '../services/parts'
import { ProfileService } from '../services/profiles'
import { ProofService } from '../services/proofs'
import { ReadTestService } from '../services/read-test'
import { logProblems } from '../services/server-log'
import { SensedService } from '../services/sensed'
import { SpeedService } from '../services/speed'
import { SweepService } from '../services/sweeps'
import { WorthService } from '../services/worth'
import { WorkshopService } from '../services/workshop'

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

/**
 * One core is left for those who only look. A recording that fills the store is judged in two minutes on a slow
 * machine; nobody waits for one that takes five.
 */
const JUDGING = { threads: Math.max(1, Math.min(4, availableParallelism() - 1)), deadlineMs: 300_000, mostWaiting: 100 }

/** Where this server is asked to listen, as another one that wants its folder tells it. */
const ownAddress = () => `http://${process.env.HOST || '127.0.0.1'}:${process.env.PORT || 3000}`

/** Lets another server have the folder; until then the lock is held from here. */
let letGo: (() => void) | null = null

/** All services of the server. This list is where a new one is put; its type follows. */
async function open() {
  const beside = companions()
  const folder = openDataFolder()
  letGo ??= lockFolder(folder.root, {
    address: ownAddress(),
    process: process.pid,
    since: new Date().toISOString(),
  })
  sweepLeftovers(folder)
  finishRestore(folder)
  checkDatabase(folder, join(beside, 'migrations'))
  const db = await openDatabase(folder, join(beside, 'migrations'))
  const judging = new JudgePool(join(beside, 'judge-capture.mjs'), JUDGING)
  const heads = new KeptHeads(folder.root)
  /** Logs that do not end as they were left; the program goes on with what is there. */
  const lost = compareHeads(db, heads.read())
  logProblems(lost)
  if (lost.length === 0) heads.renew(db)
  const drives = new DriveService(db, heads)
  catchUpEach(db, drives.aside)
  const workshop = new WorkshopService(db)
  const disks = new DiskShelf(db, drives)
  const captures = new CaptureStore(folder.captures, db)
  const blame = new BlameService(db, drives, disks)
  const knowledge = new KnowledgeService(folder.root, db, drives)
  const profiles = new ProfileService(db)
  const backups = new BackupService(
    folder,
    db,
    () => workshop.get().secondPlace,
    to => answerOf<string | null>(join(beside, 'copy-database.mjs'), { from: folder.database, to }),
  )
  backups.sweep()
  const erasing = new EraseService(db, drives, folder, () => workshop.get().secondPlace !== '')
  await erasing.finish()
  const identical = new IdenticalService(db, drives, profiles)
  const exchanging = new ExchangeService(drives)
  const cases = new DriveCases(d => {
    const known = knowledge.options(d.model)
    return {
      ...known,
      ...exchanging.beside(d, known),
      also: [...blame.elsewhere(d.id), ...identical.evidence(d), ...exchanging.evidence(d)],
    }
  })
  const partLogs = new PartLogs(db)
  const donors = new DonorShelf(drives, partLogs)
  const spares = new SpareShelf(db)
  const places = new PartPlaces(donors, spares, partLogs)
  const bench = new BenchService(db, drives, cases)
  /** Works out what is asked for first, before anybody does. */
  const warm = async () => {
    await bench.warm()
    await places.warm()
  }
  drives.whenLogsChange(() => {
    places.forget()
    cases.forget()
    void warm()
  })
  const live = new LiveStreams(driveNews)
  const importing = new ImportThread(join(beside, 'import-archive.mjs'), folder, db)
  const logCheck = new LogCheck(join(beside, 'check-log.mjs'), folder.database, lost)
  return {
    folder,
    warm,
    /** Closes what is open of the folder, before its database is replaced. */
    close: async () => {
      logCheck.stop()
      await importing.stop()
      live.stop()
      heads.close()
      db.$client.close()
    },
    /** Whether what is entered still goes into the folder's database. */
    stillThere: watchDatabase(folder),
    drives,
    workshop,
    worth: new WorthService(db, drives, knowledge, places, cases),
    disks,
    captures,
    archives: new ArchiveService(folder, db, drives, backups, erasing, {
      read: (path, now) => importing.run(path, now),
      write: task => exportInThread(join(beside, 'export-archive.mjs'), task),
    }),
    importing,
    backups,
    erasing,
    belts: new BeltShelf(db, drives),
    knowledge,
    bench,
    blame,
    certificates: new CertificateService(drives, disks, workshop),
    donors,
    spares,
    places,
    fitting: new FittingService(drives, donors, spares, places),
    wanting: new WantService(db, drives, bench, places, partLogs),
    pooling: new PoolService(db, drives, bench, partLogs, places),
    exchanging,
    finder: new Finder(db),
    photos: new PhotoStore(folder.photos, db),
    pairing: new Pairing(db),
    profiles,
    identical,
    judging,
    live,
    logCheck,
    cases,
    proofs: new ProofService(drives),
    readTest: new ReadTestService(
      drives,
      captures,
      (request, by) => judging.run(request, by),
      disk => disks.trusts(disk) === true,
    ),
    sensed: new SensedService(drives, captures, (request, by) => judging.run(request, by)),
    speed: new SpeedService(drives, captures, (request, by) => judging.run(request, by)),
    sweeps: new SweepService(drives, disks),
    /** Folder with the PDF fonts. */
    fonts: join(beside, 'fonts'),
  }
}

export type Services = Awaited<ReturnType<typeof open>>

let opening: Promise<Services> | null = null

/**
 * Puts a backup in the place of the database and opens everything anew; who asks meanwhile waits.
 * @throws StartProblem, with nothing changed, where the backup is not sound or cannot be opened
 */
export async function putBack(name: string, now = new Date().toISOString()): Promise<Restored> {
  const { folder, close, pairing } = await useServices()
  checkBackup(folder, name)
  const paired = pairing.rows()
  const run = replaceDatabase(folder, close, name, now)
  // Who asks meanwhile waits, and goes on with what was there where it was not possible.
  opening = run.then(
    r => r.services,
    () => open(),
  )
  const services = await opening
  const { restored } = await run
  // A device that was forgotten since stays forgotten.
  services.pairing.replace(paired)
  void services.logCheck.run()
  return restored
}

async function replaceDatabase(folder: DataFolder, close: () => Promise<void>, name: string, now: string) {
  await close()
  const restored = restoreBackup(folder, now, name)
  try {
    return { services: await open(), restored }
  } catch (error) {
    // A backup that this version cannot open gives way to what was there.
    if (restored.kept) restoreBackup(folder, `${now}-back`, restored.kept)
    throw error
  }
}

/** Closes everything and lets go of the folder, as the server ends. */
export async function stopServices(): Promise<void> {
  if (!opening) return
  const services = await opening
  await services.close()
  letGo?.()
}

/** The one set of services of this server, opened at start. */
export function useServices(): Promise<Services> {
  opening ??= open()
  return opening
}
