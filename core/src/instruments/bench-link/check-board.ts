import { InputError } from '../../base/errors'
import type { LineName } from '../interface'
import { BoardClient, type BoardWire, type Pause, type Request } from './board-client'
import type { ButtonChange, DrivenLine, Hello, LineChange } from './messages'

/** One demand of the protocol, and whether a board meets it. */
export interface BoardCheck {
  readonly id: string
  readonly demands: string
  /** Null where this board, or what is plugged into it, gives no occasion to see. */
  readonly met: boolean | null
  readonly detail: string
}

export interface BoardReport {
  readonly hello: Hello | null
  /** Whether every demand that could be tried is met. */
  readonly conforms: boolean
  readonly checks: readonly BoardCheck[]
}

/** WRITE GATE is never driven by a check: a disk may be in. */
const TRIED: readonly DrivenLine[] = ['select', 'side', 'direction', 'motor']
const MOST_STEPS = 90
const STEP_MS = 8
const SPIN_UP_MS = 2500
/** A spindle turns in so much, µs: from 600 to 150 r/min. */
const TURN_US = [90_000, 420_000] as const
/** Two times of one pulse differ by no more than this, µs. */
const SAME_US = 100

type Seen = [met: boolean | null, detail: string]

/**
 * Tries a board against the protocol: what it says of itself, its answers, its times, its lines. The motor runs and the
 * heads move meanwhile; nothing is written.
 */
export async function checkBoard(wire: BoardWire, pause: Pause): Promise<BoardReport> {
  const changes: (LineChange | ButtonChange)[] = []
  const nonsense: string[] = []
  const checks: BoardCheck[] = []
  const board = new BoardClient(wire, pause, {
    change: c => changes.push(c),
    nonsense: p => nonsense.push(p.message),
  })
  const tries = new BoardTries(board, wire, pause, changes)
  const note = async (id: string, demands: string, run: () => Promise<Seen> | Seen) => {
    try {
      const [met, detail] = await run()
      checks.push({ id, demands, met, detail })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      checks.push({ id, demands, met: false, detail: error.message })
    }
  }
  await note('hello', 'It says what it is within three seconds.', async () => [true, (await board.begin()).board])
  if (board.hello) {
    await note('lines', 'It tells the levels of all lines that it sees.', () => tries.lines())
    await note('unknown', 'It answers what it cannot do with an error, and goes on.', () => tries.unknown())
    await note('nonsense', 'It leaves out what is not JSON, and goes on.', () => tries.nonsense())
    await note('together', 'It answers requests that come together, each once.', () => tries.together())
    await note('volts', 'It tells every voltage that it named.', () => tries.volts())
    await note('set', 'A line that it drives is as it was set.', () => tries.setAll())
    await note('step', 'Steps move the heads: outward to track zero, inward off it.', () => tries.step())
    await note('index', 'It tells each index pulse, with its time.', () => tries.index())
    await note('flux', 'Flux of one revolution lasts one revolution.', () => tries.flux())
    await note('began', 'It tells when a reading of flux began, on the clock of its lines.', () => tries.began())
    await tries.rest()
    await note('times', 'Times never go back.', () => tries.times())
    await note('words', 'Everything that it says is of the protocol.', () => [
      nonsense.length === 0,
      nonsense[0] ?? `${changes.length} changes`,
    ])
  }
  return { hello: board.hello, conforms: checks.every(c => c.met !== false), checks }
}

class BoardTries {
  constructor(
    private readonly board: BoardClient,
    private readonly wire: BoardWire,
    private readonly pause: Pause,
    private readonly changes: readonly (LineChange | ButtonChange)[],
  ) {}

  private get hello(): Hello {
    return this.board.hello!
  }
  private drives(line: DrivenLine | 'step'): boolean {
    return this.hello.drives.includes(line)
  }
  private async set(line: DrivenLine, low: boolean): Promise<void> {
    if (this.drives(line)) await this.board.ask({ set: line, low })
  }
  private async level(line: LineName): Promise<boolean | undefined> {
    return (await this.board.ask({ read: 'lines' })).lines?.[line]
  }
  private seen(line: LineName, from: number): LineChange[] {
    return this.changes.slice(from).filter((c): c is LineChange => 'line' in c && c.line === line)
  }

  async lines(): Promise<Seen> {
    const { lines = {} } = await this.board.ask({ read: 'lines' })
    const lacking = this.hello.lines.filter(l => !(l in lines))
    return [
      lacking.length === 0,
      lacking.length ? `not told: ${lacking.join(', ')}` : `${this.hello.lines.length} lines`,
    ]
  }

  async unknown(): Promise<Seen> {
    const answered = await this.board.ask({ read: 'the future' } as unknown as Request).then(
      () => 'it said ok',
      (error: InputError) => error.message,
    )
    await this.board.ask({ read: 'lines' })
    return [answered.includes('refused'), answered]
  }

  async nonsense(): Promise<Seen> {
    this.wire.write('this is not JSON\n{"id":\n[]\n')
    await this.board.ask({ read: 'lines' })
    return [true, 'it goes on']
  }

  async together(): Promise<Seen> {
    const all = await Promise.all(Array.from({ length: 8 }, () => this.board.ask({ read: 'lines' })))
    const ids = new Set(all.map(a => a.id))
    return [ids.size === all.length, `${ids.size} of ${all.length}`]
  }

