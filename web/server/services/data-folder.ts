import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'

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
