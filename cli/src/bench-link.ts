import { createServer } from 'node:net'
import { setTimeout as pause } from 'node:timers/promises'
import { defineCommand } from 'citty'
import { InputError, ParameterError } from '@wobrin/core/base/errors'
import { findMechanism, layoutsOf, MECHANISM_IDS, type MechanismId } from '@wobrin/core/drives'
import { BoardClient, checkBoard, type BoardReport, type LineChange } from '@wobrin/core/instruments/bench-link'
import { soundDrive, SimulatedBoard } from '@wobrin/core/simulator'
import { fileTo, recordRead, recordTest, type BoardRecording } from './bench-link-record'
import { boardWire } from './board-wire'
import { numberOption, wordOption } from './options'

/** The simulated board's time passes in steps of so much, ms. */
const TICK_MS = 10
const RUNNABLE = MECHANISM_IDS.filter(m => layoutsOf(m).length > 0)
const CAUTION =
  'The motor runs and the heads move; nothing is written. Take good disks out, keep sleeves and hair off the spindle.'

export const benchLink = defineCommand({
  meta: {
    name: 'bench-link',
    description: 'A board at the interface of a drive: simulate, check or follow one, read or test a drive through it.',
  },
  args: {
    simulate: { type: 'boolean', description: 'be a board with a simulated drive, on a TCP port of this machine' },
    check: { type: 'string', description: 'try the board at an address (HOST:PORT or a device path) by the protocol' },
    follow: { type: 'string', description: 'print the lines of the board at an address as VCD while they change' },
    read: { type: 'string', description: 'read the disk at the board at an address, and keep the recording' },
    test: {
      type: 'string',
      description: 'try the drive at the board at an address as a host would, and say what shows',
    },
    out: { type: 'string', description: 'with --read or --test: file of the recording (.vcd or .vcd.gz)' },
    cylinders: { type: 'string', description: 'with --read or --test: how many the drive has', default: '80' },
    heads: { type: 'string', description: 'with --read or --test: 1 or 2', default: '2' },
    turns: { type: 'string', description: 'with --read: revolutions of each track', default: '2' },
    mechanism: { type: 'string', description: `of the simulated drive: ${RUNNABLE.join(' ')}`, default: '3.5in' },
    port: { type: 'string', description: 'port of the simulated board (any free one by default)', default: '0' },
    motor: { type: 'boolean', description: 'with --follow: select the drive and run its motor' },
    json: { type: 'boolean', description: 'with --check or --test: print the answer as JSON' },
  },
  async run({ args }) {
    if (args.simulate) return simulate(args.mechanism, numberOption(args.port, 'port', 0) ?? 0)
    if (args.check) return check(args.check, args.json ?? false)
    if (args.follow) return follow(args.follow, args.motor ?? false)
    const size = () => ({
      out: fileTo(args.out),
      cylinders: numberOption(args.cylinders, 'cylinders', 1)!,
      heads: (wordOption(args.heads, 'heads', ['1', '2']) === '1' ? 1 : 2) as 1 | 2,
    })
    if (args.read) return recordRead({ address: args.read, ...size(), turns: numberOption(args.turns, 'turns', 1)! })
    if (args.test) return test({ address: args.test, ...size() }, args.json ?? false)
    throw new ParameterError(
      'it is not said what to do',
      '--simulate, or --check, --follow, --read or --test with an ADDRESS',
      { field: 'bench-link' },
    )
  },
})

