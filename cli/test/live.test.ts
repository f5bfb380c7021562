import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
const folder = mkdtempSync(join(tmpdir(), 'wobrin-live-'))
const run = (args: string[], input?: string | Buffer) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...args], { input, encoding: 'utf8' })
  return { status, out: stdout, err: stderr }
}
const recording = (): Buffer => {
  const path = join(folder, 'fast.vcd')
  run(['simulate', path, '--mechanism', '3in', '--scenario', 'fast', '--seconds', '12'])
  return readFileSync(path)
}

describe('standard input in the place of a file', () => {
  it('gives the same answer as the file, for the spindle speed', () => {
    const bytes = recording()
    const args = ['--mechanism', '3in', '--json']
    const piped = run(['speed', '-', ...args], bytes)
    expect(piped.status).toBe(0)
    expect(JSON.parse(piped.out)).toEqual(JSON.parse(run(['speed', join(folder, 'fast.vcd'), ...args]).out))
  }, 60_000)
})

describe('wobrin live', () => {
  it('prints a line while data come, and a last one that says that it ended', async () => {
    const bytes = recording()
    const child = spawn(process.execPath, [bin, 'live', '--mechanism', '3in', '--json'])
    const lines: Record<string, unknown>[] = []
    let held = ''
    child.stdout.on('data', d => {
      held += String(d)
      const parts = held.split('\n')
      held = parts.pop()!
      lines.push(...parts.filter(Boolean).map(l => JSON.parse(l) as Record<string, unknown>))
    })
    const seen = async (count: number) => {
      while (lines.length < count) await new Promise(r => setTimeout(r, 20))
    }
    // The second part comes only after the first one was judged: nothing waits for the end.
    const half = Math.floor(bytes.length / 2)
    child.stdin.write(bytes.subarray(0, half))
    await seen(1)
    expect(lines.at(-1)!.ended).toBeUndefined()
    child.stdin.end(bytes.subarray(half))
    const code = await new Promise(r => child.on('close', r))
    expect(code).toBe(0)
    const last = lines.at(-1) as { ended: boolean; turns: number; rpm: { mean: number; low95: number }; call: string }
    expect(last.ended).toBe(true)
    const whole = JSON.parse(run(['speed', join(folder, 'fast.vcd'), '--mechanism', '3in', '--json']).out)
    expect(last.rpm.mean).toBeCloseTo(whole.rpm.mean, 2)
    expect(last).toMatchObject({ call: whole.call, turns: whole.revolutions })
  }, 60_000)

  it('says where a stream broke, keeps what came before, and exits with 2', () => {
    const broken = Buffer.concat([recording(), Buffer.from('#1\n1!\n')])
    const { status, out, err } = run(['live', '--mechanism', '3in', '--json'], broken)
    expect(status).toBe(2)
    expect(err).toMatch(/standard input, line \d.*backwards/)
    expect(JSON.parse(out.trim().split('\n').at(-1)!)).toMatchObject({ ended: true, turns: expect.any(Number) })
  }, 60_000)

  it.each([
    ['', /empty/],
    ['\x7FELF and so on, more than sixty-four bytes of it, so that it is told early', /program/],
  ])('refuses %j in a sentence', (input, says) => {
    const { status, err } = run(['live', '--mechanism', '3in'], input)
    expect(status).toBe(2)
    expect(err).toMatch(says)
  })
})

describe('wobrin live, told too little', () => {
  it('asks for a drive type or a drive, and for a server where a drive is named', () => {
    const neither = run(['live'], '')
    expect(neither).toMatchObject({ status: 2 })
    expect(neither.err).toContain('--drive')
    const nowhere = run(['live', '--drive', 'SK-05', '--data', join(folder, 'nothing')], '')
    expect(nowhere).toMatchObject({ status: 2 })
    expect(nowhere.err).toContain('--server')
  })
})

const sigrok = spawnSync('sigrok-cli', ['--version']).status === 0

describe.skipIf(!sigrok)('a program of another hand that prints its recording', () => {
  it('is followed with its demo device, whose analogue values stand between the changes', () => {
    // Eight logic channels and five analogue ones, whatever they hold: it must be read to its end.
    const { stdout } = spawnSync('sigrok-cli', [
      '-d',
      'demo',
      '--config',
      'samplerate=10k',
      '--time',
      '1500',
      '-O',
      'vcd',
    ])
    expect(String(stdout)).toMatch(/^A\d: /m)
    const { status, out } = run(['live', '--mechanism', '3.5in', '--line', 'D0', '--json'], stdout)
    expect(status).toBe(0)
    const last = JSON.parse(out.trim().split('\n').at(-1)!)
    expect(last).toMatchObject({ ended: true, channel: 'D0' })
    // A time stamp counts samples: of 100 microseconds each.
    const samples = Number([...String(stdout).matchAll(/^#(\d+)/gm)].at(-1)![1])
    expect(last.seconds).toBeCloseTo(samples / 10_000, 3)
  }, 60_000)
  it('says the same of a recording that it passes on as the file itself does', () => {
    recording()
    const file = join(folder, 'fast.vcd')
    const { stdout } = spawnSync('sigrok-cli', ['-I', 'vcd', '-i', file, '-O', 'vcd'], { maxBuffer: 1e8 })
    const { out } = run(['live', '--mechanism', '3in', '--json'], stdout)
    const whole = JSON.parse(run(['speed', file, '--mechanism', '3in', '--json']).out)
    const last = JSON.parse(out.trim().split('\n').at(-1)!)
    expect(last.rpm.mean).toBeCloseTo(whole.rpm.mean, 2)
    expect(last.call).toBe(whole.call)
  }, 60_000)
})
