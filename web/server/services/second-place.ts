import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { copyFile, rename } from 'node:fs/promises'
import { isAbsolute, join, resolve } from 'node:path'
import { ParameterError } from '@wobrin/core/base/errors'
import { SHA_256 } from '../../shared/patterns'
import { CONTENTS } from './archive/tables'
import { AUTOMATIC, superseded } from './backup-rotation'
import { contentPath, type DataFolder } from './data-folder'
import { fileSha } from './file-sha'

const MAKING = '.making-'

/** What came of copying to the second place. */
export interface SecondCopy {
  readonly backup: string
  /** Recordings and photos that were copied now, and that are there in all. */
  readonly copied: number
  readonly files: number
}

/**
 * A place on another disk for backups, with recordings and photos: what it holds is a whole workshop. Files are named
 * by their contents, so that each is copied once; none is ever changed there.
 */
export class SecondPlace {
  /** @throws ParameterError where it cannot be one */
  constructor(
    private readonly folder: DataFolder,
    readonly path: string,
  ) {
    if (!isAbsolute(path))
      throw new ParameterError('the second place is not a full path', 'one that begins at the root', {
        field: 'secondPlace',
      })
    const full = resolve(path)
    if (full === folder.root || full.startsWith(`${folder.root}/`))
      throw new ParameterError('the second place lies in the data folder', 'a folder on another disk', {
        field: 'secondPlace',
      })
    // A disk that is not there is said; a folder in its place would fill the wrong one.
    if (!existsSync(full) || !statSync(full).isDirectory())
      throw new ParameterError(`there is no folder ${full}`, 'a folder that exists', { field: 'secondPlace' })
  }

  /** Copies a backup, and every recording and photo that is not there yet. @param name of a backup here */
  async take(name: string): Promise<SecondCopy> {
    const backups = this.place('backups')
    await this.copy(join(this.folder.backups, name), join(backups, name), null)
    let copied = 0
    let files = 0
    for (const { folder } of CONTENTS) {
      const to = this.place(folder)
      for (const sha of readdirSync(this.folder[folder]).filter(n => SHA_256.test(n))) {
        files++
        if (existsSync(join(to, sha))) continue
        await this.copy(join(this.folder[folder], sha), join(to, sha), sha)
        copied++
      }
    }
    const automatic = readdirSync(backups)
      .filter(n => AUTOMATIC.test(n))
      .map(n => ({ name: n, at: statSync(join(backups, n)).mtime }))
    for (const old of superseded(automatic)) rmSync(join(backups, old), { force: true })
    return { backup: name, copied, files }
  }

  /** Removes recordings and photos that were erased here. */
  remove(contents: readonly { readonly folder: 'captures' | 'photos'; readonly sha: string }[]): void {
    for (const { folder, sha } of contents) rmSync(contentPath(this.place(folder), sha), { force: true })
  }

  private place(name: string): string {
    const path = join(this.path, 'wobrin', name)
    mkdirSync(path, { recursive: true, mode: 0o700 })
    for (const half of readdirSync(path)) if (half.startsWith(MAKING)) rmSync(join(path, half), { force: true })
    return path
  }

  /** One file, whole or not at all. @param sha what it has to hold; null where that is not known */
  private async copy(from: string, to: string, sha: string | null): Promise<void> {
    const making = join(to, '..', `${MAKING}${to.split('/').at(-1)}`)
    await copyFile(from, making)
    if (sha !== null && (await fileSha(making)) !== sha) {
      rmSync(making, { force: true })
      // A damaged recording is named by the check of the data folder; it takes no other's place here.
      return
    }
    await rename(making, to)
  }
}
