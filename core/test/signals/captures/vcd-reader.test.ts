import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { channel, read, times } from '../../helpers'

const dump = (timescale: string, body: string, vars = '$var wire 1 ! INDEX $end') =>
  `$timescale ${timescale} $end\n$scope module top $end\n${vars}\n$upscope $end\n$enddefinitions $end\n${body}`

describe('VCD reader (IEEE 1364-2005, clause 18, from memory)', () => {
  it.each([
    ['1 s', 1],
    ['10 ms', 1e-2],
    ['1us', 1e-6],
    ['100 ns', 1e-7],
    ['1 ps', 1e-12],
    ['10 fs', 1e-14],
    ['1 fs', 1e-15],
  ])('scales %s', async (scale, seconds) => {
    const capture = await read('a.vcd', dump(scale, '#0 0!\n#7\n1!\n#20 0!\n#30'))
    expect(times(capture, 'INDEX')[0]).toBeCloseTo(7 * seconds, 20)
    expect(capture.durationS).toBeCloseTo(30 * seconds, 20)
  })

  it('takes changes on the line of their time stamp and on lines of their own, with any line end', async () => {
    const capture = await read('a.vcd', dump('1 us', '#0 1!\r\n#10 0!\r#20\r\n1!\n\n#30   0!'))
    expect(times(capture, 'INDEX')).toEqual([1e-5, 2e-5, 3e-5].map(t => expect.closeTo(t, 15)))
  })

  it('gives the same whatever the chunks', async () => {
    const text = dump(
      '1 us',
      '$dumpvars\n1!\nbx "\n$end\n#10 0! b0101 "\n#25 1! r1.5 #\n#40 0!\n',
      '$var wire 1 ! INDEX $end\n$var wire 4 " bus $end\n$var real 64 # level $end',
    )
    const whole = times(await read('a.vcd', text), 'INDEX')
    expect(whole).toHaveLength(3)
    for (const size of [1, 2, 3, 7, 64]) expect(times(await read('a.vcd', text, {}, size), 'INDEX')).toEqual(whole)
  })

  it('passes over vectors and reals with a notice, but reads one-bit vectors', async () => {
    const vars = '$var wire 1 ! INDEX $end\n$var wire 8 " bus [7:0] $end\n$var real 64 # volts $end'
    const capture = await read('a.vcd', dump('1 us', '#0 b1 ! b10000000 " r2.5 #\n#5 b0 !\n#9 b1 !\n', vars))
    expect(times(capture, 'INDEX')).toHaveLength(2)
    expect(capture.channels).toHaveLength(1)
    expect(capture.notices).toEqual(['1 signal wider than one bit passed over.', '1 real-valued signal passed over.'])
  })

  it('names channels by their scopes and shares data between aliases', async () => {
    const text =
      '$timescale 1 us $end $scope module top $end $scope module a $end $var wire 1 ! index $end $upscope $end' +
      ' $scope module b $end $var wire 1 ! index $end $var wire 1 " step $end $upscope $end $upscope $end $enddefinitions $end\n#0 0! 0"\n#3 1!\n'
    const capture = await read('a.vcd', text)
    expect(capture.channels.map(c => c.name)).toEqual(['a.index', 'b.index', 'b.step'])
    expect(times(capture, 'b.index')).toEqual(times(capture, 'a.index'))
  })

  it('turns x, z and $dumpoff to $dumpon into gaps, not edges', async () => {
    const capture = await read(
      'a.vcd',
      dump(
        '1 ms',
        '#0 0!\n#10 1!\n#20 x!\n#30 1!\n#40 0!\n#50\n$dumpoff\nx!\n$end\n#90\n$dumpon\n1!\n$end\n#95 z!\n#99\n',
      ),
    )
    const { edges } = channel(capture, 'INDEX')
    expect(Array.from(edges!.times)).toEqual([0.01, 0.04, 0.09].map(t => expect.closeTo(t, 12)))
    expect(edges!.gaps.map(g => [g.fromS, g.toS])).toEqual(
      [
        [0.02, 0.03],
        [0.05, 0.09],
        [0.095, 0.099],
      ].map(p => p.map(t => expect.closeTo(t, 12))),
    )
  })

  it('cancels two changes at one instant', async () => {
    const capture = await read('a.vcd', dump('1 us', '#0 0!\n#5 1! 0!\n#9 1!\n'))
    expect(times(capture, 'INDEX')).toEqual([expect.closeTo(9e-6, 15)])
    expect(channel(capture, 'INDEX').edgeCount).toBe(1)
  })

  it('reads gzip by its content, whatever the name', async () => {
    const packed = gzipSync(dump('1 us', '#0 0!\n#5 1!\n#9 0!\n'))
    expect(times(await read('a.vcd.gz', packed, {}, 10), 'INDEX')).toHaveLength(2)
    const misnamed = await read('a.csv', packed)
    expect(misnamed.notices[0]).toMatch(/ends in \.csv, but the content is VCD/)
  })

  it('counts but does not keep a channel with too many changes', async () => {
    const body = Array.from({ length: 200 }, (_, i) => `#${i} ${i % 2}!`).join('\n')
    const capture = await read('a.vcd', dump('1 us', body), { maxEdgesPerChannel: 50 })
    expect(channel(capture, 'INDEX')).toEqual({ name: 'INDEX', edgeCount: 199, edges: null })
  })

  it('says where a file breaks off within a value and keeps the rest', async () => {
    const capture = await read('a.vcd', dump('1 us', '#0 0!\n#5 1!\n#9 b01'))
    expect(times(capture, 'INDEX')).toHaveLength(1)
    expect(capture.notices[0]).toMatch(/breaks off within a value at byte \d+/)
  })

  it('reads codes of several characters', async () => {
    const vars = '$var wire 1 ab INDEX $end\n$var wire 1 abcdefgh STEP $end'
    const capture = await read('a.vcd', dump('1 us', '#0 0ab 0abcdefgh\n#4 1ab\n#6 1abcdefgh\n', vars))
    expect([times(capture, 'INDEX')[0], times(capture, 'STEP')[0]]).toEqual([
      expect.closeTo(4e-6, 12),
      expect.closeTo(6e-6, 12),
    ])
  })
})

describe('values of analogue channels between the changes, a line each', () => {
  it('are left out and counted, and the changes are all there', async () => {
    const text = ['$timescale 1 us $end', '$var wire 1 ! D0 $end', '$enddefinitions $end']
    const body = ['#0', '0!', 'A1: 0.0 mV DC', '#10', '1!', 'A1: 3.09 V DC', 'A2: -1 V', '#20', '0!']
    const capture = await read('mixed.vcd', [...text, ...body, ''].join('\n'), undefined, 3)
    expect(times(capture, 'D0')).toEqual([10e-6, 20e-6])
    expect(capture.notices.join()).toContain('3 lines')
  })
})
