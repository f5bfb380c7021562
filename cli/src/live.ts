import { defineCommand } from 'citty'
import { InputError, ParameterError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import { findMechanism, MECHANISM_IDS } from '@wobrin/core/drives'
import { liveSpeed, speedContextOf, speedReport, type LiveSpeed } from '@wobrin/core/instruments/spindle'
import { LiveReader, type Capture } from '@wobrin/core/signals/captures'
import { LiveSender, type Sent } from './live-sender'
import { numberOption, RAW_WORDS, rawOption, wordOption } from './options'
import { RunningServer, serverAddress } from './running-server'
import { terminalKeys } from './terminal-keys'

/** A line is printed so often at most, and once a second at least while data come. */
const PRINT_MS = 250
/** Pages are told so often at most: nobody sees more. */
const SEND_MS = 50
/** A server is asked so often whether a page wants the recording kept, also while nothing comes. */
const ASK_MS = 500
/** So much of the past is judged. */
const WINDOW_S = 120
const NAME = 'standard input'

export const live = defineCommand({
  meta: {
    name: 'live',
    description: 'Judge the spindle speed of a stream while it comes (VCD, CSV, WAV or bare samples, standard input).',
  },
  args: {
    mechanism: { type: 'string', description: `${MECHANISM_IDS.join(' ')}; that of --drive otherwise` },
    drive: { type: 'string', description: 'tag of a drive: shown on its page as it comes; K puts it on its log' },
    line: { type: 'string', description: 'channel with the pulses (guessed by default)' },
    'pulses-per-turn': { type: 'string', description: 'pulses in one revolution (found by default)' },
    nominal: { type: 'string', description: 'which nominal speed was selected, r/min' },
    'sample-rate': { type: 'string', description: 'samples a second of a CSV without times, or of bare samples' },
    raw: { type: 'string', description: `the bytes are bare samples, low byte first: ${RAW_WORDS}` },
    channels: { type: 'string', description: 'channels of bare samples (one by default)' },
    'time-unit': { type: 'string', description: 'unit of a CSV’s times, where its heading does not say: s ms us ns' },
    simulated: { type: 'boolean', description: 'say on the drive’s page and log that the signal is simulated' },
    server: {
      type: 'string',
      description: 'address of the server with the drive; the one on the data folder otherwise',
    },
    data: { type: 'string', description: 'folder of the workshop’s data (WOBRIN_DATA, else data)' },
    json: { type: 'boolean', description: 'print a line of JSON at least once a second' },
  },
  async run({ args }) {
    if (!args.mechanism && !args.drive)
      throw new ParameterError('neither a drive type nor a drive was named', '--mechanism ID or --drive TAG', {
        field: 'mechanism',
      })
    const server = args.drive ? new RunningServer(serverAddress(args.server, args.data)) : null
    const drive = server && (await server.drive(args.drive!))
    const mechanism = findMechanism(args.mechanism ?? drive!.mechanism)
    const nominal = numberOption(args.nominal, 'nominal', 1)
    const known = drive ? speedContextOf(drive, 'leave-alone') : ({ school: 'leave-alone' } as const)
    const context = { ...known, mechanism: mechanism.id, ...(nominal === undefined ? {} : { nominalRpm: nominal }) }
    const options = { pulsesPerTurn: numberOption(args['pulses-per-turn'], 'pulses-per-turn', 1) }
    const sampleRateHz = numberOption(args['sample-rate'], 'sample-rate', 1)
    const reader = new LiveReader(NAME, {
      sampleRateHz,
      raw: rawOption(args.raw, sampleRateHz, args.channels),
      timeUnit: wordOption(args['time-unit'], 'time-unit', ['s', 'ms', 'us', 'ns']),
    })
    const sender = server && new LiveSender(server, drive!.id, s => console.error(`wobrin: ${s}`), args.simulated)
    const judge = (capture: Capture | null): Sent | null => {
      const now = capture && liveSpeed(capture, args.line, options, context)
      return now ? { now, capture } : null
    }
    await follow(reader, judge, sender, args.json ? sayJson : sayWords)
  },
})

/** Follows standard input to its end. @throws InputError where it broke, or nothing could be judged */
async function follow(
  reader: LiveReader,
  judge: (capture: Capture | null) => Sent | null,
  sender: LiveSender | null,
  say: (now: LiveSpeed, ended: boolean) => void,
): Promise<void> {
  let last: Sent | null = null
  let printed = 0
  let problem: InputError | null = null
  const keys = terminalKeys({ k: () => (last && sender ? void sender.keep(last).catch(complain) : undefined) })
  const gapMs = sender ? SEND_MS : PRINT_MS
  const asking = setInterval(() => last && sender?.send(last), ASK_MS)
  let looked = 0
  let later: ReturnType<typeof setTimeout> | undefined
  const look = () => {
    looked = Date.now()
    last = judge(reader.snapshot(WINDOW_S)) ?? last
    if (!last) return
    sender?.send(last)
    if (looked - printed < PRINT_MS) return
    say(last.now, false)
    printed = looked
  }
  try {
    for await (const chunk of process.stdin) {
      reader.push(chunk as Buffer)
      clearTimeout(later)
      if (Date.now() - looked >= gapMs) look()
      // A pause may follow: what came is shown all the same. What is wrong with it is said with the next piece.
      else later = setTimeout(() => unlessRefused(look), gapMs)
    }
    last = judge(reader.finish()) ?? last
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    problem = error
    last = unlessRefused(() => judge(reader.snapshot(WINDOW_S))) ?? last
  } finally {
    clearTimeout(later)
    clearInterval(asking)
    keys.end()
  }
  await sender?.end(last, problem?.message ?? null)
  if (last) say(last.now, true)
  if (problem) throw problem
  if (!last) throw new InputError('it ended without two pulses on a channel', 'pulses of the spindle', { file: NAME })
}

const complain = (error: unknown) => console.error(`wobrin: ${(error as Error).message}`)

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
