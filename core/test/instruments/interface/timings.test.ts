import { describe, expect, it } from 'vitest'
import {
  busSpeed,
  busTimings,
  doubtsOf,
  followHeads,
  judgeBus,
  samplePeriod,
  type BusLines,
} from '../../../src/instruments/interface'
import type { EdgeList } from '../../../src/signals/captures'

const edges = (times: readonly number[]): EdgeList => ({ initial: 1, times: Float64Array.from(times), gaps: [] })
const pulses = (starts: readonly number[], width: number): EdgeList => edges(starts.flatMap(t => [t, t + width]))
const none: EdgeList = edges([])

describe('index and motor', () => {
  const turning = Array.from({ length: 20 }, (_, i) => 1 + i * 0.2)
  it('speed and width of the index pulse', () => {
    const speed = busSpeed({ index: pulses(turning, 0.0035) })!
    expect(speed.rpm).toBeCloseTo(300, 6)
    expect(speed.indexWidthMs).toBeCloseTo(3.5, 6)
    expect(busSpeed({ index: pulses([1, 1.2], 0.003) })).toBeNull()
    expect(busSpeed({})).toBeNull()
  })
  it('motor start: from MOTOR to the end of the first turn within 1 %', () => {
    const starting = [1.4, 1.75, 2.0, 2.21, 2.411, 2.611, 2.811, 3.011, 3.211, 3.411, 3.611]
    const lines: BusLines = { index: pulses(starting, 0.003), motor: edges([1]) }
    expect(busTimings(lines, followHeads(lines, 4)).motorStartMs).toBeCloseTo(1411, 0)
    expect(busTimings({ index: pulses(turning, 0.003) }, followHeads({}, 5)).motorStartMs).toBeNull()
  })
  it('a motor that runs on after it was told to stop', () => {
    const on = Array.from({ length: 100 }, (_, i) => 0.1 + i * 0.2)
    expect(judgeBus({ index: pulses(on, 0.003), motor: edges([0.01, 2]) }, followHeads({}, 21), 21).call).toMatchObject(
      { kind: 'mend', reasons: [expect.stringContaining('runs on ten seconds after')] },
    )
    const stops = on.filter(t => t < 2.5)
    expect(judgeBus({ index: pulses(stops, 0.003), motor: edges([0.01, 2]) }, followHeads({}, 21), 21).call.kind).toBe(
      'leave',
    )
  })
  it('what the lines show is told as readings: speed, index, motor', () => {
    const on = Array.from({ length: 100 }, (_, i) => 0.1 + i * 0.2)
    const shown = (index: readonly number[], motor = edges([0.01, 2])) =>
      new Map(
        judgeBus({ index: pulses(index, 0.003), motor }, followHeads({}, 21), 21).shows.map(s => [s.key, s.value]),
      )
    expect(shown(on).get('see.motor-off')).toBe('runs on')
    const stopped = shown(on.filter(t => t < 2.5))
    expect(stopped.get('see.motor-off')).toBe('stops')
    expect(stopped.get('speed.mean')).toBeCloseTo(300, 1)
    expect(stopped.get('line.index')).toBe('right')
    const silent = shown([], { ...edges([]), initial: 0 })
    expect(silent.get('line.index')).toBe('still')
    expect(silent.has('speed.mean')).toBe(false)
    expect(judgeBus({ step: edges([1, 2]) }, followHeads({}, 4), 4).shows).toEqual([])
  })
  it('lost index pulses do not count as slow turns', () => {
    expect(
      busSpeed({
        index: pulses(
          turning.filter((_, i) => i % 6 !== 5),
          0.003,
        ),
      })!.rpm,
    ).toBeCloseTo(300, 6)
  })
})

describe('select', () => {
  it('a status line that is low without select is named; one that is gated is not', () => {
    const lines = (open: boolean): BusLines => ({
      select: edges([1, 2]),
      'track-0': open ? edges([0.5, 3]) : edges([1, 2]),
    })
    expect(judgeBus(lines(true), followHeads({}, 4), 4).call).toMatchObject({
      kind: 'mend',
      reasons: ['Track zero is driven though the drive is not selected.'],
    })
    expect(judgeBus(lines(false), followHeads({}, 4), 4).call.kind).toBe('leave')
  })
})

describe('what a recorder did', () => {
  it('its sampling is found from the times of changes', () => {
    for (const period of [1e-8, 4.16e-8, 1.25e-7, 1e-6]) {
      const steps = Array.from({ length: 400 }, (_, i) => 17 + ((i * i * 7919) % 97))
      let t = 0
      const e = edges(steps.map(s => (t += s * period)))
      expect(samplePeriod(e) / period).toBeCloseTo(1, 2)
    }
    expect(samplePeriod(none)).toBeNaN()
  })
  it('says what is not there', () => {
    expect(doubtsOf({ select: none }, { durationS: 5, channels: [] }).map(d => d.kind)).toEqual([
      'no read data',
      'never selected',
      'no index',
    ])
  })
})
