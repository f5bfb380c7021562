import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { chunks, workshop } from './helpers'

const noise = (width: number, height: number) =>
  sharp({
    create: { width, height, channels: 3, background: '#888', noise: { type: 'gaussian', mean: 128, sigma: 30 } },
  })

async function text(stream: unknown): Promise<Buffer> {
  if (Buffer.isBuffer(stream)) return stream
  const parts: Buffer[] = []
  for await (const part of stream as AsyncIterable<Buffer>) parts.push(part)
  return Buffer.concat(parts)
}

describe('photos', () => {
  it('keep the original, show a smaller upright copy without the camera’s metadata', async () => {
    const { photos, folder } = await workshop()
    const original = await noise(2600, 1300)
      .withExif({ IFD0: { Make: 'Camera of the quay' }, IFD3: { GPSLatitude: '60/1 9/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    const kept = await photos.keep('board.jpg', chunks(original, 64_000), original.length)
    // Lying on its side in the file: shown upright, it is taller than wide.
    expect(kept).toMatchObject({ name: 'board.jpg', width: 1300, height: 2600, bytes: original.length })
    expect(readFileSync(join(folder.photos, kept.sha)).equals(original)).toBe(true)
    for (const [size, longest] of [
      ['view', 2048],
      ['small', 480],
      ['full', 2600],
    ] as const) {
      const shown = await text(await photos.show(kept.sha, size))
      const facts = await sharp(shown).metadata()
      expect(facts, size).toMatchObject({ format: 'jpeg', height: longest, width: longest / 2 })
      expect(facts.exif).toBeUndefined()
      expect(facts.orientation ?? 1).toBe(1)
      expect(shown.includes('Camera of the quay')).toBe(false)
    }
  })

  it('the same one twice is kept once', async () => {
    const { photos, folder } = await workshop()
    const original = await noise(60, 40).png().toBuffer()
    const first = await photos.keep('a.png', chunks(original))
    expect(await photos.keep('b.png', chunks(original))).toEqual(first)
    expect(readdirSync(folder.photos)).toHaveLength(3)
  })

  it.each<[string, () => Promise<Buffer>, RegExp]>([
    [
      'no picture',
      () => Promise.resolve(Buffer.from('$timescale 1 ns $end')),
      /x: this is no picture that can be read here; expected a JPEG, PNG, WebP, TIFF or GIF photo\./,
    ],
    ['an empty file', () => Promise.resolve(Buffer.alloc(0)), /no picture that can be read/],
    [
      'a drawing with a program in it',
      () =>
        Promise.resolve(
          Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'),
        ),
      /no picture that can be read/,
    ],
    [
      'a picture cut off in the middle',
      async () => (await noise(900, 900).jpeg().toBuffer()).subarray(0, 30_000),
      /x: the picture breaks off in the middle; expected a whole one/,
    ],
    [
      'a bomb: few bytes, many pixels',
      () =>
        sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: '#fff' } })
          .png({ compressionLevel: 9 })
          .toBuffer(),
      /x: the picture has more pixels than are unpacked here; expected at most 100 megapixels\./,
    ],
  ])('%s is refused in a sentence, and nothing of it stays', async (_, make, sentence) => {
    const { photos, folder } = await workshop()
    await expect(photos.keep('x', chunks(await make(), 100_000))).rejects.toThrow(sentence)
    expect(readdirSync(folder.photos)).toEqual([])
    expect(photos.count().photos).toBe(0)
  })

  it('200 MB are refused before they are read, or as soon as they are too many', async () => {
    const { photos, folder } = await workshop()
    let read = 0
    const endless = async function* () {
      for (let i = 0; i < 200; i++) {
        read++
        yield new Uint8Array(1024 ** 2)
      }
    }
    await expect(photos.keep('x', endless(), 200 * 1024 ** 2)).rejects.toThrow(
      'x: the photo is larger than is kept; expected at most 40 MB.',
    )
    expect(read).toBe(0)
    await expect(photos.keep('x', endless())).rejects.toThrow('at most 40 MB')
    expect(read).toBe(41)
    expect(readdirSync(folder.photos)).toEqual([])
  })

  it('one that breaks off on its way says how much came', async () => {
    const { photos, folder } = await workshop()
    const original = await noise(300, 300).jpeg().toBuffer()
    await expect(photos.keep('x', chunks(original.subarray(0, 900)), original.length)).rejects.toThrow(
      `x: the photo was cut off after 900 of ${original.length} bytes; expected all of it; send it again.`,
    )
    const broken = async function* () {
      yield original.subarray(0, 900)
      throw new Error('aborted')
    }
    await expect(photos.keep('x', broken())).rejects.toThrow('aborted')
    expect(readdirSync(folder.photos)).toEqual([])
  })
})
