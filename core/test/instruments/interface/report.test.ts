import { describe, expect, it } from 'vitest'
import { bytesSource, readCapture, cutStretch, vcdChunks } from '../../../src/signals/captures'
import {
  imageOf,
  judgeWiggle,
  mapLines,
  reportBus,
  reportJson,
  settlingOf,
  turnedOver,
  type BusReport,
} from '../../../src/instruments/interface'
import { edgesFromFlux, fluxFromEdges, fluxOf } from '../../../src/signals/separator'
import { DRIVE_STORIES, recordReading, type DriveSpec, type RecordOptions } from '../../../src/simulator'
import { asCapture, record } from './helpers'

const some: RecordOptions = { cylinders: [0, 1, 2, 5, 20, 39], turns: 1 }
const reportOf = (change?: (d: DriveSpec) => Partial<DriveSpec>, options: RecordOptions = some): BusReport =>
  reportBus(asCapture(record(change, options)), { context: { trustedDisk: true } })

describe('what a recording of a sound drive says', () => {
  const report = reportOf(undefined, { ...some, changeDisk: true, flipTab: true })
  it('leave it, with the speed, the steps and the switching of track zero', () => {
    expect(report.call.kind).toBe('leave')
    expect(report.totals).toEqual({ good: 108, bad: 0, missing: 0, foreign: 0 })
    expect(report.speed!.rpm).toBeCloseTo(300, 0)
    // The hole of the simulated disk passes in 2 % of a turn of 200 ms.
    expect(report.speed!.indexWidthMs).toBeCloseTo(4, 1)
    expect(report.timings.stepMs!.fastest).toBeCloseTo(6.02, 3)
    expect(report.timings.motorStartMs).toBeGreaterThan(300)
    expect(report.timings.motorStartMs).toBeLessThan(1500)
    expect(report.timings.zeroOnApproach!.cylinder).toBe(0)
    expect(report.timings.zeroOnDeparture!.cylinder).toBe(1)
    expect(report.observations.find(o => o.key === 'bus.write-protect')!.value).toBe('both states seen')
    expect(report.doubts).toEqual([])
  })
  it('as JSON it has what the command line promises', () => {
    const json = JSON.parse(JSON.stringify(reportJson(report)))
    expect(json).toMatchObject({
      call: 'leave',
      totals: { good: 108, bad: 0, missing: 0 },
      speed: { rpm: expect.any(Number) },
      timings: { stepMs: expect.anything() },
    })
    expect(json.tracks[0]).toMatchObject({ cylinder: 0, head: 0, code: 'mfm', marginPercent: expect.any(Number) })
    expect(json.tracks[0].sectors[0]).toMatchObject({
      id: 1,
      bytes: 512,
      state: 'good',
      marginPercent: expect.any(Number),
    })
  })
  it('the head is still swinging after a step: no sector of the new cylinder comes at once', () => {
    expect(report.timings.settling!.atMostMs).toBeGreaterThan(1)
    expect(settlingOf({}, report.path, [])).toBeNull()
  })
})

describe('the stories that a drive can tell', () => {
  const whole: RecordOptions = { turns: 1, changeDisk: true, flipTab: true }
  const told = (id: string) =>
    reportBus(asCapture(recordReading(DRIVE_STORIES.find(s => s.id === id)!.of('5.25in-48', 3), whole)), {
      context: { trustedDisk: true },
    }).call
  it.each([
    ['sound', 'leave', /All 720 sectors read without error/],
    ['upper-off', 'nudge', /upper head picks up headers of the next cylinder towards the hub; the lower head is sound/],
    ['dirty', 'unknown', /lower head loses its margin towards the hub/],
    ['groove', 'unknown', /fails only on cylinders 12 to 14/],
    ['fast-writer', 'nudge', /bits come 5.2 % slow/],
    ['gummed', 'mend', /steps are lost/],
    ['early-zero', 'nudge', /trips one cylinder early/],
    ['no-change', 'mend', /change line never latches/],
    ['ungated', 'mend', /Index is driven though the drive is not selected/],
    ['no-index', 'unknown', /No index pulse came/],
  ] as const)('%s: %s', (id, kind, says) => {
    const call = told(id)
    expect(call.kind).toBe(kind)
    expect(call.reasons.join(' ')).toMatch(says)
  })
})

