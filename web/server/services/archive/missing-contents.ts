import { existsSync } from 'node:fs'
import { SHA_256 } from '../../../shared/patterns'
import { contentPath } from '../data-folder'
import { fileSha } from '../file-sha'

/** Why a file that is named by its contents cannot come along; null where it is as its name says. */
export async function wrongWith(place: string, sha: string): Promise<'missing' | 'damaged' | null> {
  if (!SHA_256.test(sha)) return 'damaged'
  const path = contentPath(place, sha)
  if (!existsSync(path)) return 'missing'
  try {
    return (await fileSha(path)) === sha ? null : 'damaged'
  } catch {
    return 'damaged'
  }
}
