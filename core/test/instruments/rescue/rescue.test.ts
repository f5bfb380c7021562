import { describe, expect, it } from 'vitest'
import {
  readAttempt,
  rescue,
  rescueImage,
  rescueJson,
  rescueTable,
  type Attempt,
  type AttemptFacts,
} from '../../../src/instruments/rescue'
import { SimulatedDisk, recordReading, soundDrive, type DriveSpec, type Groove } from '../../../src/simulator'
import { fluxOf } from '../../../src/signals/separator'
import { halfCellOf } from '../../../src/signals/codes'
import type { Capture } from '../../../src/signals/captures'
import { cellsOf, outsideTracks } from '../../signals/codes/outside-tracks'

const CYLINDERS = [0, 1, 2]
const TURNS = 4

interface Worn {
  readonly seed: number
  readonly noise?: number
  readonly grooves?: readonly Groove[]
  readonly content?: number
  readonly upperUm?: number
}

/** A worn 3.5-inch disk with nine sectors a track: the data are in {@link truth}. */
function spec({ seed, noise = 0.3, grooves = [], content = 1, upperUm = 0 }: Worn): DriveSpec {
  const sound = soundDrive('3.5in', seed, 'mfm-80x2x9')
  return {
    ...sound,
    noise,
    // The heads come over no other track than those that are asked for.
    carriage: { ...sound.carriage, startCylinder: 1 },
    heads: [sound.heads[0], { ...sound.heads[1], radialUm: upperUm }],
    disk: { ...sound.disk, content, amplitude: 0.6, grooves },
  }
}

function attempt(worn: Worn, file: string, facts: AttemptFacts = {}, cylinders = CYLINDERS): Attempt {
  const { channels, durationS } = recordReading(spec(worn), { turns: TURNS, cylinders })
  const capture: Capture = {
    fileName: file,
    format: 'vcd',
    durationS,
    channels: channels.map(c => ({ ...c, edgeCount: c.edges.times.length })),
    notices: [],
  }
  return readAttempt(capture, facts)
}

const disk = new SimulatedDisk(spec({ seed: 1 }).disk, '3.5in', spec({ seed: 1 }).pulseUm)
const truth = (cylinder: number, head: number, id: number) =>
  Buffer.from(disk.sectorsOf(cylinder, head as 0 | 1).find(s => s.sector === id)!.data).toString('hex')

const GROOVE: Groove = { head: 0, fromCylinder: 1, toCylinder: 2, fromTurn: 0.2, toTurn: 0.5, liftUm: 0.45 }

describe('recordings of one worn disk', () => {
  const worn = [1, 2, 3].map(seed => attempt({ seed, grooves: [GROOVE] }, `read-${seed}.vcd`))
  const merged = rescue(worn)

  it('wins what no single revolution of any of them read, against plain retries of as many revolutions', () => {
    const plain = merged.sectors.filter(s => s.whole > 0).length
    expect(merged.totals.bestFile).toBeLessThan(plain)
    expect(merged.totals.combined).toBeGreaterThan(0)
    expect(merged.totals.good).toBe(plain + merged.totals.combined)
    expect(merged.totals.good + merged.totals.missing).toBe(CYLINDERS.length * 2 * 9)
  })
  it('holds only what was written', () => {
    for (const s of merged.sectors.filter(s => s.data))
      expect(Buffer.from(s.data!).toString('hex'), `${s.cylinder} ${s.head} ${s.id}`).toBe(
        truth(s.cylinder, s.head, s.id),
      )
  })
  it('says of each sector where it comes from', () => {
    const json = rescueJson(merged) as {
      totals: { good: number; missing: number }
      from: { cylinder: number; head: number; id: number; file: string; combined?: string[] }[]
      next: { kind: string }
    }
    expect(json.from).toHaveLength(json.totals.good)
    const files = worn.map(a => a.file)
    for (const f of json.from) {
      expect(files).toContain(f.file)
      const s = merged.sectors.find(x => x.cylinder === f.cylinder && x.head === f.head && x.id === f.id)!
      // A recording can only be named for a sector that it read without error.
      if (!f.combined) expect(s.byAttempt[files.indexOf(f.file)]!.whole).toBeGreaterThan(0)
      else expect(f.combined.length).toBeGreaterThan(0)
    }
  })
  it('makes an image with each sector in its place, and the missing ones listed as filled', () => {
    const image = rescueImage(merged)
    expect(image.bytes).toHaveLength(merged.sectors.length * 512)
    expect(image.filled.map(f => [f.cylinder, f.head, f.id])).toEqual(
      merged.sectors.filter(s => s.how === 'missing').map(s => [s.cylinder, s.head, s.id]),
    )
    const { columns, rows } = rescueTable(merged)
    expect(rows).toHaveLength(merged.sectors.length)
    const row = rows.find(r => r[columns.indexOf('how')] === 'read')!
    const [cylinder, head, id, offset] = ['cylinder', 'head', 'id', 'offset'].map(c => Number(row[columns.indexOf(c)]))
    const bytes = image.bytes.slice(offset, offset! + 512)
    expect(Buffer.from(bytes).toString('hex')).toBe(truth(cylinder!, head!, id!))
  })
})