describe('what a recording shows of the drive, as readings for the engine', () => {
  const shown = (id: string, change: Partial<RecordOptions> = {}) =>
    new Map(
      reportBus(
        asCapture(
          recordReading(DRIVE_STORIES.find(s => s.id === id)!.of('5.25in-48', 3), {
            turns: 1,
            changeDisk: true,
            flipTab: true,
            ...change,
          }),
        ),
      ).shows.map(s => [s.key, s.value]),
    )
  it('a sound drive: speed, index, track zero, write protect and the change latch', () => {
    const sound = shown('sound')
    expect(sound.get('speed.mean')).toBeCloseTo(300, 0)
    expect(sound.get('line.index')).toBe('right')
    expect(sound.get('line.track-0')).toBe('right')
    expect(sound.get('line.write-protect')).toBe('right')
    expect(sound.get('see.change')).toBe('new')
  })
  it('a change that is not noticed; nothing of a disk that was not changed', () => {
    expect(shown('no-change').get('see.change')).toBe('last')
    expect(shown('sound', { changeDisk: false, flipTab: false }).has('see.change')).toBe(false)
  })
})

describe('recordings that are not as they should be', () => {
  const r = record(undefined, some)
  const capture = asCapture(r)
  const without = (...names: string[]) => ({
    ...capture,
    channels: capture.channels.filter(c => !names.includes(c.name)),
  })
  it('no index: said, and the tracks are read all the same', () => {
    const report = reportBus(without('INDEX'))
    expect(report.doubts.map(d => d.kind)).toEqual(['no index'])
    expect(report.speed).toBeNull()
    expect(report.totals.good).toBe(108)
  })
  it('no side line: the headers tell the heads apart', () => {
    const report = reportBus(without('SIDE'))
    expect(report.doubts.map(d => d.kind)).toEqual(['no side'])
    expect(report.tracks.map(t => t.head)).toContain(1)
    // A sector that lies across the change of heads is whole on neither.
    expect(report.totals.good).toBeGreaterThan(95)
  })
  it('levels the other way round: recognised, offered, and read once turned over', () => {
    const inverted = { ...capture, channels: capture.channels.map(c => ({ ...c, edges: turnedOver(c.edges!) })) }
    const report = reportBus(inverted)
    expect(report.doubts[0]).toMatchObject({ kind: 'inverted', next: expect.stringContaining('--inverted') })
    expect(report.call.kind).toBe('unknown')
    expect(reportBus(inverted, { inverted: true }).totals).toEqual(reportBus(capture).totals)
  })
  it('swapped names: recognised, with what they should be', () => {
    const swapped = asCapture(r, n => (n === 'STEP' ? 'SIDE' : n === 'SIDE' ? 'STEP' : n))
    expect(reportBus(swapped).doubts.find(d => d.kind === 'swapped')).toMatchObject({
      instead: { step: 'side', side: 'step' },
    })
    const other = asCapture(r, n => (n === 'INDEX' ? 'READ_DATA' : n === 'READ_DATA' ? 'INDEX' : n))
    expect(reportBus(other).doubts.find(d => d.kind === 'swapped')!.says).toContain('look swapped')
  })
  it('sampled too seldom: said, with the rate that is needed', () => {
    const long = edgesFromFlux(fluxFromEdges(capture.channels.find(c => c.name === 'READ_DATA')!.edges!), 1.2e-6)
    const coarse = {
      ...capture,
      channels: capture.channels.map(c =>
        c.name === 'READ_DATA'
          ? { ...c, edges: { ...long, times: long.times.map(t => Math.round(t * 2e6) / 2e6) } }
          : c,
      ),
    }
    const doubt = reportBus(coarse).doubts.find(d => d.kind === 'undersampled')!
    expect(doubt.says).toContain('sampled every 500 ns')
    expect(doubt.next).toMatch(/[45] million samples a second or more/)
  })
  it('two drives selected at once', () => {
    const second = { name: 'DS1', edges: capture.channels.find(c => c.name === 'SELECT')!.edges, edgeCount: 2 }
    const report = reportBus({ ...capture, channels: [...capture.channels, second] })
    expect(report.doubts.map(d => d.kind)).toContain('two selected')
    expect(report.call.reasons[0]).toContain('DS1')
  })
  it('begins in the middle of a seek', () => {
    const step = capture.channels.find(c => c.name === 'STEP')!.edges!
    const from = step.times[4]! - 0.001
    const cut = cutStretch(r.channels, from, r.durationS)
    expect(reportBus(asCapture({ channels: cut, durationS: r.durationS - from })).doubts.map(d => d.kind)).toContain(
      'begins mid-seek',
    )
  })
  it('a code that is not known: not known yet, with the spacings of its pulses', () => {
    const odd = fluxOf(
      Uint8Array.from({ length: 60_000 }, (_, i) => (i % 7 === 0 || i % 7 === 5 ? 1 : 0)),
      1.3e-6,
    )
    const read = edgesFromFlux(odd)
    const strange = {
      ...capture,
      durationS: 0.5,
      channels: [{ name: 'READ_DATA', edges: { ...read, times: read.times.filter(t => t < 0.45) }, edgeCount: 1000 }],
    }
    const report = reportBus(strange)
    expect(report.call).toMatchObject({ kind: 'unknown' })
    expect(report.call.reasons.join(' ')).toContain('in no code that is known')
    expect(report.unknown!.peaksUs.map(p => Math.round(p * 10) / 10)).toEqual([
      expect.closeTo(2.6, 0),
      expect.closeTo(6.5, 0),
    ])
  })
  it('a file that is cut in the middle: every track that is whole is kept', async () => {
    const text = [...vcdChunks(r.channels, { tickNs: 10, durationS: r.durationS })].join('')
    const half = await readCapture(
      bytesSource('cut.vcd', new TextEncoder().encode(text.slice(0, Math.floor(text.length * 0.6)))),
    )
    const report = reportBus(half)
    expect(report.totals.good).toBeGreaterThan(40)
    expect(report.totals.bad).toBe(0)
  })
  it('a mapping that names no line or no channel is refused in a sentence', () => {
    expect(() => mapLines(capture, { index: 'D9' })).toThrow(/there is no channel “D9”/)
    expect(() => mapLines({ fileName: 'x', channels: [{ name: 'D0', edges: null, edgeCount: 0 }] })).toThrow(
      /no channel is known as a line by its name; expected a mapping such as index=D0/,
    )
    expect(mapLines(capture, { side: '' }).side).toBeUndefined()
  })
})

