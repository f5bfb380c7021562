import { execFileSync, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { rmSync } from 'node:fs'
import { makeCsv, makeVolts, makeWav, pack } from './make-recordings'
import { makeVcd } from './make-vcd'

const RUNS = 3
const MB = 100
const GB = 1000
/** Of a ring on the flywheel: 300 pulses a second. */
const BARS = 60

interface Read {
  readonly megabytes: number
  readonly scan: number
  readonly read: number
  readonly before: number
  readonly peak: number
}

const one = (path: string): Read =>
  JSON.parse(
    execFileSync(process.execPath, ['--import', 'tsx', 'scripts/bench/read-one.ts', path], { encoding: 'utf8' }),
  )

/** Seconds of a whole command; null where it is not there. */
function command(program: string, args: readonly string[]): number | null {
  const begun = performance.now()
  const done = spawnSync(program, args, { stdio: 'ignore' })
  return done.status === 0 ? (performance.now() - begun) / 1000 : null
}

/** Every reader beside a bare scan of the same bytes in the same process, and a whole command beside `vcd2fst`. */
export async function reading(folder: string): Promise<void> {
  const at = (name: string) => join(folder, name)
  const files: readonly (readonly [name: string, wanted: number, make: () => Promise<void>])[] = [
    ['bus.vcd', 2.5, () => makeVcd(at('bus.vcd'), MB)],
    ['bus.vcd.gz', 2.5, () => pack(at('bus.vcd'), at('bus.vcd.gz'))],
    ['changes.csv', 4, () => makeCsv(at('changes.csv'), MB)],
    ['volts.csv', 4, () => makeVolts(at('volts.csv'), MB)],
    ['pickup.wav', 1.5, () => makeWav(at('pickup.wav'), MB)],
    ['bars.wav', 1.5, () => makeWav(at('bars.wav'), MB, BARS)],
    ['large.vcd', 2.5, () => makeVcd(at('large.vcd'), GB)],
  ]
  console.log(`Readers beside a bare scan of the same bytes, ${RUNS} runs each (a run: least of three turns of both):`)
  for (const [name, wanted, make] of files) {
    await make()
    const runs = Array.from({ length: RUNS }, () => one(at(name)))
    const of = (figure: (r: Read) => string) => runs.map(figure).join(', ')
    console.log(
      `  ${name}, ${runs[0]!.megabytes.toFixed(0)} MB: ${of(r => (r.read / r.scan).toFixed(2))} x the scan ` +
        `(at most ${wanted}); ${of(r => (r.megabytes / r.read).toFixed(0))} MB/s; highest memory ` +
        `${of(r => r.peak.toFixed(0))} MB (${of(r => r.before.toFixed(0))} before)`,
    )
  }
  commands(at)
  rmSync(at('large.vcd'))
}

function commands(at: (name: string) => string): void {
  for (let i = 0; i < RUNS; i++) {
    const theirs = command('vcd2fst', [at('bus.vcd'), at('out.fst')])
    const ours = command(process.execPath, [
      'cli/bin/wobrin.mjs',
      'speed',
      at('bus.vcd'),
      '--channel',
      'INDEX',
      '--mechanism',
      '3.5in',
    ])
    if (theirs === null) return console.log('  baseline vcd2fst: not installed')
    console.log(
      `  whole commands, ${MB} MB: wobrin speed ${ours?.toFixed(2)} s, vcd2fst ${theirs.toFixed(2)} s: ` +
        `${(theirs / ours!).toFixed(1)} times faster (at least 10)`,
    )
  }
}
