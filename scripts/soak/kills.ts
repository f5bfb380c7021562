import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDataFolder } from '../../web/server/services/data-folder'
import { backupsIn, faultOf } from '../../web/server/services/start'
import { verifyFolder } from '../../web/server/tools/verify-folder'
import { olderWorkshop } from '../../web/test/helpers/older-workshop'
import { seeded } from '../../web/e2e/fuzz'
import { serve, stop } from '../serve.mjs'
import { Acknowledged } from './acknowledged'
import { makeArchives } from './make-archives'
import type { Report } from './report'
import { Workload } from './workload'

const PORT = 4182
/** What is under way beside entries when the server is killed, in turn. */
const ROUNDS = ['recordings', 'photos', 'import', 'export', 'backup', 'restore', 'migration', 'erasing'] as const
/** Every so many kills the whole folder is read through. */
const READ_THROUGH = 100
const OLD_NOTES = 40

/**
 * Kills the server at a random moment while it works, starts it again and looks for everything that it had
 * acknowledged; so many times.
 */
export async function kills(count: number, seed: number): Promise<Report> {
  const root = mkdtempSync(join(tmpdir(), 'wobrin-soak-kills-'))
  const data = join(root, 'workshop')
  mkdirSync(data)
  const random = seeded(seed)
  const known = new Acknowledged(data)
  const faults: string[] = []
  const times = Object.fromEntries(ROUNDS.map(r => [r, 0]))
  try {
    const archives = await makeArchives(PORT)
    for (let kill = 0; kill < count && faults.length < 20; kill++) {
      const round = ROUNDS[kill % ROUNDS.length]!
      times[round] = times[round]! + 1
      const found =
        round === 'migration' ? await killedWhileMigrating(root, kill, random) : await killedAtWork(round, kill)
      faults.push(...found.map(f => `kill ${kill}, ${round}: ${f}`))
      if (kill % READ_THROUGH === READ_THROUGH - 1)
        faults.push(...(await verifyFolder(openDataFolder(data))).problems.map(p => `after ${kill + 1} kills: ${p}`))
    }
    const last = await serve({ port: PORT, host: '127.0.0.1', data, quiet: true })
    faults.push(...known.missing(), ...(await verifyFolder(openDataFolder(data))).problems)
    await stop(last.child)

    async function killedAtWork(round: (typeof ROUNDS)[number], kill: number): Promise<string[]> {
      const { child, address } = await serve({ port: PORT, host: '127.0.0.1', data, quiet: true })
      const work = new Workload(address, known, random)
      const missing = known.missing()
      const under = work.run(round, archives[kill % archives.length]!)
      await new Promise(done => setTimeout(done, 60 + random() * 540))
      await stop(child, 'SIGKILL')
      await under
      return [...missing, ...work.faults]
    }
  } finally {
    rmSync(root, { recursive: true, force: true })
  }
  const each = Object.entries(times)
    .map(([name, n]) => `${name} ${n}`)
    .join(', ')
  return { says: `Kills: ${count} (${each}); ${known.count()} things acknowledged.`, faults }
}

/** A workshop of an earlier version whose server is killed as it starts has all it had when it starts again. */
async function killedWhileMigrating(root: string, kill: number, random: () => number): Promise<string[]> {
  const data = join(root, `older-${kill}`)
  mkdirSync(data)
  olderWorkshop(data, 1 + (kill % 6), OLD_NOTES)
  writeFileSync(join(data, 'captures', '.incoming-left'), 'x')
  const started = serve({ port: PORT, host: '127.0.0.1', data, quiet: true, killAfterMs: 60 + random() * 500 })
  await started.then(
    ({ child }) => child.kill('SIGKILL'),
    () => {},
  )
  const { child } = await serve({ port: PORT, host: '127.0.0.1', data, quiet: true })
  const folder = openDataFolder(data)
  const { problems, entries } = await verifyFolder(folder)
  await stop(child)
  const backups = backupsIn(folder).map(b => b.name)
  const half = backups.filter(n => faultOf(join(folder.backups, n)) !== null)
  rmSync(data, { recursive: true, force: true })
  return [
    ...problems,
    ...(entries === OLD_NOTES + 1 ? [] : [`${entries} of ${OLD_NOTES + 1} entries are left`]),
    ...half.map(n => `the backup ${n} is half made`),
  ]
}
