import { defineCommand } from 'citty'
import { InputError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import { findMechanism, MECHANISM_IDS } from '@wobrin/core/drives'
import { liveSpeed, speedReport, type LiveSpeed } from '@wobrin/core/instruments/spindle'
import { LiveReader, type Capture } from '@wobrin/core/signals/captures'
import { numberOption, wordOption } from './options'

/** A line is printed so often at most, and once a second at least while data come. */
const EVERY_MS = 250
/** So much of the past is judged. */
const WINDOW_S = 120
const NAME = 'standard input'

export const live = defineCommand({
  meta: {
    name: 'live',
    description: 'Judge the spindle speed of a stream while it comes (VCD or CSV, standard input).',
  },
  args: {
    mechanism: { type: 'string', description: MECHANISM_IDS.join(' '), required: true },
    line: { type: 'string', description: 'channel with the pulses (guessed by default)' },
    'pulses-per-turn': { type: 'string', description: 'pulses in one revolution (found by default)' },
    nominal: { type: 'string', description: 'which nominal speed was selected, r/min' },
    'sample-rate': { type: 'string', description: 'samples a second of a CSV without times' },
    'time-unit': { type: 'string', description: 'unit of a CSV’s times, where its heading does not say: s ms us ns' },
    json: { type: 'boolean', description: 'print a line of JSON at least once a second' },
  },
  async run({ args }) {
    const mechanism = findMechanism(args.mechanism)
    const options = { pulsesPerTurn: numberOption(args['pulses-per-turn'], 'pulses-per-turn', 1) }
    const context = {
      mechanism: mechanism.id,
      nominalRpm: numberOption(args.nominal, 'nominal', 1),
      school: 'leave-alone' as const,
    }
    const reader = new LiveReader(NAME, {
      sampleRateHz: numberOption(args['sample-rate'], 'sample-rate', 1),
      timeUnit: wordOption(args['time-unit'], 'time-unit', ['s', 'ms', 'us', 'ns']),
    })
    const say = args.json ? sayJson : sayWords
    let last: LiveSpeed | null = null
    let printed = 0
    const judged = (now: Capture | null) => (now && liveSpeed(now, args.line, options, context)) ?? last
    let problem: InputError | null = null
    try {
      for await (const chunk of process.stdin) {
        reader.push(chunk as Buffer)
        if (Date.now() - printed < EVERY_MS) continue
        last = judged(reader.snapshot(WINDOW_S))
        if (last) {
          say(last, false)
          printed = Date.now()
        }
      }
      last = judged(reader.finish())
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      problem = error
      last = unlessRefused(() => judged(reader.snapshot(WINDOW_S))) ?? last
    }
    if (last) say(last, true)
    if (problem) throw problem
    if (!last) throw new InputError('it ended without two pulses on a channel', 'pulses of the spindle', { file: NAME })
  },
})

/** What something comes to; null where the input is such that it cannot be told. */
function unlessRefused<T>(work: () => T): T | null {
  try {
    return work()
  } catch (error) {
    if (error instanceof InputError) return null
    throw error
  }
}

function sayJson({ channel, timeS, nowRpm, judged: { measurement, verdict } }: LiveSpeed, ended: boolean): void {
  const { rpm, revolutions, call, reasons, next } = speedReport(measurement, verdict)
  const line = { turns: revolutions, rpm, call, now: nowRpm, seconds: timeS, channel, reasons, next }
  console.log(JSON.stringify(ended ? { ...line, ended: true } : line))
}

function sayWords({ timeS, nowRpm, judged: { measurement, verdict } }: LiveSpeed, ended: boolean): void {
  const now = nowRpm === null ? '—' : nowRpm.toFixed(2)
  const mean = measurement ? `${measurement.rpm.mean.toFixed(2)} r/min over ${measurement.revolutions} revolutions` : ''
  console.log(`${timeS.toFixed(1).padStart(7)} s  now ${now.padStart(7)}  ${mean}  ${CALLS[verdict.kind].label}`)
  if (ended) console.log(`${verdict.reasons.join(' ')}\nNext: ${verdict.next}`)
}
