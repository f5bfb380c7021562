import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { WaveFile } from 'wavefile'
import { describe, expect, it } from 'vitest'

const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
const folder = mkdtempSync(join(tmpdir(), 'wobrin-listen-'))
const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, 'listen', ...args], { encoding: 'utf8' })
  return { status, out: stdout, err: stderr }
}

const RATE = 44_100

/** Short bursts at given times, in a file of 16 bits. */
function sound(name: string, seconds: number, clicks: readonly number[]): string {
  const samples = new Int16Array(seconds * RATE)
  for (const at of clicks)
    for (let k = 0; k < 200; k++)
      samples[Math.round(at * RATE) + k] = Math.round(9000 * Math.exp(-k / 60) * Math.sin(k * 0.4))
  const wav = new WaveFile()
  wav.fromScratch(1, RATE, '16', Array.from(samples))
  const path = join(folder, name)
  writeFileSync(path, wav.toBuffer())
  return path
}

describe('wobrin listen', () => {
  it('counts the steps of each seek', () => {
    const steps = (from: number) => Array.from({ length: 15 }, (_, i) => from + i * 0.008)
    const path = sound('seeks.wav', 2, [...steps(0.3), ...steps(1.2)])
    const { status, out } = run(path, '--steps', '15', '--json')
    expect(status).toBe(0)
    const answer = JSON.parse(out) as { call: string; seeks: { heard: number; stepMs: number }[]; evidence: object }
    expect(answer.seeks.map(s => s.heard)).toEqual([15, 15])
    expect(answer.seeks[0]!.stepMs).toBeCloseTo(8, 1)
    expect(answer).toMatchObject({ call: 'leave', evidence: { source: 'recording', by: 'Sound' } })
  })
  it('stops at a cartridge drive that clicks', () => {
    const path = sound('clicks.wav', 8, [0.5, 1.5, 2.5, 3.5, 4.5, 5.5, 6.5])
    expect(JSON.parse(run(path, '--mechanism', 'cartridge', '--json').out)).toMatchObject({ call: 'stop' })
  })
  it('is a sentence where there is no file, or no sound in it', () => {
    const letter = join(folder, 'letter.wav')
    writeFileSync(letter, 'Dear sir,')
    for (const path of [join(folder, 'nothing.wav'), letter]) {
      const { status, err } = run(path)
      expect(status).toBe(2)
      expect(err.trim().split('\n')).toHaveLength(1)
    }
  })

  it('hears the speed of what comes once a revolution, and of a tone', () => {
    const ticks = Array.from({ length: 55 }, (_, i) => 0.05 + (i * 60) / 303.3)
    const rub = run(sound('rub.wav', 11, ticks), '--for', 'rub', '--mechanism', '5.25in-48', '--json')
    const answer = JSON.parse(rub.out) as { rpm: { mean: number; low95: number; high95: number }; evidence: object }
    expect(answer.rpm.mean).toBeCloseTo(303.3, 0)
    expect(answer.rpm.low95).toBeLessThan(303.31)
    expect(answer.rpm.high95).toBeGreaterThan(303.29)
    expect(answer.evidence).toMatchObject({ source: 'recording', by: 'Sound' })
    const tone = run(sound('quiet.wav', 6, []), '--for', 'tone', '--mechanism', '3.5in')
    expect(tone).toMatchObject({ status: 0 })
    expect(tone.out).toContain('Not known yet')
  })
})

describe('wobrin film', () => {
  const films = join(import.meta.dirname, '../../core/test/fixtures/films')
  const film = (...args: string[]) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [bin, 'film', ...args], { encoding: 'utf8' })
    return { status, out: stdout, err: stderr }
  }
  it('gives the speed of a mark, and the speeds that a ring may have', () => {
    const mark = film(join(films, 'mark-60.csv'), '--mechanism', '5.25in-48', '--json')
    expect((JSON.parse(mark.out) as { rpm: { mean: number } }).rpm.mean).toBeCloseTo(301.7, 1)
    const ring = ['--passes', 'ring', '--bars', '24', '--mechanism', '5.25in-48']
    expect(film(join(films, 'ring-60.csv'), ...ring).out).toContain('296.2')
    expect(film(join(films, 'ring-60.csv'), ...ring).out).toContain('Not known yet')
  })
  it('refuses what is no table of frames in a sentence', () => {
    const refused = film(join(films, 'make-films.sh'), '--mechanism', '5.25in-48')
    expect(refused.status).toBe(2)
    expect(refused.err).toContain('make-films.sh, line 1')
  })
})
