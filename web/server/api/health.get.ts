import { randomUUID } from 'node:crypto'
import { rm, statfs, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { storageProblem } from '../services/storage-problem'

/** Less room than this is told as a problem, bytes. */
const LEAST_ROOM = 64 * 1024 ** 2

/** Answers once the database is open: whether what is entered can be kept, and the room that is left for it. */
export default api(async (event, { folder, logCheck, stillThere }) => {
  const problem = await problemOf(folder.root, stillThere)
  const freeBytes = await roomIn(folder.root)
  const low = freeBytes !== null && freeBytes < LEAST_ROOM ? 'The disk of the data folder is nearly full.' : null
  if (problem) setResponseStatus(event, 503)
  const { at, problems } = logCheck.state()
  const log = problems.length
    ? `${problems[0]} ${problems.length > 1 ? `And ${problems.length - 1} more.` : ''}`.trim()
    : null
  return {
    ok: problem === null,
    problem: problem ?? log ?? low,
    freeBytes,
    logCheckedAt: at,
    logProblems: problems.length,
  }
})

/** Room that is left on the disk of a folder, bytes; null where there is no such folder any more. */
const roomIn = (root: string): Promise<number | null> =>
  statfs(root).then(
    ({ bavail, bsize }) => bavail * bsize,
    () => null,
  )

async function problemOf(root: string, stillThere: () => boolean): Promise<string | null> {
  if (!stillThere()) return 'The data folder was moved or deleted while the server runs.'
  const path = join(root, `.incoming-${randomUUID()}`)
  try {
    await writeFile(path, 'ok', { flag: 'wx', flush: true })
    return null
  } catch (error) {
    return storageProblem(error) ?? 'The data folder cannot be written to.'
  } finally {
    await rm(path, { force: true })
  }
}
