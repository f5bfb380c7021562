import { describe, expect, it } from 'vitest'
import { benchTestByLines } from '../../../src/bench/bench-test'
import { hostTestByBoard, type HandsAsked } from '../../../src/instruments/bench-link'
import { reportBus } from '../../../src/instruments/interface'
import { soundDrive, type DriveSpec } from '../../../src/simulator'
import { recordBoard } from './record'

const SOUND = soundDrive('3.5in', 7, 'mfm-80x2x9')

/** The whole test of a drive, with hands that do what they are asked to, or do not help. */
async function tested(spec: DriveSpec, helps = true) {
  const said: string[] = []
  const { capture } = await recordBoard(
    async (board, pause, hands) => {
      const ask = async (what: HandsAsked) => {
        if (helps) hands.disk(what === 'take the disk out' ? 'out' : 'in')
        return helps
      }
      for await (const s of hostTestByBoard(board, pause, { cylinders: 80, heads: 2, ask })) said.push(s.says)
    },
    { spec },
  )
  const report = reportBus(capture)
  return { said, report, shows: Object.fromEntries(report.shows.map(s => [s.key, s.value])) }
}

describe('the test of a host through a board', () => {
  it('shows of a sound drive what a sound drive does', async () => {
    const { said, report, shows } = await tested(SOUND)
    expect(said).toHaveLength(10)
    expect(shows).toMatchObject({
      'see.select': 'yes',
      'line.index': 'right',
      'line.track-0': 'right',
      'see.motor-off': 'stops',
      'see.change': 'new',
      'change.without-disk': 'stays',
      'change.with-disk': 'goes',
    })
    expect(shows['speed.mean']).toBeCloseTo(300, 0)
    expect(report.tracks.map(t => [t.cylinder, t.head])).toEqual(
      [0, 40, 79].flatMap(c => [
        [c, 0],
        [c, 1],
      ]),
    )
    expect(report.totals).toMatchObject({ good: 54, bad: 0, missing: 0 })
    expect(report.call.kind).toBe('leave')
    // The same as points of a bench test: every one that the lines tell is right.
    const drive = { mechanism: '3.5in', features: null, nominalRpm: null, motor: null } as const
    const points = benchTestByLines(drive, report.shows).points.filter(p => p.seen)
    expect(points.map(p => [p.point.check, p.state])).toEqual(
      [
        'see.select',
        'see.spin',
        'see.motor-off',
        'speed.mean',
        'see.ready',
        'see.home',
        'see.index',
        'change.without-disk',
        'change.with-disk',
        'see.change',
      ].map(check => [check, 'right']),
    )
    expect(points.find(p => p.point.check === 'speed.mean')!.seen).toMatch(/^(299|300)\.\d+ r\/min$/)
  }, 60_000)

  it('leaves out what needs hands where none help', async () => {
    const { shows } = await tested(SOUND, false)
    expect(shows['see.change']).toBeUndefined()
    expect(shows['change.with-disk']).toBeUndefined()
    expect(shows['see.motor-off']).toBe('stops')
  }, 60_000)

  it.each<[string, Partial<DriveSpec>, Record<string, string | undefined>]>([
    [
      'a dead index sensor',
      { sensors: { ...SOUND.sensors, index: 'dead' } },
      { 'line.index': 'still', 'see.select': 'yes', 'see.motor-off': undefined },
    ],
    [
      'a track-zero sensor that never trips',
      { sensors: { ...SOUND.sensors, trackZero: 'clear' } },
      { 'see.home': 'never', 'line.track-0': undefined, 'line.index': 'right' },
    ],
    [
      'a disk-in switch that sees a disk all the time',
      { sensors: { ...SOUND.sensors, diskIn: 'always in' } },
      { 'see.change': 'last', 'change.without-disk': 'never' },
    ],
    ['an index that is driven without select', { ungated: ['index'] }, { 'see.select': undefined }],
  ])(
    'shows %s, and goes on',
    async (_, part, expected) => {
      const { shows } = await tested({ ...SOUND, ...part })
      for (const [key, value] of Object.entries(expected)) expect({ key, value: shows[key] }).toEqual({ key, value })
    },
    60_000,
  )
})
