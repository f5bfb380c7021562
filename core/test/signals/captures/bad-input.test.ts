import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bytesSource, readCapture, type Capture } from '../../../src/signals/captures'
import { AbortedError, InputError } from '../../../src/base/errors'
import { SimulatedPickup } from '../../../src/simulator'
import { speedFromCapture } from '../../../src/instruments/spindle'
import { read } from '../../helpers'

const header = '$timescale 1 us $end $var wire 1 ! INDEX $end $enddefinitions $end\n'

describe('bad input gets one sentence with name, place and expectation', () => {
  it.each<[string, string, string | Uint8Array, RegExp]>([
    ['empty', 'a.vcd', '', /^a\.vcd, byte 0: the file is empty; expected a VCD, CSV or WAV recording\.$/],
    [
      'a photo',
      'drive.vcd',
      Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 16]),
      /^drive\.vcd, byte 0: this looks like a JPEG picture; expected/,
    ],
    ['binary', 'a.csv', Uint8Array.from([65, 66, 0, 1, 2]), /^a\.csv, byte 2: this is a binary file/],
    ['cut in the header', 'a.vcd', '$timescale 1 us $end\n$var wire', /^a\.vcd, byte 30: it ends within its header/],
    ['no time scale', 'a.vcd', '$var wire 1 ! A $end $enddefinitions $end\n#0 1!\n', /no time scale/],
    [
      'a strange time scale',
      'a.vcd',
      '$timescale 3 us $end $enddefinitions $end\n',
      /\$timescale: the time scale reads "3 us"/,
    ],
    [
      'time backwards in VCD',
      'a.vcd',
      `${header}#5 1!\n#4 0!\n`,
      /^a\.vcd, line 3, byte \d+: time runs backwards from #5 to #4; expected/,
    ],
    ['a stray word in VCD', 'a.vcd', `${header}#5 1!\nhello\n`, /line 3.*a line starts with "h"/],
    ['letters in a time stamp', 'a.vcd', `${header}#5a\n`, /a time stamp holds "a"/],
    [
      'time backwards in CSV',
      'a.csv',
      'Time (s),A\n0,1\n2,0\n1,1\n',
      /^a\.csv, line 4: time runs backwards from 2 s to 1 s/,
    ],
    ['words for times', 'a.csv', 'Time (s),A\n0,1\nsoon,0\n', /^a\.csv, line 3: "soon" is not a time/],
    [
      'a word for a level',
      'a.csv',
      'Time (s),A\n0,1\n'.padEnd(300, '1,0\n1,1\n') + '\n3,maybe\n',
      /line \d+: "maybe" in column "A"/,
    ],
    ['a heading and nothing else', 'a.csv', 'Time (s),A\n', /no rows of data/],
    ['prose', 'notes.txt', 'Dear all,\nplease find the drive enclosed.\n', /notes\.txt, line \d/],
    [
      'a million-character line',
      'a.csv',
      `Time (s),A\n0,1\n${'9'.repeat(1_000_000)}`,
      /^a\.csv, line 3, byte \d+: a line is longer than 65536 characters/,
    ],
    [
      'damaged gzip',
      'a.vcd.gz',
      gzipSync(header + '#1 1!\n').fill(7, 12, 30),
      /the gzip data is (?:damaged|cut short)/,
    ],
    [
      'gzip cut short',
      'a.vcd.gz',
      gzipSync(header + '#1 1!\n'.repeat(500)).subarray(0, 60),
      /the gzip data is cut short; expected a whole gzip file/,
    ],
    ['a WAV without sound', 'a.wav', 'RIFF\x04\0\0\0WAVE', /it ends before any sound/],
    ['a web page', 'a.vcd', '<!doctype html><p>hi', /web page/],
  ])('%s', async (_, name, content, message) => {
    const error = await read(name, content).then(
      () => null,
      (e: Error) => e,
    )
    expect(error).toBeInstanceOf(InputError)
    expect(error!.message).toMatch(message)
    expect(error!.message.split('\n')).toHaveLength(1)
  })

  it('refuses a gzip bomb long before it fills memory', async () => {
    const bomb = gzipSync(Buffer.concat([Buffer.from(header), Buffer.alloc(150 * 1024 * 1024, '\n')]))
    await expect(read('bomb.vcd.gz', bomb)).rejects.toThrow(
      /bomb\.vcd\.gz, byte \d+: it unpacks to over 200 times its size/,
    )
  })

  it('holds what it unpacks against the check and the length behind it: RFC 1952, 2.3.1, written by zlib', async () => {
    const plain = header + '#1 1!\n#2 0!\n#3 1!\n'
    const [one, two] = [gzipSync(plain), gzipSync('#9 1!\n')]
    // Several members one behind the other are one file: RFC 1952, 2.2.
    for (const sound of [one, Buffer.concat([one, two])])
      for (const chunk of [1, 7, 500]) expect((await read('a.vcd.gz', sound, {}, chunk)).channels).toHaveLength(1)
    for (const [at, packed] of [
      [one.length - 8, one],
      [one.length - 1, one],
      [one.length - 5, Buffer.concat([one, two])],
    ] as const) {
      const changed = Buffer.from(packed)
      changed[at]! ^= 1
      await expect(read('a.vcd.gz', changed)).rejects.toThrow(
        `a.vcd.gz, byte ${one.length - 8}: what is packed in it does not agree with its check; expected an undamaged gzip file.`,
      )
    }
    await expect(read('a.vcd.gz', one.subarray(0, -3))).rejects.toThrow(/does not agree with its check|cut short/)
  })

  it('reads scopes however deep they stand, and refuses names that would carry all of them', async () => {
    const deep = (inside: string) =>
      '$timescale 1 ns $end ' +
      '$scope module m $end '.repeat(100_000) +
      inside +
      '$upscope $end '.repeat(100_000) +
      '$enddefinitions $end\n#0 0!\n#1 1!\n#2 0!\n'
    const one = await read('a.vcd', deep('$var wire 1 ! INDEX $end '))
    expect(one.channels.map(c => c.name)).toEqual(['INDEX'])
    const two = deep('$var wire 1 ! INDEX $end ').replace('$scope', '$var wire 1 " OTHER $end $scope')
    await expect(read('a.vcd', two)).rejects.toThrow(
      'a.vcd, $scope: its scopes stand one inside another too often; expected at most 256 deep.',
    )
  })

  it('keeps the limit on bytes', async () => {
    await expect(read('a.vcd', header + '#1\n'.repeat(9999), { maxBytes: 2000 }, 500)).rejects.toThrow(
      /larger than can be read/,
    )
  })

  it('has a sentence for channels without edges, and for names that are not there', async () => {
    const context = { mechanism: '3.5in', school: 'leave-alone' } as const
    const flat = await read('a.vcd', `${header}#0 1!\n#900\n`)
    expect(() => speedFromCapture(flat, {}, context)).toThrow(
      'a.vcd: no channel changes its level; expected at least two pulses on one of the channels.',
    )
    expect(() => speedFromCapture(flat, { channel: 'STEP' }, context)).toThrow(
      'a.vcd, channel: there is no channel "STEP"; expected one of INDEX.',
    )
  })

  it('stops when told, and reports progress until then', async () => {
    const source = bytesSource('a.vcd', header + '#1\n'.repeat(50_000), 1000)
    const signal = { aborted: false }
    const seen: number[] = []
    const reading = readCapture(source, {
      signal,
      onProgress: (done, total) => {
        seen.push(done / total!)
        if (seen.length === 10) signal.aborted = true
      },
    })
    await expect(reading).rejects.toBeInstanceOf(AbortedError)
    expect(seen).toHaveLength(10)
    expect(seen).toEqual([...seen].sort((a, b) => a - b))
  })
})

