import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { reportBus } from '../../../src/instruments/interface'
import { bytesSource, readCapture, writeVcd } from '../../../src/signals/captures'
import { LAYOUTS } from '../../../src/drives'
import { SimulatedDrive, SimulatedHost, soundDrive } from '../../../src/simulator'
import { asCapture, record } from './helpers'

const sigrok = spawnSync('sigrok-cli', ['--version']).status === 0

describe.skipIf(!sigrok)('through another program', () => {
  // Debian's sigrok-cli reads and writes value change dumps without knowing anything of this project.
  it('a recording that went through sigrok-cli decodes the same', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'wobrin-sigrok-'))
    const r = record(d => ({ carriage: { ...d.carriage, startCylinder: 0 } }), {
      cylinders: [0, 1],
      heads: [0],
      turns: 1,
    })
    const own = reportBus(asCapture(r))
    writeFileSync(join(folder, 'own.vcd'), writeVcd(r.channels, { tickNs: 100, durationS: r.durationS }))
    execFileSync(
      'sigrok-cli',
      ['-I', 'vcd', '-i', join(folder, 'own.vcd'), '-O', 'vcd', '-o', join(folder, 'theirs.vcd')],
      { stdio: 'pipe' },
    )
    const theirs = reportBus(await readCapture(bytesSource('theirs.vcd', readFileSync(join(folder, 'theirs.vcd')))))
    expect(theirs.totals).toEqual(own.totals)
    expect(theirs.tracks.map(t => t.sectors.map(s => s.data))).toEqual(own.tracks.map(t => t.sectors.map(s => s.data)))
    rmSync(folder, { recursive: true })
  })
})

describe('transfer rates from first principles', () => {
  // MFM and FM: rate ÷ 8 bytes a second raw; whole sectors a turn times turns a second is what a file can have.
  it.each([
    ['mfm-40x2x9', '5.25in-48', 31_250, 23_040],
    ['fm-40x1x10', '5.25in-48', 15_625, 12_800],
    ['mfm-77x2x26', '8in', 62_500, 39_936],
    ['mfm-80x2x18', '3.5in', 62_500, 46_080],
    ['split-80x2x11', '3.5in', 31_250, 28_160],
  ] as const)('%s carries %s bytes a second raw, %s of it in files', (layout, mechanism, raw, file) => {
    const sound = soundDrive(mechanism)
    const { rpm, bytes, sectorsOf, formatOf } = LAYOUTS[layout]!
    expect(formatOf(0).rate / 8).toBe(raw)
    expect((bytes * sectorsOf(0) * rpm) / 60).toBe(file)
    const drive = new SimulatedDrive({
      ...sound,
      spindle: {
        ...sound.spindle,
        rpm,
        wanderPercent: 0,
        beltRipplePercent: 0,
        onceAroundPercent: 0,
        motorRipplePercent: 0,
      },
      disk: { ...sound.disk, layout, writer: { ...sound.disk.writer, rpm } },
    })
    const host = new SimulatedHost(drive)
    host.start()
    const { read } = host.read(0, 4)
    const good = read!.sectors.filter(s => s.status === 'good')
    const turn = median(
      good.flatMap(s =>
        good
          .filter(o => o.sector === s.sector && o.atS > s.atS)
          .slice(0, 1)
          .map(o => o.atS - s.atS),
      ),
    )
    expect((new Set(good.map(s => s.sector)).size * bytes) / turn / file).toBeCloseTo(1, 2)
  })
})

const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[xs.length >> 1]!
