import type { WriteTestResult } from '@wobrin/core/log'

const whole = { good: 1200, sectors: 1200 }

/** What the host of the invented workshop said of writing a disk of 80 cylinders, 15 sectors a track, both heads. */
export const PROOF_WRITTEN: WriteTestResult = {
  blocked: true,
  allowed: true,
  format: [whole, whole],
  tracks: 160,
  formatS: 74,
  first: { good: 30, sectors: 30 },
  last: { good: 30, sectors: 30 },
  pattern: [whole, whole],
  overwrite: [whole, whole],
  homeAfter: true,
}

/** Homings from ten cylinders, on a dial gauge, mm. */
const HOMINGS = [0.002, -0.003, 0.001, 0, 0.004, -0.002, 0.001, -0.001, 0.003, 0]

/** Sums: home, each wire moved while it read, and a soak of an evening. */
export const PROOF_CALCULATORS: readonly (readonly [instrument: string, values: Readonly<Record<string, string>>])[] = [
  ['home', { pitch: '0.264583', ...Object.fromEntries(HOMINGS.map((at, i) => [`homing.${i}.at`, String(at)])) }],
  ['wiggle', { rest: '0', restTime: '60', each: '20', wire1: '0', wire2: '0', wire3: '0', wire4: '0' }],
  ['soak', { planned: '4 h', ran: '4 h', stops: '0', starts: '12', failedStarts: '0', sectors: '48000', errors: '0' }],
]
