import { createHash, randomBytes } from 'node:crypto'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { describe, expect, it } from 'vitest'
import { fileSource } from '../src/file-source'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-source-'))
/** One whose hash is taken on its way, and one that is large enough for a thread beside. */
const FILES = { small: randomBytes(3 * 512 * 1024), large: randomBytes(33 * 1024 * 1024 + 7), empty: Buffer.alloc(0) }

const written = (name: string, bytes: Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, bytes)
  return path
}

describe.each(Object.entries(FILES))('a %s file as a source', (name, bytes) => {
  const path = written(name, bytes)
  const wanted = createHash('sha256').update(bytes).digest('hex')

  it.each([0, 1])('gives its bytes in order and then its hash, however slowly they are looked at', async waitMs => {
    const source = await fileSource(path)
    for (const turn of [1, 2]) {
      const got = createHash('sha256')
      let length = 0
      for await (const piece of source.chunks()) {
        if (turn === 1) expect(source.sha256()).toBeNull()
        if (waitMs) await setTimeout(waitMs)
        got.update(piece)
        length += piece.length
      }
      expect(length).toBe(bytes.length)
      expect(got.digest('hex')).toBe(wanted)
      expect(source.sha256()).toBe(wanted)
    }
  })

  it('has no hash where it was left before its end', async () => {
    const source = await fileSource(path)
    let [pieces, read] = [0, 0]
    for await (const piece of source.chunks()) {
      read += piece.length
      if (++pieces === 2) break
    }
    expect(source.sha256()).toBe(read === bytes.length && pieces < 2 ? wanted : null)
  })
})