describe('images of a read disk', () => {
  it('hold the sectors as written; what failed is filled and listed', () => {
    const r = record(
      d => ({
        disk: {
          ...d.disk,
          grooves: [{ head: 0 as const, fromCylinder: 1, toCylinder: 1, fromTurn: 0.3, toTurn: 0.5, liftUm: 20 }],
        },
        carriage: { ...d.carriage, startCylinder: 0 },
      }),
      { cylinders: [0, 1, 2], turns: 2 },
    )
    const report = reportBus(asCapture(r))
    const image = imageOf(report.tracks)
    expect(image.bytes).toHaveLength(3 * 2 * 9 * 512)
    expect(image.filled.length).toBeGreaterThan(0)
    expect(image.filled.every(f => f.cylinder === 1 && f.head === 0)).toBe(true)
    for (const m of image.map) {
      const bytes = image.bytes.subarray(m.offset, m.offset + m.bytes)
      const written = r.drive.media!.sectorsOf(m.cylinder, m.head as 0 | 1).find(s => s.sector === m.id)!.data
      if (m.read) expect(bytes).toEqual(written)
      else expect(new Set(bytes)).toEqual(new Set([0xa5]))
    }
  })
})

describe('the wiggle test against time', () => {
  const errors = [1.2, 6.1, 6.3, 6.4, 6.8, 7.2, 7.7, 12.4]
  it('names the wire whose moving makes errors', () => {
    const { call, wires, rest } = judgeWiggle(
      errors,
      [
        { wire: 'index', fromS: 3, toS: 5 },
        { wire: 'read data', fromS: 6, toS: 8 },
        { wire: 'step', fromS: 9, toS: 11 },
      ],
      20,
    )
    expect(call.kind).toBe('mend')
    expect(call.reasons[0]).toContain('read data')
    expect(wires.map(w => w.errors)).toEqual([0, 6, 0])
    expect(rest).toEqual({ errors: 2, seconds: 14 })
  })
  it('says what is missing: no wire, no rest; and where nothing stands out, so', () => {
    expect(judgeWiggle([], [], 10).call.reasons[0]).toBe('No wire was moved yet.')
    expect(judgeWiggle([], [{ wire: 'step', fromS: 0, toS: 5 }], 5).call.reasons[0]).toContain('no time at rest')
    expect(judgeWiggle([], [{ wire: 'step', fromS: 5, toS: 8 }], 10).call.kind).toBe('leave')
  })
})
