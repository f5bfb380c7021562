import { createHash } from 'node:crypto'
import { createReadStream, existsSync } from 'node:fs'
import { SHA_256 } from '../../../shared/patterns'
import { contentPath } from '../data-folder'

/** Why a file that is named by its contents cannot come along; null where it is as its name says. */
export async function wrongWith(place: string, sha: string): Promise<'missing' | 'damaged' | null> {
  if (!SHA_256.test(sha)) return 'damaged'
  const path = contentPath(place, sha)
  if (!existsSync(path)) return 'missing'
  const hash = createHash('sha256')
  try {
    for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer)
  } catch {
    return 'damaged'
  }
  return hash.digest('hex') === sha ? null : 'damaged'
}
