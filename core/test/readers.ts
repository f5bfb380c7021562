import { gzipSync } from 'node:zlib'
import { readWaveform, writeCsv } from '../src/signals/captures'
import { readSweep } from '../src/instruments/alignment'
import { BUILT_IN } from '../src/diagnosis'
import { readKnowledge, writeKnowledge } from '../src/diagnosis/knowledge-file'
import { readRates, writeRates } from '../src/diagnosis/learning'
import { HOSTS, readProfile } from '../src/drives/hosts'
import { buildCertificate, checkCertificate } from '../src/release'
import { readBlameCsv } from '../src/proof'
import { exampleSpec, readSpec, scopeWav, SimulatedPickup, SOUND_ALIGNMENT } from '../src/simulator'
import { read } from './helpers'
import { driveFacts, entry, found } from './log'

const bytes = (content: string | Uint8Array) =>
  typeof content === 'string' ? new TextEncoder().encode(content) : content
const text = (content: Uint8Array) => new TextDecoder().decode(content)

/** A reader of files, with a file that it reads. */
export type Reader = readonly [name: string, file: Uint8Array, read: (content: Uint8Array) => unknown]

/** Every reader of files. @param seconds of the recordings that they are given */
export function readers(seconds = 4): Reader[] {
  const pickup = new SimulatedPickup({ seed: 4, rpm: 301 })
  pickup.advanceTo(seconds)
  const channels = [{ name: 'INDEX', edges: pickup.edges() }]
  const drive = driveFacts({ mechanism: '3in' })
  const certificate = buildCertificate(drive, [entry(), found('belt.goo')], 'S', '2026-01-02T00:00:00Z')
  const vcd = pickup.toVcd()
  const rates = BUILT_IN.faults.slice(0, 12).map(f => ({ fault: f.id, before: f.odds, now: f.odds, seen: 0 }))
  return [
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
    ['certificate', bytes(JSON.stringify(certificate)), c => checkCertificate(JSON.parse(text(c)))],
    ['rates of faults', bytes(writeRates(rates, BUILT_IN.faults)), c => readRates(text(c), 'a.csv', BUILT_IN.faults)],
    ['knowledge', bytes(writeKnowledge(BUILT_IN)), c => readKnowledge(text(c), 'a.json')],
  ]
}
