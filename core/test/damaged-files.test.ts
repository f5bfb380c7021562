import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readWaveform, writeCsv } from '../src/signals/captures'
import { readSweep } from '../src/instruments/alignment'
import { InputError } from '../src/base/errors'
import { HOSTS, readProfile } from '../src/drives/hosts'
import { buildCertificate, checkCertificate } from '../src/release'
import { readBlameCsv } from '../src/proof'
import { exampleSpec, readSpec, scopeWav, SimulatedPickup, SOUND_ALIGNMENT } from '../src/simulator'
import { read } from './helpers'
import { driveFacts, entry, found } from './log'

const pickup = new SimulatedPickup({ seed: 4, rpm: 301 })
pickup.advanceTo(4)
const channels = [{ name: 'INDEX', edges: pickup.edges() }]
const bytes = (content: string | Uint8Array) =>
  typeof content === 'string' ? new TextEncoder().encode(content) : content
const text = (content: Uint8Array) => new TextDecoder().decode(content)
const drive = driveFacts({ mechanism: '3in' })
const certificate = JSON.stringify(buildCertificate(drive, [entry(), found('belt.goo')], 'S', '2026-01-02T00:00:00Z'))
const vcd = pickup.toVcd()

/** Every reader of files, each with a file that it reads. */
const READERS: readonly (readonly [name: string, file: Uint8Array, read: (content: Uint8Array) => unknown])[] = [
  ['VCD', bytes(vcd), c => read('a.vcd', c)],
  ['VCD, packed', gzipSync(vcd), c => read('a.vcd.gz', c)],
  ['CSV', bytes(writeCsv(channels)), c => read('a.csv', c)],
  ['WAV', scopeWav(SOUND_ALIGNMENT), c => read('a.wav', c.subarray(0, 20_000))],
  ['scope recording', scopeWav(SOUND_ALIGNMENT).slice(0, 20_000), c => readWaveform(c, 'a.wav')],
  [
    'sweep',
    bytes('position,side,lower_good,lower_expected\n-2,below,0,9\n-1,below,9,9\n0,below,9,9\n'),
    c => readSweep(text(c)),
  ],
  [
    'bench of disks',
    bytes('disk,writer,drive,head,zone,good,sectors\nA,R,R,0,outer,9,9\nA,R,S,1,inner,3,9\n'),
    c => readBlameCsv(text(c), 'a.csv'),
  ],
  ['profile', bytes(JSON.stringify(HOSTS[0])), c => readProfile(text(c))],
  ['simulated drive', bytes(JSON.stringify(exampleSpec())), c => readSpec(JSON.parse(text(c)))],
  ['certificate', bytes(certificate), c => checkCertificate(JSON.parse(text(c)))],
]

/** What may go wrong on a disk or a wire: bytes turned over, cut off, doubled, put elsewhere. */
const damage = (file: Uint8Array) =>
  fc.oneof(
    fc.tuple(fc.nat(file.length - 1), fc.nat(255)).map(([at, to]) => file.with(at, to)),
    fc.nat(file.length).map(at => file.slice(0, at)),
    fc
      .tuple(fc.nat(file.length - 1), fc.nat(40))
      .map(([at, n]) => Uint8Array.from([...file.slice(0, at + n), ...file.slice(at)])),
    fc
      .tuple(fc.nat(file.length - 1), fc.uint8Array({ maxLength: 12 }))
      .map(([at, more]) => Uint8Array.from([...file.slice(0, at), ...more, ...file.slice(at)])),
  )

describe('a damaged file is read, or refused in one sentence', () => {
  it.each(READERS)('%s', async (_, file, run) => {
    await run(file)
    await fc.assert(
      fc.asyncProperty(damage(file), async content => {
        try {
          await run(content)
        } catch (error) {
          // JSON that is none is the caller's to say.
          if (error instanceof SyntaxError) return
          expect(error, String((error as Error).stack)).toBeInstanceOf(InputError)
          expect((error as Error).message.split('\n')).toHaveLength(1)
        }
      }),
      { numRuns: 120 },
    )
  })

  it('any JSON at all is judged as a certificate without a fault', () => {
    fc.assert(
      fc.property(fc.jsonValue(), json => {
        expect(checkCertificate(json).state).toBe('no certificate')
      }),
      { numRuns: 200 },
    )
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom('version', 'hash', 'drive', 'logHead', 'state'), fc.jsonValue()),
        json => {
          expect(['changed', 'newer']).toContain(
            checkCertificate({ format: 'wobrin-certificate', ...json }, () => [entry()]).state,
          )
        },
      ),
      { numRuns: 200 },
    )
  })
})
