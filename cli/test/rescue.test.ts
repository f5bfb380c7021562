import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'

const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
const folder = mkdtempSync(join(tmpdir(), 'wobrin-rescue-'))
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], { cwd: folder, encoding: 'utf8' })
  return { status, out: stdout, err: stderr }
}

interface Answer {
  readonly totals: { readonly good: number; readonly missing: number }
  readonly from: readonly {
    readonly cylinder: number
    readonly head: number
    readonly id: number
    readonly file: string
  }[]
  readonly next: { readonly kind: string }
}

beforeAll(() => {
  const spec = JSON.parse(run('simulate', '--example', '--mechanism', '3.5in').out)
  for (const seed of [1, 2]) {
    spec.seed = seed
    spec.noise = 0.3
    spec.disk.amplitude = 0.6
    // The head is lifted on a part of each track: what no reading has stays missing.
    spec.disk.grooves = [{ head: 1, fromCylinder: 5, toCylinder: 5, fromTurn: 0.3, toTurn: 0.6, liftUm: 1.2 }]
    spec.host.turns = 3
    spec.host.cylinders = [5]
    writeFileSync(join(folder, 'spec.json'), JSON.stringify(spec))
    expect(run('simulate', 'spec.json', '--out', `read-${seed}.vcd`).status).toBe(0)
  }
}, 120_000)

describe('wobrin rescue', () => {
  it('merges recordings, writes the image and the list of its sectors', () => {
    const one = JSON.parse(run('rescue', 'read-1.vcd', '--json').out) as Answer
    const { status, out } = run('rescue', 'read-1.vcd', 'read-2.vcd', '--image', 'disk.img', '--json')
    expect(status).toBe(0)
    const both = JSON.parse(out) as Answer
    expect(both.totals.good).toBeGreaterThan(one.totals.good)
    expect(both.totals.good + both.totals.missing).toBe(18)
    expect(both.from).toHaveLength(both.totals.good)
    expect(readFileSync(join(folder, 'disk.img'))).toHaveLength(18 * 512)
    const list = readFileSync(join(folder, 'disk.img.sectors.csv'), 'utf8').trim().split(/\r?\n/)
    expect(list).toHaveLength(1 + 18)
    expect(list.filter(l => l.includes(',missing,'))).toHaveLength(both.totals.missing)
  }, 60_000)

  it('takes what is known of each recording, and refuses what it does not know', () => {
    writeFileSync(join(folder, 'facts.csv'), 'file,drive\nread-1.vcd,SK-05\nread-2.vcd,SK-08\n')
    const known = run('rescue', 'read-1.vcd', 'read-2.vcd', '--facts', 'facts.csv')
    expect(known.status).toBe(0)
    writeFileSync(join(folder, 'facts.csv'), 'file,drive\nread-9.vcd,SK-05\n')
    const wrong = run('rescue', 'read-1.vcd', '--facts', 'facts.csv')
    expect(wrong.status).toBe(2)
    expect(wrong.err).toContain('read-9.vcd')
  }, 60_000)

  it('refuses a recording named twice, and one that is not there, and writes nothing', () => {
    for (const files of [
      ['read-1.vcd', 'read-1.vcd'],
      ['read-1.vcd', 'nothing.vcd'],
    ]) {
      const { status, err } = run('rescue', ...files, '--image', 'never.img')
      expect(status).toBe(2)
      expect(err.trim().split('\n')).toHaveLength(1)
      expect(existsSync(join(folder, 'never.img'))).toBe(false)
    }
  }, 60_000)
})