/** Whatever comes in: a capture whose edges increase, or an InputError; never anything else. */
async function sound(name: string, bytes: Uint8Array): Promise<void> {
  let capture: Capture
  try {
    capture = await read(name, bytes, { sampleRateHz: undefined }, 777)
  } catch (error) {
    expect(error).toBeInstanceOf(InputError)
    expect((error as Error).message).not.toContain('\n')
    return
  }
  for (const { edges } of capture.channels) {
    if (!edges) continue
    for (let i = 1; i < edges.times.length; i++) expect(edges.times[i]).toBeGreaterThan(edges.times[i - 1]!)
  }
  expect(Number.isFinite(capture.durationS)).toBe(true)
}

describe('damaged files', () => {
  const pickup = new SimulatedPickup({ seed: 3, rpm: 300 })
  pickup.advanceTo(3)
  const vcd = Buffer.from(pickup.toVcd())
  const csv = Buffer.from(
    'Time (ms),INDEX,STEP\n' +
      Array.from({ length: 60 }, (_, i) => `${i * 50},${i % 2},${(i >> 1) % 2}`).join('\n') +
      '\n',
  )
  const wav = Buffer.alloc(44 + 4000)
  wav.write('RIFF\x00\x00\x00\x00WAVEfmt ', 'latin1')
  wav.set([16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1f, 0, 0, 0x80, 0x3e, 0, 0, 2, 0, 16, 0], 16)
  wav.write('data', 36)
  wav.writeUInt32LE(4000, 40)
  const originals: Record<string, Buffer> = { 'a.vcd': vcd, 'a.csv': csv, 'a.wav': wav, 'a.vcd.gz': gzipSync(vcd) }

  it.each(Object.keys(originals))(
    '%s with bytes changed, cut out or put in: a capture or one sentence, never a crash',
    async name => {
      const original = originals[name]!
      await fc.assert(
        fc.asyncProperty(
          fc.array(
            fc.record({
              at: fc.nat(original.length - 1),
              remove: fc.nat(40),
              insert: fc.uint8Array({ maxLength: 12 }),
            }),
            { minLength: 1, maxLength: 4 },
          ),
          async cuts => {
            let bytes = original
            for (const c of cuts)
              bytes = Buffer.concat([bytes.subarray(0, c.at), c.insert, bytes.subarray(c.at + c.remove)])
            await sound(name, bytes)
          },
        ),
        { numRuns: 150, seed: 20261124 },
      )
    },
  )

  it('arbitrary bytes and arbitrary text', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 300 }), bytes => sound('x.bin', bytes)),
      { numRuns: 200, seed: 1 },
    )
    await fc.assert(
      fc.asyncProperty(fc.string({ maxLength: 300 }), text => sound('x.csv', Buffer.from(text))),
      { numRuns: 300, seed: 2 },
    )
  })
})
