import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, existsSync, type ReadStream } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { count, eq, sum } from 'drizzle-orm'
import { InputError, LimitError } from '@wobrin/core/base/errors'
import { photos } from '../database/schema'
import { contentPath } from './data-folder'
import { NotFound } from './not-found'
import type { Db } from '../database/db'

/** Loaded with the first photo, so that the server starts without it. */
const loadSharp = async () => (await import('sharp')).default

/** Largest photo that is kept, bytes as sent. */
export const MAX_PHOTO_BYTES = 40 * 1024 ** 2
/** Largest photo, pixels when unpacked: four times what a 24-megapixel camera gives. */
export const MAX_PHOTO_PIXELS = 100e6
/** Longest sides of the copies that are shown, in pixels. */
const COPIES = { view: 2048, small: 480 } as const
export type PhotoSize = keyof typeof COPIES | 'full'

export interface KeptPhoto {
  readonly sha: string
  readonly name: string
  readonly bytes: number
  /** As shown: turned upright. */
  readonly width: number
  readonly height: number
}

/**
 * Photos by content. The original is kept byte for byte and never leaves; what is shown are copies drawn anew, upright
 * and without the camera's metadata.
 */
export class PhotoStore {
  constructor(
    private readonly folder: string,
    private readonly db: Db,
  ) {}

  private path(sha: string, size: 'original' | keyof typeof COPIES): string {
    const original = contentPath(this.folder, sha)
    return size === 'original' ? original : `${original}.${size}.jpg`
  }

  /**
   * Keeps a photo and makes its copies. The same content twice is kept once.
   * @param expected bytes that the sender announced, where it did
   * @throws LimitError beyond the limits, InputError where it is no picture or was cut off; nothing of it stays
   */
  async keep(name: string, chunks: AsyncIterable<Uint8Array>, expected?: number): Promise<KeptPhoto> {
    if (expected !== undefined && expected > MAX_PHOTO_BYTES) throw tooLarge(name)
    const temporary = join(this.folder, `.incoming-${randomUUID()}`)
    const hash = createHash('sha256')
    let bytes = 0
    try {
      const file = await open(temporary, 'wx')
      try {
        for await (const chunk of chunks) {
          bytes += chunk.length
          if (bytes > MAX_PHOTO_BYTES) throw tooLarge(name)
          hash.update(chunk)
          await file.write(chunk)
        }
        await file.sync()
      } finally {
        await file.close()
      }
      if (expected !== undefined && bytes < expected)
        throw new InputError(`the photo was cut off after ${bytes} of ${expected} bytes`, 'all of it; send it again', {
          file: name,
        })
      const sha = hash.digest('hex')
      const there = this.db.select().from(photos).where(eq(photos.sha, sha)).get()
      if (there) return there
      const size = await this.makeCopies(name, temporary, sha)
      await rename(temporary, this.path(sha, 'original'))
      this.db
        .insert(photos)
        .values({ sha, name, bytes, ...size, keptAt: new Date().toISOString() })
        .onConflictDoNothing()
        .run()
      return this.find(sha)
    } finally {
      await rm(temporary, { force: true })
    }
  }

  private async makeCopies(name: string, from: string, sha: string): Promise<{ width: number; height: number }> {
    try {
      const sharp = await loadSharp()
      const picture = sharp(from, { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'truncated', pages: 1 }).autoOrient()
      const { width, height, autoOrient, format } = await picture.metadata()
      if (!width || !height || format === 'svg') throw new Error('unsupported')
      const view = await picture
        .resize({ width: COPIES.view, height: COPIES.view, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 84 })
        .toBuffer()
      await this.write(this.path(sha, 'view'), view)
      await this.write(
        this.path(sha, 'small'),
        await sharp(view)
          .resize({ width: COPIES.small, height: COPIES.small, fit: 'inside', withoutEnlargement: true })
          .jpeg({ quality: 80 })
          .toBuffer(),
      )
      return { width: autoOrient?.width ?? width, height: autoOrient?.height ?? height }
    } catch (error) {
      const said = error instanceof Error ? error.message : ''
      if (/pixel limit/i.test(said))
        throw new LimitError(
          'the picture has more pixels than are unpacked here',
          `at most ${MAX_PHOTO_PIXELS / 1e6} megapixels`,
          { file: name },
        )
      if (/premature|truncat|end of (?:file|stream)|corrupt/i.test(said))
        throw new InputError('the picture breaks off in the middle', 'a whole one; take or send it again', {
          file: name,
        })
      throw new InputError('this is no picture that can be read here', 'a JPEG, PNG, WebP, TIFF or GIF photo', {
        file: name,
      })
    }
  }

  private async write(path: string, content: Buffer): Promise<void> {
    const temporary = join(this.folder, `.incoming-${randomUUID()}`)
    const file = await open(temporary, 'wx')
    await file.write(content)
    await file.sync()
    await file.close()
    await rename(temporary, path)
  }

  /** A photo to show: a copy, or the whole of it drawn anew without metadata. @throws NotFound */
  async show(sha: string, size: PhotoSize): Promise<ReadStream | Buffer> {
    this.find(sha)
    if (size === 'full')
      return (await loadSharp())(this.path(sha, 'original'), { limitInputPixels: MAX_PHOTO_PIXELS })
        .autoOrient()
        .jpeg({ quality: 92 })
        .toBuffer()
    if (!existsSync(this.path(sha, size))) await this.makeCopies(sha, this.path(sha, 'original'), sha)
    return createReadStream(this.path(sha, size))
  }

  count(): { photos: number; photoBytes: number } {
    const { n, bytes } = this.db
      .select({ n: count(), bytes: sum(photos.bytes).mapWith(Number) })
      .from(photos)
      .get()!
    return { photos: n, photoBytes: bytes ?? 0 }
  }

  has(sha: string): boolean {
    return this.db.select().from(photos).where(eq(photos.sha, sha)).get() !== undefined
  }

  /** @throws NotFound */
  find(sha: string): KeptPhoto {
    const row = this.db.select().from(photos).where(eq(photos.sha, sha)).get()
    if (!row) throw new NotFound('There is no such photo.')
    return row
  }
}

const tooLarge = (name: string) =>
  new LimitError('the photo is larger than is kept', `at most ${MAX_PHOTO_BYTES / 1024 ** 2} MB`, { file: name })