/** Runs until it is ended: a board for whoever connects, one after the other. */
function simulate(mechanismId: string, port: number): Promise<void> {
  const mechanism = findMechanism(mechanismId).id as MechanismId
  const spec = soundDrive(mechanism)
  const server = createServer(socket => {
    const board = new SimulatedBoard(spec, line => socket.write(line))
    const begun = performance.now()
    board.greet()
    const timer = setInterval(() => board.advanceTo((performance.now() - begun) / 1000), TICK_MS)
    socket.setEncoding('utf8')
    socket.on('data', text => board.take(String(text)))
    socket.on('error', () => socket.destroy())
    socket.on('close', () => clearInterval(timer))
  })
  return new Promise((_, reject) => {
    server.once('error', error => reject(new InputError(`the port cannot be used: ${error.message}`, 'a free port')))
    server.listen(port, '127.0.0.1', () => {
      const address = server.address()
      const at = typeof address === 'object' && address ? address.port : port
      console.log(`127.0.0.1:${at}`)
      console.error(`A simulated ${findMechanism(mechanism).label} drive behind a simulated board. Ctrl+C ends it.`)
    })
  })
}

async function check(address: string, json: boolean): Promise<void> {
  if (!json) console.log(CAUTION)
  const wire = await boardWire(address)
  let report: BoardReport
  try {
    report = await checkBoard(wire, ms => pause(ms))
  } finally {
    wire.close()
  }
  if (json) console.log(JSON.stringify(report, null, 2))
  else {
    const word = (met: boolean | null) => (met === null ? 'not tried' : met ? 'yes' : 'NO')
    for (const c of report.checks) console.log(`  ${word(c.met).padEnd(9)}  ${c.demands} (${c.detail})`)
  }
  if (!report.conforms) {
    const failed = report.checks.filter(c => c.met === false).map(c => c.id)
    throw new InputError(`the board does not keep to the protocol: ${failed.join(', ')}`, 'docs/bench-link.md', {
      file: address,
    })
  }
  if (!json) console.log('The board keeps to the protocol.')
}

async function test(to: BoardRecording, json: boolean): Promise<void> {
  if (!json) console.log(CAUTION)
  const { call, shows, totals } = await recordTest(to)
  if (json) {
    console.log(JSON.stringify({ call: call.kind, reasons: call.reasons, next: call.next, shows, totals }, null, 2))
    return
  }
  for (const { key, value, unit } of shows) console.log(`  ${key}: ${value}${unit && ` ${unit}`}`)
  console.log(`  sectors: ${totals.good} of ${totals.good + totals.bad + totals.missing}`)
  console.log(call.reasons.join(' '))
  console.log(`Next: ${call.next}`)
}

/** Prints a value change dump that begins with the levels now, and goes on until the board or the reader ends it. */
async function follow(address: string, motor: boolean): Promise<void> {
  const wire = await boardWire(address)
  const codes = new Map<string, string>()
  let toldUs = 0
  const tell = (c: LineChange) => {
    if (c.t > toldUs) process.stdout.write(`#${Math.round(c.t)}\n`)
    toldUs = Math.max(toldUs, Math.round(c.t))
    process.stdout.write(`${c.low ? 0 : 1}${codes.get(c.line)}\n`)
  }
  const early: LineChange[] = []
  let ready = false
  const board = new BoardClient(wire, ms => pause(ms), {
    change: c => {
      if ('line' in c) (ready ? tell : (x: LineChange) => early.push(x))(c)
    },
  })
  process.stdout.on('error', () => wire.close())
  try {
    const hello = await board.begin()
    const { lines = {}, t = 0 } = await board.ask({ read: 'lines' })
    hello.lines.forEach((l, i) => codes.set(l, String.fromCharCode(33 + i)))
    const names = hello.lines.map(l => `$var wire 1 ${codes.get(l)} ${l} $end`)
    process.stdout.write(`$timescale 1 us $end\n${names.join('\n')}\n$enddefinitions $end\n#${Math.round(t)}\n`)
    for (const l of hello.lines) process.stdout.write(`${lines[l] ? 0 : 1}${codes.get(l)}\n`)
    toldUs = Math.round(t)
    ready = true
    for (const c of early) if (c.t > t) tell(c)
    if (motor) for (const line of ['select', 'motor'] as const) await board.ask({ set: line, low: true })
    while (!board.ended) await pause(100)
  } finally {
    wire.close()
  }
}