describe('sectors whose header nobody read', () => {
  it('have their place in the image, under the numbers that their track lacks', () => {
    const gone = { ...GROOVE, fromCylinder: 1, toCylinder: 1, fromTurn: 0.6, toTurn: 1, liftUm: 3 }
    const r = rescue([attempt({ seed: 8, noise: 0.14, grooves: [gone] }, 'gone.vcd')])
    expect(r.totals.missing).toBeGreaterThan(1)
    expect(r.sectors.filter(s => s.id < 0)).toEqual([])
    expect(rescueImage(r).bytes).toHaveLength(CYLINDERS.length * 2 * 9 * 512)
    expect(r.sectors.filter(s => s.how === 'missing').every(s => s.cylinder === 1 && s.head === 0)).toBe(true)
  })
})

describe('what recordings of one disk can hide', () => {
  it('an upper head beside its track in one drive, and a groove under the other: what one lacks the other has', () => {
    const off = attempt({ seed: 5, noise: 0.14, upperUm: 110 }, 'off.vcd', { drive: 'SK-05' })
    const lifted = attempt(
      { seed: 6, noise: 0.14, grooves: [{ ...GROOVE, fromCylinder: 0, fromTurn: 0, toTurn: 1, liftUm: 6 }] },
      'lifted.vcd',
      { drive: 'SK-08' },
    )
    const both = rescue([off, lifted])
    expect(both.totals.bestFile).toBeLessThan(both.sectors.length)
    expect(both.totals).toMatchObject({ good: 54, missing: 0, combined: 0 })
    expect(both.next[0]!.kind).toBe('done')
    expect(both.sectors.filter(s => s.head === 1).every(s => s.files[0] === 'lifted.vcd')).toBe(true)
  })
  it('a disk that was written again between: both contents pass, the more usual one is taken, and it is said', () => {
    const [a, b] = [1, 2].map(seed => attempt({ seed, noise: 0.14 }, `one-${seed}.vcd`, {}, [0]))
    const other = attempt({ seed: 3, noise: 0.14, content: 77 }, 'other.vcd', {}, [0])
    const r = rescue([a!, other, b!])
    expect(r.totals.disputed).toBe(r.sectors.length)
    for (const s of r.sectors) {
      expect(s.others).toBeGreaterThan(0)
      expect(Buffer.from(s.data!).toString('hex')).toBe(truth(s.cylinder, s.head, s.id))
    }
  })
})

describe('a recording of the read-data line alone', () => {
  const track = outsideTracks.find(t => t.name === 'MFM, size code 2')!
  const half = halfCellOf(track)
  const capture = (times: Float64Array, idle: 0 | 1 = 1): Capture => ({
    fileName: 'track.csv',
    format: 'csv',
    durationS: times.at(-1)! + 0.001,
    channels: [
      {
        name: 'ch3',
        edgeCount: times.length * 2,
        edges: {
          initial: idle,
          times: Float64Array.from(Array.from(times).flatMap(t => [t, t + half / 4])),
          gaps: [],
        },
      },
    ],
    notices: [],
  })
  it.each([1, 0] as const)('is one track, named by its own headers, its line idle at %i', idle => {
    const r = rescue([readAttempt(capture(fluxOf(cellsOf(track), half, 2), idle))])
    expect(r.sectors.map(s => [s.cylinder, s.head, s.id, Buffer.from(s.data!).toString('hex')])).toEqual(
      [...track.sectors].sort((a, b) => a.sector - b.sector).map(s => [s.cylinder, s.head, s.sector, s.data]),
    )
  })
  it('is refused in a sentence where no track is in it', () => {
    const silence = capture(Float64Array.from({ length: 500 }, (_, i) => i * 0.013))
    expect(() => readAttempt(silence)).toThrow(/track\.csv: no track was found/)
  })
})
