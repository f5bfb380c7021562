import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { sensedEntry, type SensedEntryInput } from '../../../src/bench/entries'
import { sense, type SensedAsk } from '../../../src/instruments/sensed'
import { lastSpeed, type LogEntry } from '../../../src/log'
import { trimmerHistory } from '../../../src/instruments/spindle'
import { driveFacts } from '../../log'
import { noise } from '../../noise'
import { sampled, wavOf } from '../../instruments/rhythm/by-ear'

const film = readFileSync(join(import.meta.dirname, '../../fixtures/films/mark-60.csv'))
const FILM: SensedAsk = { of: 'film', passes: 'mark', mechanism: '5.25in-48' }
const input = (part: Partial<SensedEntryInput> = {}): SensedEntryInput => ({
  id: 'e1',
  at: '2026-03-01T10:00:00Z',
  remark: '',
  recording: { sha: 'a'.repeat(64), name: 'film.csv' },
  by: 'Camera',
  movedTurns: 0,
  simulated: false,
  ...part,
})
/** Clicks that ring for two milliseconds, over a little noise. */
function clicks(seconds: number, at: readonly number[]): Uint8Array {
  const random = noise(3)
  const rate = 12_000
  const wave = sampled({ rpm: 300, seconds, sampleRateHz: rate }, () => 0.004 * random())
  for (const t of at)
    for (let k = 0; k < 0.01 * rate; k++)
      wave[Math.round(t * rate) + k]! += 0.3 * Math.exp(-k / (0.0015 * rate)) * Math.cos(k)
  return wavOf(wave, rate)
}

describe('what was heard or filmed, on a log', () => {
  it('is a reading of the speed as any other, with its recording, its uncertainty and a call', () => {
    const drive = driveFacts({ mechanism: '5.25in-48' })
    const made = sensedEntry(input({ movedTurns: -0.125 }), drive, sense(film, 'film.csv', FILM))
    expect(made).toMatchObject({
      evidence: { source: 'recording', by: 'Camera', recording: 'a'.repeat(64) },
      data: { type: 'reading', key: 'speed.mean', unit: 'r/min', movedTurns: -0.125 },
      call: { kind: 'leave' },
      station: 'speed',
    })
    const log = [{ ...made, seq: 1 } as LogEntry]
    expect(lastSpeed(log)!.rpm).toBeCloseTo(301.7, 1)
    expect(lastSpeed(log)!.uncertainty!).toBeLessThan(0.3)
    // The trimmer is learned from it as from a recording.
    expect(trimmerHistory(log)).toMatchObject([{ movedTurns: -0.125 }])
  })
  it('is of a simulated drive where the drive is', () => {
    const drive = driveFacts({ mechanism: '5.25in-48', simulated: true })
    expect(sensedEntry(input(), drive, sense(film, 'film.csv', FILM)).evidence!.source).toBe('simulated')
  })
  it('counts the steps of the longest seek, and names what does not agree', () => {
    const row = (from: number, n: number) => Array.from({ length: n }, (_, i) => from + 0.008 * i)
    const heard = sense(clicks(2, [...row(0.3, 12), ...row(1.2, 12)]), 'seeks.wav', { of: 'steps', steps: 12 })
    expect(sensedEntry(input({ by: 'Sound' }), driveFacts({ mechanism: '3.5in' }), heard)).toMatchObject({
      data: { key: 'sound.steps', value: 12 },
      call: { kind: 'leave' },
      evidence: { by: 'Sound' },
    })
  })
  it('of a cartridge drive that clicks is a stop, and evidence for its complaint', () => {
    const every = Array.from({ length: 8 }, (_, i) => 0.4 + 0.9 * i)
    const heard = sense(clicks(8, every), 'click.wav', { of: 'steps', mechanism: 'cartridge' })
    expect(sensedEntry(input({ by: 'Sound' }), driveFacts({ mechanism: 'cartridge' }), heard)).toMatchObject({
      data: { key: 'complaint.noise-click', value: 'seen' },
      call: { kind: 'stop' },
    })
  })
  it('that tells nothing is refused with what to do', () => {
    const drive = driveFacts({ mechanism: '3.5in' })
    const quiet = sense(clicks(8, []), 'quiet.wav', { of: 'sound', for: 'rub', mechanism: '3.5in' })
    expect(() => sensedEntry(input({ by: 'Sound' }), drive, quiet)).toThrow(
      /No sound comes once a revolution.*microphone/,
    )
    const none = sense(clicks(2, []), 'quiet.wav', { of: 'steps', steps: 4 })
    expect(() => sensedEntry(input({ by: 'Sound' }), drive, none)).toThrow('No click')
  })
})
