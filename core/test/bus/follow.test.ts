import { describe, expect, it } from 'vitest'
import { cutTracks, followHeads, guessLines, isLow, judgeBus, lowShare, type BusLines } from '../../src/bus'
import { bytesSource, readCapture, writeVcd } from '../../src/captures'
import { busRecording, type BusRecording } from '../../src/simulation'

const asBus = (r: BusRecording): BusLines => ({ 'index': r.lines.INDEX, 'track-0': r.lines.TRK0, 'step': r.lines.STEP, 'direction': r.lines.DIR, 'side': r.lines.SIDE, 'select': r.lines.DS0, 'motor': r.lines.MOTOR, 'disk-change': r.lines.DSKCHG, 'read-data': r.lines.RDATA })

describe('channels by their names', () => {
  it('usual ways to write them', () => {
    expect(guessLines(['INDEX', 'TRK00', 'WPT', 'RDATA', 'STEP', 'DIR', 'SIDE1', 'MOTOR', 'DS0', 'READY', 'DSKCHG', 'WGATE'])).toEqual({
      'index': 'INDEX', 'track-0': 'TRK00', 'write-protect': 'WPT', 'read-data': 'RDATA', 'step': 'STEP', 'direction': 'DIR', 'side': 'SIDE1', 'motor': 'MOTOR', 'select': 'DS0', 'ready': 'READY', 'disk-change': 'DSKCHG', 'write-gate': 'WGATE',
    })
    expect(guessLines(['D0', 'D1'])).toEqual({})
    expect(guessLines(['bus.Track 0', 'bus.Read Data', 'bus.Write Protect'])).toEqual({ 'track-0': 'bus.Track 0', 'read-data': 'bus.Read Data', 'write-protect': 'bus.Write Protect' })
  })
})

describe('levels', () => {
  const line = { initial: 1 as const, times: Float64Array.of(1, 2, 5, 6), gaps: [] }
  it('low between its falls and rises', () => {
    expect([0, 1, 1.5, 2, 5.5, 9].map(t => isLow(line, t))).toEqual([false, true, true, false, true, false])
    expect(lowShare(line, 0, 10)).toBeCloseTo(0.2, 12)
    expect(lowShare(line, 1.5, 5.5)).toBeCloseTo(0.25, 12)
  })
})

describe('following the heads', () => {
  const r = busRecording({ seed: 5, start: 6, cylinders: [0, 3, 2], heads: 2 })
  const lines = asBus(r)
  const path = followHeads(lines, r.durationS)

  it('homing tells where they were; the step below zero is refused', () => {
    expect(path.homed).toBe(true)
    expect(path.seeks.map(s => [s.inward, s.steps, s.from, s.to, s.refused])).toEqual([[false, 7, 6, 0, 1], [true, 3, 0, 3, 0], [false, 1, 3, 2, 0]])
    expect(path.seeks[0]!.stepMs).toBeCloseTo(3, 6)
    expect(path.strayZeros).toEqual([])
  })
  it('every track is cut where it is, and read whole', () => {
    const tracks = cutTracks(lines, path).filter(t => t.read)
    expect(tracks.map(t => [t.cylinder, t.head])).toEqual([[0, 0], [0, 1], [3, 0], [3, 1], [2, 0], [2, 1]])
    for (const t of tracks) {
      expect(t.sectors.map(s => [s.cylinder, s.head, s.sector, s.state])).toEqual(r.sectorsOf(t.cylinder!, t.head).map(s => [s.cylinder, s.head, s.sector, 'good']))
      for (const s of t.sectors) expect(s.data).toEqual(r.sectorsOf(t.cylinder!, t.head)[s.sector - 1]!.data)
    }
  })
  it('the lines are as they should be', () => {
    const { call, observations } = judgeBus(lines, path, r.durationS)
    expect(call.kind).toBe('leave')
    expect(observations.find(o => o.key === 'bus.turn')!.value).toBeCloseTo(200, 3)
    expect(observations.find(o => o.key === 'bus.refused')!.value).toBe(1)
  })
  it('is the same after a file of it was written and read again', async () => {
    const text = writeVcd(Object.entries(r.lines).map(([name, edges]) => ({ name, edges })), { tickNs: 10 })
    const capture = await readCapture(bytesSource('bus.vcd', new TextEncoder().encode(text)))
    const { linesOf } = await import('../../src/bus')
    const again = linesOf(capture)
    expect(Object.keys(again).sort()).toEqual(Object.keys(lines).sort())
    expect(cutTracks(again, followHeads(again, capture.durationS)).filter(t => t.read).flatMap(t => t.sectors.map(s => s.state))).toEqual(Array.from({ length: 54 }, () => 'good'))
  })
})

describe('what goes wrong', () => {
  it('a missed step shows: what is read names another cylinder than the count', () => {
    const r = busRecording({ seed: 5, cylinders: [4], missedStep: 3, heads: 1 })
    const lines = asBus(r)
    const [track] = cutTracks(lines, followHeads(lines, r.durationS)).filter(t => t.read)
    expect(track!.cylinder).toBe(4)
    expect(new Set(track!.sectors.map(s => s.cylinder))).toEqual(new Set([3]))
  })
  it('coming home after a missed step, track zero is low where the count says one', () => {
    const r = busRecording({ seed: 5, cylinders: [4, 1], missedStep: 3, heads: 1 })
    const lines = asBus(r)
    const path = followHeads(lines, r.durationS)
    expect(path.strayZeros).toEqual([{ atS: expect.any(Number), cylinder: 1 }])
    expect(judgeBus(lines, path, r.durationS).call).toMatchObject({ kind: 'mend', reasons: ['Track zero is low at cylinder 1, by the count of steps.'] })
  })
  it('a change line that is never cleared', () => {
    const r = busRecording({ seed: 5, cylinders: [2, 5], changeSticks: true, heads: 1 })
    const lines = asBus(r)
    expect(judgeBus(lines, followHeads(lines, r.durationS), r.durationS).call).toMatchObject({ kind: 'mend', reasons: ['Disk change stays low after steps with a disk in: it is never cleared.'] })
  })
  it('lines mean nothing while the drive is not selected; without track zero cylinders have no name', () => {
    const r = busRecording({ seed: 5, start: 3, cylinders: [2], heads: 1 })
    const { 'track-0': _, ...blind } = asBus(r)
    const path = followHeads(blind, r.durationS)
    expect(path.homed).toBe(false)
    expect(path.stays.every(s => s.cylinder === null)).toBe(true)
    const never: BusLines = { ...asBus(r), select: { initial: 1, times: new Float64Array(), gaps: [] } }
    expect(followHeads(never, r.durationS).seeks).toEqual([])
    expect(judgeBus(never, followHeads(never, r.durationS), r.durationS).call.reasons[0]).toMatch(/never selected/)
  })
  it('margins fall where the jitter grows, cylinder by cylinder', () => {
    const r = busRecording({ seed: 8, cylinders: [0, 20, 39], heads: 1, jitter: c => 0.01 + c * 0.003 })
    const lines = asBus(r)
    const margins = cutTracks(lines, followHeads(lines, r.durationS)).filter(t => t.read).map(t => t.read!.margin)
    expect(margins[0]).toBeGreaterThan(margins[1]!)
    expect(margins[1]).toBeGreaterThan(margins[2]!)
  })
  it('stops when told to', () => {
    const r = busRecording({ seed: 5, cylinders: [0, 1, 2], heads: 1 })
    const lines = asBus(r)
    expect(cutTracks(lines, followHeads(lines, r.durationS), done => done < 2)).toHaveLength(2)
  })
})