  async volts(): Promise<Seen> {
    if (this.hello.volts.length === 0) return [null, 'it measures none']
    const { volts = {} } = await this.board.ask({ read: 'volts' })
    const lacking = this.hello.volts.filter(v => !(v in volts))
    const told = Object.entries(volts).map(([name, v]) => `${name} ${v.toFixed(2)} V`)
    return [lacking.length === 0, lacking.length ? `not told: ${lacking.join(', ')}` : told.join(', ')]
  }

  private async setsAndReads(line: DrivenLine): Promise<string | null> {
    for (const low of [true, false]) {
      await this.set(line, low)
      const level = await this.level(line)
      if (level !== undefined && level !== low) return `${line} stays ${low ? 'high' : 'low'}`
    }
    return null
  }

  async setAll(): Promise<Seen> {
    const tried = TRIED.filter(l => this.drives(l))
    if (tried.length === 0) return [null, 'it drives none']
    for (const line of tried) {
      const wrong = await this.setsAndReads(line)
      if (wrong) return [false, wrong]
    }
    return [true, tried.join(', ')]
  }

  async step(): Promise<Seen> {
    if (!this.drives('step') || !this.hello.lines.includes('track-0'))
      return [null, 'it cannot step, or sees no track zero']
    await this.set('select', true)
    let out = 0
    while (!(await this.level('track-0'))) {
      if (++out > MOST_STEPS) return [null, 'track zero never came: is a drive plugged in and powered?']
      await this.move('outward')
    }
    for (let i = 0; i < 4; i++) await this.move('inward')
    if (await this.level('track-0')) return [false, 'track zero stays low four cylinders inward']
    for (let i = 0; i < 4; i++) await this.move('outward')
    return [(await this.level('track-0')) === true, `${out} steps to track zero, four inward and back`]
  }
  private async move(way: 'inward' | 'outward'): Promise<void> {
    await this.board.ask({ step: way })
    await this.pause(STEP_MS)
  }

  async index(): Promise<Seen> {
    if (!this.hello.lines.includes('index')) return [null, 'it sees no index']
    await this.set('select', true)
    await this.set('motor', true)
    await this.pause(SPIN_UP_MS)
    const from = this.changes.length
    await this.pause(SPIN_UP_MS)
    const falls = this.seen('index', from).filter(c => c.low)
    const rises = this.seen('index', from).filter(c => !c.low)
    if (falls.length < 3) return [null, 'no index came: is a disk in?']
    const turns = falls.slice(1).map((c, i) => c.t - falls[i]!.t)
    const odd = turns.find(t => t < TURN_US[0] || t > TURN_US[1])
    if (odd !== undefined) return [false, `${(odd / 1000).toFixed(1)} ms from one pulse to the next`]
    if (Math.abs(rises.length - falls.length) > 1) return [false, `${falls.length} beginnings, ${rises.length} ends`]
    const mean = turns.reduce((a, b) => a + b) / turns.length
    return [true, `${falls.length} pulses, ${(60e6 / mean).toFixed(2)} r/min`]
  }

  async flux(): Promise<Seen> {
    if (!this.hello.flux) return [null, 'it reads no flux']
    const { flux = [], index = [] } = await this.board.ask({ read: 'flux', turns: 1 }, 5000)
    if (flux.length < 1000) return [null, `${flux.length} transitions: is a disk in?`]
    if (index.length < 2) return [false, `${index.length} index pulses, expected two around a revolution`]
    if (index.some((t, i) => i > 0 && t <= index[i - 1]!)) return [false, 'index times go back']
    const lasts = flux.reduce((a, b) => a + b, 0) / 1000
    const turn = (index[1]! - index[0]!) / 1000
    return [
      lasts >= turn * 0.98 && turn >= TURN_US[0] && turn <= TURN_US[1],
      `${flux.length} transitions in ${(lasts / 1000).toFixed(1)} ms, a revolution of ${(turn / 1000).toFixed(1)} ms`,
    ]
  }

  /** Index pulses of a reading are those that the line tells, where the reading began when it says. */
  async began(): Promise<Seen> {
    if (!this.hello.flux || !this.hello.lines.includes('index')) return [null, 'it reads no flux, or sees no index']
    const from = this.changes.length
    const { t, index = [] } = await this.board.ask({ read: 'flux', turns: 1 }, 5000)
    if (index.length < 2) return [null, 'no index came: is a disk in?']
    if (t === undefined) return [false, 'no "t" in the answer']
    await this.pause(STEP_MS)
    const told = this.seen('index', from).filter(c => c.low)
    const off = Math.min(...told.map(c => Math.abs(c.t - t - index[0]! / 1000)))
    return [off < SAME_US, `the first index pulse is ${off.toFixed(0)} µs from that of the line`]
  }

  times(): Seen {
    const back = this.changes.findIndex((c, i) => i > 0 && c.t < this.changes[i - 1]!.t)
    return [back < 0, back < 0 ? `${this.changes.length} changes` : `change ${back + 1} comes before the one before it`]
  }

  /** Leaves the drive as it was: nothing runs. */
  async rest(): Promise<void> {
    for (const line of ['motor', 'select'] as const) await this.set(line, false).catch(() => {})
  }
}
