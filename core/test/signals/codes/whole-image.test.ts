import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { fluxOf } from '../../../src/signals/separator'
import { halfCellOf, mergeTurns, readTrack, sectorTrack, type Format } from '../../../src/signals/codes'
import { Random } from '../../../src/simulator'

const tools = ['mkfs.fat', 'fsck.fat', 'mcopy'].every(
  t =>
    spawnSync('sh', ['-c', `command -v ${t}`], { env: { ...process.env, PATH: `${process.env.PATH}:/sbin:/usr/sbin` } })
      .status === 0,
)
const run = (command: string, ...args: string[]) =>
  execFileSync(command, args, {
    stdio: 'pipe',
    env: { ...process.env, PATH: `${process.env.PATH}:/sbin:/usr/sbin`, MTOOLS_SKIP_CHECK: '1' },
  })

describe.skipIf(!tools)('a whole disk', () => {
  // Made and checked by Debian's dosfstools and mtools, which know nothing of this project.
  it('a FAT12 image laid on jittered tracks comes back identical, and clean under fsck.fat', () => {
    const folder = mkdtempSync(join(tmpdir(), 'wobrin-fat-'))
    const image = join(folder, 'disk.img')
    run('mkfs.fat', '-C', image, '360')
    const random = new Random(12)
    writeFileSync(
      join(folder, 'tides.csv'),
      Array.from({ length: 9000 }, (_, i) => `${i},${(random.next() * 4).toFixed(2)}\r\n`).join(''),
    )
    run('mcopy', '-i', image, join(folder, 'tides.csv'), '::TIDES.CSV')
    const written = new Uint8Array(readFileSync(image))
    const format: Format = { code: 'MFM', rate: 250_000 }
    const back = new Uint8Array(written.length)
    for (let track = 0; track < 80; track++) {
      const sectors = Array.from({ length: 9 }, (_, i) => ({
        cylinder: track >> 1,
        head: track & 1,
        sector: i + 1,
        data: written.slice((track * 9 + i) * 512, (track * 9 + i + 1) * 512),
      }))
      const flux = fluxOf(sectorTrack('MFM', sectors, 100_000), halfCellOf(format)).map(
        t => t + (random.next() - 0.5) * 0.3e-6,
      )
      const read = mergeTurns(readTrack(flux, format).sectors)
      expect(read.map(s => s.state)).toEqual(Array.from({ length: 9 }, () => 'good'))
      for (const s of read) back.set(s.data!, ((s.cylinder * 2 + s.head) * 9 + s.sector - 1) * 512)
    }
    expect(Buffer.from(back).equals(Buffer.from(written))).toBe(true)
    const again = join(folder, 'again.img')
    writeFileSync(again, back)
    expect(() => run('fsck.fat', '-n', again)).not.toThrow()
    rmSync(folder, { recursive: true })
  })
})
