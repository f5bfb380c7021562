import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'

const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
let board: ChildProcess
let address = ''

beforeAll(async () => {
  board = spawn(process.execPath, [bin, 'bench-link', '--simulate', '--mechanism', '3.5in'])
  address = await new Promise(resolve => board.stdout!.once('data', d => resolve(String(d).trim())))
}, 30_000)
afterAll(() => {
  board.kill()
})

const run = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, 'bench-link', ...args], { encoding: 'utf8' })
  return { status, out: stdout, err: stderr }
}

describe('wobrin bench-link', () => {
  it('checks the simulated board over its socket', () => {
    const { status, out } = run('--check', address, '--json')
    expect(status).toBe(0)
    const report = JSON.parse(out) as { conforms: boolean; checks: { id: string; met: boolean | null }[] }
    expect(report.conforms).toBe(true)
    expect(report.checks.filter(c => c.met).length).toBeGreaterThan(9)
  }, 60_000)

  it('follows a board, so that its index can be judged live', async () => {
    const follow = spawn(process.execPath, [bin, 'bench-link', '--follow', address, '--motor'])
    const live = spawn(process.execPath, [bin, 'live', '--mechanism', '3.5in', '--line', 'index', '--json'])
    follow.stdout.pipe(live.stdin)
    let last: { turns: number; rpm: { mean: number } } | null = null
    live.stdout.on('data', d => (last = JSON.parse(String(d).trim().split('\n').at(-1)!)))
    try {
      await expect.poll(() => last?.turns ?? 0, { timeout: 40_000 }).toBeGreaterThan(15)
      // The simulated drive turns at 300 r/min within half a per cent.
      expect(Math.abs(last!.rpm.mean - 300)).toBeLessThan(1.5)
    } finally {
      follow.kill()
      live.kill()
    }
  }, 60_000)

  it('is a sentence where nothing answers, where no device is, and where nonsense comes', async () => {
    for (const nowhere of ['127.0.0.1:9', '/dev/no-such-device', __filename]) {
      const { status, err } = run('--check', nowhere)
      expect(status, nowhere).toBe(2)
      expect(err.trim().split('\n')).toHaveLength(1)
    }
    const babbler = createServer(socket => {
      socket.on('error', () => {})
      socket.write('hello, I am a modem\n')
    })
    await new Promise<void>(resolve => babbler.listen(0, '127.0.0.1', resolve))
    const { port } = babbler.address() as { port: number }
    try {
      const child = spawn(process.execPath, [bin, 'bench-link', '--check', `127.0.0.1:${port}`, '--json'])
      let out = ''
      child.stdout.on('data', d => (out += String(d)))
      const code = await new Promise(resolve => child.once('close', resolve))
      expect(code).toBe(2)
      expect(JSON.parse(out)).toMatchObject({ conforms: false, hello: null })
    } finally {
      babbler.close()
    }
  }, 60_000)

  it('listens to this machine alone', async () => {
    const [host, port] = address.split(':')
    expect(host).toBe('127.0.0.1')
    const socket = connect({ host: '127.0.0.1', port: Number(port) })
    const first = await new Promise<string>(resolve => socket.once('data', d => resolve(String(d))))
    expect(JSON.parse(first.split('\n')[0]!)).toMatchObject({ hello: 'bench-link', simulated: true })
    socket.destroy()
  }, 30_000)

  it('keeps what the board told as a recording, which is read like any other', () => {
    const out = join(mkdtempSync(join(tmpdir(), 'wobrin-link-')), 'board.vcd.gz')
    expect(run('--read', address, '--cylinders', '1', '--out', out).status).toBe(0)
    const { status, stdout } = spawnSync(process.execPath, [bin, 'bus', out, '--json'], { encoding: 'utf8' })
    expect(status).toBe(0)
    const report = JSON.parse(stdout) as { homed: boolean; totals: { good: number; missing: number }; speed: object }
    expect(report).toMatchObject({ homed: true, totals: { missing: 0 } })
    expect(report.totals.good).toBeGreaterThan(17)
    expect(run('--read', address)).toMatchObject({ status: 2, err: expect.stringContaining('--out FILE') })
  }, 60_000)

  it('tries the drive as a host would, and says what shows', () => {
    const out = join(mkdtempSync(join(tmpdir(), 'wobrin-link-')), 'test.vcd')
    const tested = run('--test', address, '--out', out, '--json')
    expect(tested.status).toBe(0)
    const { shows } = JSON.parse(tested.out) as { shows: { key: string; value: string | number }[] }
    const seen = Object.fromEntries(shows.map(s => [s.key, s.value]))
    expect(seen).toMatchObject({ 'see.select': 'yes', 'line.index': 'right', 'see.motor-off': 'stops' })
    // Nobody is at the terminal to take the disk out.
    expect(seen['see.change']).toBeUndefined()
  }, 120_000)

  it('rescues a disk through the board: all of it, or what a recording left missing', () => {
    const rescue = (...args: string[]) => {
      const { status, stdout, stderr } = spawnSync(process.execPath, [bin, 'rescue', ...args], { encoding: 'utf8' })
      return { status, out: stdout, err: stderr }
    }
    const { status, out } = rescue('--link', address, '--cylinders', '1', '--turns', '2', '--json')
    expect(status).toBe(0)
    const answer = JSON.parse(out) as { totals: { good: number; missing: number } }
    expect(answer.totals.missing).toBe(0)
    expect(answer.totals.good).toBeGreaterThan(17)
    expect(rescue('--json')).toMatchObject({ status: 2, err: expect.stringContaining('--link ADDRESS') })
    expect(rescue('--link', '127.0.0.1:9')).toMatchObject({
      status: 2,
      err: expect.stringContaining('no board answers'),
    })
  }, 60_000)
})
