import { mkdirSync, readdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ParameterError } from '@wobrin/core/base/errors'
import { SHA_256 } from '../../shared/patterns'

/** Where everything the workshop enters is kept: `WOBRIN_DATA`, or `data` in the working folder. */
export interface DataFolder {
  readonly root: string
  readonly database: string
  readonly captures: string
  readonly photos: string
  readonly backups: string
}

export function openDataFolder(root = process.env.WOBRIN_DATA || 'data'): DataFolder {
  const full = resolve(root)
  const folder = {
    root: full,
    database: join(full, 'wobrin.sqlite'),
    captures: join(full, 'captures'),
    photos: join(full, 'photos'),
    backups: join(full, 'backups'),
  }
  mkdirSync(folder.captures, { recursive: true })
  mkdirSync(folder.photos, { recursive: true })
  mkdirSync(folder.backups, { recursive: true })
  return folder
}

/** A moment as names of files have it. */
export const stampOf = (moment: string): string => moment.replace(/[:.]/g, '-')

/**
 * Path of a file that is named by its contents. Whatever the name came from, it leads nowhere else.
 * @throws ParameterError where it is no SHA-256
 */
export function contentPath(folder: string, sha: string): string {
  if (!SHA_256.test(sha))
    throw new ParameterError('a file is named by something that is not a SHA-256', '64 hexadecimal digits', {
      field: 'sha',
    })
  return join(folder, sha)
}

/**
 * Removes what a server that was killed left half done: files that had not got their name yet. Before anything else
 * runs.
 */
export function sweepLeftovers(folder: DataFolder): void {
  for (const place of [folder.root, folder.captures, folder.photos]) {
    for (const name of readdirSync(place))
      // What an import has brought is listed for when its rows are taken out.
      if (/^\.(?:import|incoming)-/.test(name) && !name.endsWith('.files')) rmSync(join(place, name), { force: true })
  }
}
