import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { SimulatedPickup } from '../../../src/simulator'
import { read, times } from '../../helpers'

const fixture = (name: string) => readFileSync(join(import.meta.dirname, '../../fixtures', name))
const has = (tool: string) => {
  try {
    execFileSync('which', [tool], { stdio: 'ignore' })
    return true
  } catch {
    return false
  }
}

/** Files of one recording, rewritten by Debian's sigrok-cli 0.7 and gtkwave's fst2vcd, kept in the repository. */
describe('files written by other programs', () => {
  it.each(['index-by-sigrok.vcd', 'index-by-fst2vcd.vcd'])('%s reads the same as ours', async name => {
    const own = times(await read('index-own.vcd', fixture('index-own.vcd')), 'INDEX')
    expect(own).toHaveLength(30)
    expect(times(await read(name, fixture(name)), 'INDEX')).toEqual(own)
  })
})

describe('round trips through programs of this machine', () => {
  const folder = mkdtempSync(join(tmpdir(), 'wobrin-outside-'))
  const pickup = new SimulatedPickup({ seed: 11, rpm: 361.5, ripples: [{ cyclesPerTurn: 0.7, peakPercent: 0.4 }] })
  pickup.advanceTo(4)
  const ours = join(folder, 'ours.vcd')
  writeFileSync(ours, pickup.toVcd())

  it.skipIf(!has('sigrok-cli'))('sigrok-cli reads our VCD and writes VCD and CSV that we read back', async () => {
    const wanted = Array.from(pickup.edges().times)
    execFileSync('sigrok-cli', ['-i', ours, '-I', 'vcd', '-O', 'vcd', '-o', join(folder, 's.vcd')])
    expect(times(await read('s.vcd', readFileSync(join(folder, 's.vcd'))), 'INDEX')).toEqual(
      wanted.map(t => expect.closeTo(t, 9)),
    )
    execFileSync('sigrok-cli', ['-i', ours, '-I', 'vcd:downsample=1000', '-O', 'csv', '-o', join(folder, 's.csv')])
    const sampled = times(await read('s.csv', readFileSync(join(folder, 's.csv'))), 'INDEX')
    expect(sampled).toHaveLength(wanted.length)
    sampled.forEach((t, i) => expect(Math.abs(t - wanted[i]!)).toBeLessThan(2.1e-4))
  })

  it.skipIf(!has('vcd2fst') || !has('fst2vcd'))('gtkwave’s converters read our VCD, and we read theirs', async () => {
    execFileSync('vcd2fst', [ours, join(folder, 'g.fst')], { stdio: 'ignore' })
    execFileSync('fst2vcd', ['-f', join(folder, 'g.fst'), '-o', join(folder, 'g.vcd')], { stdio: 'ignore' })
    expect(times(await read('g.vcd', readFileSync(join(folder, 'g.vcd'))), 'INDEX')).toEqual(
      Array.from(pickup.edges().times),
    )
  })
})
