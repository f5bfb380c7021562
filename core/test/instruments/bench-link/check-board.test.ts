import { describe, expect, it } from 'vitest'
import { BoardClient, checkBoard, LineCutter, readFromBoard } from '../../../src/instruments/bench-link'
import { recogniseTrack } from '../../../src/signals/codes'
import { SimulatedDisk, soundDrive } from '../../../src/simulator'
import { onWire, type Fault } from './on-wire'

const run = (fault?: Fault) => {
  const { wire, pause } = onWire(fault)
  return checkBoard(wire, pause)
}
const failed = (r: Awaited<ReturnType<typeof run>>) => r.checks.filter(c => c.met === false).map(c => c.id)
/** Changes messages that are of a kind. */
const change =
  (of: (m: Record<string, unknown>) => boolean, to: (m: Record<string, unknown>) => unknown): Fault =>
  line => {
    const m = JSON.parse(line) as Record<string, unknown>
    if (!of(m)) return line
    const said = to(m)
    return said === null ? null : `${JSON.stringify(said)}\n`
  }

describe('the check of a board', () => {
  it('passes the simulated board in every point that it tries', async () => {
    const report = await run()
    expect(failed(report)).toEqual([])
    expect(report).toMatchObject({ conforms: true, hello: { simulated: true } })
    expect(report.checks.every(c => c.met)).toBe(true)
  })

  it.each<[string, string, Fault]>([
    [
      'never says what it is',
      'hello',
      change(
        m => 'hello' in m,
        () => null,
      ),
    ],
    [
      'is of another version',
      'hello',
      change(
        m => 'hello' in m,
        m => ({ ...m, version: 9 }),
      ),
    ],
    [
      'leaves a line out',
      'lines',
      change(
        m => 'lines' in m && 'id' in m,
        m => ({ ...m, lines: { index: true } }),
      ),
    ],
    [
      'says ok to everything',
      'unknown',
      change(
        m => 'error' in m,
        m => ({ id: m.id, ok: true }),
      ),
    ],
    [
      'does not answer refusals',
      'unknown',
      change(
        m => 'error' in m,
        () => null,
      ),
    ],
    [
      'gives one answer for several',
      'together',
      change(
        m => m.ok === true && Number(m.id) % 4 === 0,
        m => ({ ...m, id: 1 }),
      ),
    ],
    [
      'forgets a voltage',
      'volts',
      change(
        m => 'volts' in m && 'id' in m,
        m => ({ ...m, volts: { '5V': 5 } }),
      ),
    ],
    [
      'drives select the wrong way',
      'set',
      change(
        m => 'lines' in m && 'id' in m,
        m => {
          const lines = m.lines as Record<string, boolean>
          return { ...m, lines: { ...lines, select: !lines.select } }
        },
      ),
    ],
    [
      'sees track zero everywhere',
      'step',
      change(
        m => 'lines' in m && 'id' in m,
        m => ({ ...m, lines: { ...(m.lines as object), 'track-0': true } }),
      ),
    ],
    [
      'counts milliseconds',
      'index',
      change(
        m => m.line === 'index',
        m => ({ ...m, t: Number(m.t) / 1000 }),
      ),
    ],
    [
      'tells no end of an index pulse',
      'index',
      change(
        m => m.line === 'index' && m.low === false,
        () => null,
      ),
    ],
    [
      'loses the index marks of flux',
      'flux',
      change(
        m => 'index' in m,
        m => ({ ...m, index: [] }),
      ),
    ],
    [
      'tells flux in microseconds',
      'flux',
      change(
        m => m.more === true,
        m => ({ ...m, flux: (m.flux as number[]).map(x => x / 1000) }),
      ),
    ],
    [
      'tells when a reading ended, not when it began',
      'began',
      change(
        m => 'index' in m,
        m => ({ ...m, t: Number(m.t) + 400_000 }),
      ),
    ],
    [
      'does not tell when a reading began',
      'began',
      change(
        m => 'index' in m,
        ({ t: _, ...m }) => m,
      ),
    ],
    [
      'lets its clock jump back',
      'times',
      change(
        m => m.line === 'motor' && m.low === false,
        m => ({ ...m, t: 1 }),
      ),
    ],
    ['prints its own remarks', 'words', line => (line.includes('hello') ? `${line}booting…\n` : line)],
  ])(
    'finds a board that %s',
    async (_, id, fault) => {
      const report = await run(fault)
      expect(report.conforms).toBe(false)
      expect(failed(report)).toContain(id)
    },
    30_000,
  )

  it('says what it could not try where no disk turns, and does not blame the board for it', async () => {
    const sound = soundDrive('3.5in', 7)
    const { wire, pause } = onWire(undefined, { ...sound, sensors: { ...sound.sensors, index: 'dead' } })
    const report = await checkBoard(wire, pause)
    expect(report.checks.find(c => c.id === 'index')!.met).toBeNull()
  })

  it('never drives WRITE GATE', async () => {
    const { wire, pause } = onWire()
    const asked: string[] = []
    await checkBoard({ ...wire, write: text => (asked.push(text), wire.write(text)) }, pause)
    expect(asked.join('')).not.toContain('write-gate')
  })
})

describe('a drive at a board', () => {
  it('reads a track whose sectors hold what the disk holds', async () => {
    const spec = soundDrive('3.5in', 7, 'mfm-80x2x9')
    const { wire, pause } = onWire(undefined, spec)
    const board = new BoardClient(wire, pause)
    await board.begin()
    for (const line of ['select', 'motor'] as const) await board.ask({ set: line, low: true })
    await pause(3000)
    const { lines } = await board.ask({ read: 'lines' })
    for (let i = 0; i < 5 && !lines!['track-0']; i++) {
      await board.ask({ step: 'outward' })
      await pause(10)
    }
    const { flux = [], index = [] } = await board.ask({ read: 'flux', turns: 2 })
    let t = 0
    const times = Float64Array.from(flux, ns => (t += ns / 1e9))
    expect(index).toHaveLength(3)
    const track = recogniseTrack(times)!
    const good = track.sectors.filter(s => s.status === 'good')
    expect(new Set(good.map(s => s.sector)).size).toBe(9)
    const disk = new SimulatedDisk(spec.disk, spec.mechanism, spec.pulseUm)
    const truth = disk.sectorsOf(good[0]!.cylinder, 0)
    for (const s of good) expect([...s.data!]).toEqual([...truth.find(x => x.sector === s.sector)!.data])
  })
})

describe('lines of a board', () => {
  it('are put together however they are cut', () => {
    const cutter = new LineCutter()
    expect(['{"t":1,', '"line":"index","low":true}\n{"t"', ':2}\r\n\n'].flatMap(p => cutter.push(p))).toEqual([
      '{"t":1,"line":"index","low":true}',
      '{"t":2}',
    ])
    expect(() => cutter.push('x'.repeat(100_000))).toThrow(/does not end/)
  })
  it.each([
    'booting…',
    '[1]',
    '{"t":"soon","line":"index","low":true}',
    '{"t":1,"line":"door","low":true}',
    '{"t":1,"line":"index","low":1}',
    '{"id":1}',
    '{"id":1,"ok":true,"volts":{"5V":"five"}}',
    '{"hello":"another","version":1}',
    '{"id":2,"more":true,"flux":"many"}',
  ])('are refused by place: %s', line => {
    expect(() => readFromBoard(line, 12)).toThrow(/the board, line 12/)
  })
})
