import { describe, expect, it } from 'vitest'
import { writeCsv, writeVcd } from '../../../src/signals/captures'
import { channel, read, times } from '../../helpers'

const near = (...ts: number[]) => ts.map(t => expect.closeTo(t, 10))

describe('CSV reader', () => {
  it('reads an edge list with a heading that states the unit', async () => {
    const capture = await read('a.csv', 'Time [ms],INDEX,STEP\n0,1,0\n5,0,0\n7,1,0\n205,0,1\n')
    expect(times(capture, 'INDEX')).toEqual(near(0.005, 0.007, 0.205))
    expect(times(capture, 'STEP')).toEqual(near(0.205))
  })

  it.each([
    ['us', 1e-6],
    ['ns', 1e-9],
    ['s', 1],
    ['µs', 1e-6],
  ])('reads times in %s', async (unit, seconds) => {
    const capture = await read('a.csv', `Time (${unit}),D0\n0,1\n10,0\n20,1\n`)
    expect(times(capture, 'D0')[1]).toBeCloseTo(20 * seconds, 14)
  })

  it('reads semicolons with decimal commas, quotes, comments and mixed line ends', async () => {
    const capture = await read(
      'a.csv',
      '# made by hand\r\n"Time";"INDEX"\r0,001;1\n\r\n0,005;0\r\n; a remark\n0,2051;1\n',
      {},
      5,
    )
    expect(times(capture, 'INDEX')).toEqual(near(0.004, 0.2041))
    expect(capture.notices).toContain('The time column states no unit; seconds were assumed.')
  })

  it('reads sampled levels by the announced or the given sample rate', async () => {
    const rows = ['1', '0', '0', '1', '1'].join('\n')
    const announced = await read('a.csv', `; Channels (1/8): INDEX\n; Samplerate: 10 kHz\nlogic\n${rows}\n`)
    expect(times(announced, 'INDEX')).toEqual(near(1e-4, 3e-4))
    const given = await read('a.csv', `INDEX\n${rows}\n`, { sampleRateHz: 1000 })
    expect(times(given, 'INDEX')).toEqual(near(0.001, 0.003))
    await expect(read('a.csv', `INDEX\n${rows}\n`)).rejects.toThrow(
      'a.csv, line 2: there is no time column and no sample rate; expected',
    )
  })

  it('reads evenly timed rows with or without a heading', async () => {
    const capture = await read('a.csv', '0,1\n0.001,1\n0.002,0\n0.003,1\n')
    expect(times(capture, 'column 2')).toEqual(near(0.002, 0.003))
  })

  it('takes a lone column of times as pulses', async () => {
    const capture = await read('a.csv', '0.1\n0.3\n0.5\n0.7\n')
    expect(times(capture, 'pulses').filter((_, i) => i % 2 === 0)).toEqual(near(0, 0.2, 0.4, 0.6))
  })

  it('finds pulses in voltages, whichever way they point', async () => {
    const rows = Array.from(
      { length: 4000 },
      (_, i) =>
        `${(i / 1000).toFixed(4)};${(4.9 - (i % 200 < 5 ? 4.6 : 0) + 0.03 * Math.sin(i)).toFixed(3).replace('.', ',')}`,
    )
    const capture = await read('scope.csv', `Time (s);Voltage\n${rows.join('\n')}\n`)
    const { edges } = channel(capture, 'Voltage')
    const starts = Array.from(edges!.times).filter((_, i) => i % 2 === 0)
    expect(starts.length).toBeGreaterThanOrEqual(19)
    expect(starts[5]! - starts[4]!).toBeCloseTo(0.2, 3)
    expect(capture.notices.join()).toMatch(/point down/)
  })

  it('takes a chunk with a million rows', async () => {
    const text = `; Samplerate: 1 MHz\nINDEX\n${'1\n'.repeat(500_000)}${'0\n'.repeat(500_000)}`
    const capture = await read('short.csv', text, {}, 4_000_000)
    expect(times(capture, 'INDEX')).toEqual(near(0.5))
  })

  it('leaves a level unchanged where a cell is empty', async () => {
    const capture = await read('a.csv', 'time_s,INDEX,STEP\n0,1,0\n0.1,,1\n0.2,0,\n')
    expect(times(capture, 'INDEX')).toEqual(near(0.2))
  })

  it('keeps everything before a last line that breaks off', async () => {
    const capture = await read('a.csv', 'Time (s),A,B\n0,1,0\n0.1,0,0\n0.2,1')
    expect(times(capture, 'A')).toEqual(near(0.1))
    expect(capture.notices.join()).toMatch(/breaks off within line 4/)
  })
})

describe('writers', () => {
  const index = {
    name: 'INDEX',
    edges: { initial: 1 as const, times: Float64Array.from([0.01, 0.0123456, 0.2, 0.2023]), gaps: [] },
  }
  const motor = { name: 'MOTOR ON', edges: { initial: 0 as const, times: Float64Array.from([0.01, 0.3]), gaps: [] } }

  it('writes a VCD that reads back to the tick', async () => {
    const back = await read(
      'w.vcd',
      writeVcd([index, motor], { tickNs: 100, comment: 'a $end of test', durationS: 0.5 }),
    )
    expect(times(back, 'INDEX')).toEqual(near(...index.edges.times))
    expect(channel(back, 'INDEX').edges!.initial).toBe(1)
    expect(times(back, 'MOTOR_ON')).toEqual(near(0.01, 0.3))
    expect(back.durationS).toBeCloseTo(0.5, 9)
    expect(() => writeVcd([index], { tickNs: 3 })).toThrow('a power of ten')
  })

  it('writes a CSV (RFC 4180) that reads back', async () => {
    const text = writeCsv([index, motor])
    expect(text.split('\r\n')[0]).toBe('Time (s),INDEX,MOTOR ON')
    const back = await read('w.csv', text)
    expect(times(back, 'INDEX')).toEqual(near(...index.edges.times))
    expect(times(back, 'MOTOR ON')).toEqual(near(0.01, 0.3))
  })
})
