import { InputError } from '../../base/errors'
import { LineCutter } from './lines-of-text'
import {
  readFromBoard,
  type Answer,
  type ButtonChange,
  type FluxPart,
  type Hello,
  type LineChange,
  type ToBoard,
} from './messages'

/** A way to a board: a serial port, a socket, a simulated one. */
export interface BoardWire {
  /** Sends text; the board gets lines. */
  write(text: string): void
  /** Calls back with what comes, and once with what ended it. */
  listen(onText: (text: string) => void, onEnd: (why: string) => void): void
}

/** Waits so long, ms; passed in, for the core has no clock. */
export type Pause = (ms: number) => Promise<void>

/** A board that takes longer to answer does not answer, ms. */
const PATIENCE_MS = 3000

/** Without its id. */
export type Request = ToBoard extends infer R ? (R extends ToBoard ? Omit<R, 'id'> : never) : never

/** Who is told of what a board says. */
export interface BoardEars {
  /** Each change of a line and of the button. */
  readonly change?: (change: LineChange | ButtonChange) => void
  /** What is not of the protocol; it is left out. */
  readonly nonsense?: (problem: InputError) => void
  /** Each request that the board did, with its answer. */
  readonly done?: (request: Request, answer: Answer) => void
}

/** Talks to a board: asks, and hears what it tells unasked. */
export class BoardClient {
  /** What the board said of itself; null until it did. */
  hello: Hello | null = null
  /** Why it ended; null while it runs. */
  ended: string | null = null
  private readonly cutter = new LineCutter()
  private readonly open = new Map<number, (answer: Answer | FluxPart) => void>()
  private next = 1
  private lines = 0

  constructor(
    private readonly wire: BoardWire,
    private readonly pause: Pause,
    private readonly ears: BoardEars = {},
  ) {
    wire.listen(
      text => this.take(text),
      why => {
        this.ended = why
      },
    )
  }

  /** Waits until the board has said what it is. @throws InputError where it does not */
  async begin(patienceMs = PATIENCE_MS): Promise<Hello> {
    for (let waited = 0; !this.hello; waited += 10) {
      if (this.ended)
        throw new InputError(`the board is gone: ${this.ended}`, 'a board that stays', { file: 'the board' })
      if (waited > patienceMs)
        throw new InputError('the board does not say what it is', 'a first line with "hello"', { file: 'the board' })
      await this.pause(10)
    }
    return this.hello
  }

  /** @throws InputError where the board refuses, is gone, or does not answer in time */
  async ask(request: Request, patienceMs = PATIENCE_MS): Promise<Answer> {
    const id = this.next++
    let answer: Answer | null = null
    const parts: number[] = []
    this.open.set(id, a => {
      if ('more' in a) for (const ns of a.flux) parts.push(ns)
      else answer = parts.length ? { ...a, flux: [...parts, ...(a.flux ?? [])] } : a
    })
    this.wire.write(`${JSON.stringify({ id, ...request })}\n`)
    const what = JSON.stringify(request)
    try {
      for (let waited = 0; !answer; waited += 2) {
        if (this.ended) throw new InputError(`the board is gone: ${this.ended}`, `an answer to ${what}`)
        if (waited > patienceMs) throw new InputError(`the board does not answer to ${what}`, 'an answer with its id')
        await this.pause(2)
      }
    } finally {
      this.open.delete(id)
    }
    const { error } = answer as Answer
    if (error !== undefined) throw new InputError(`the board refused ${what}: ${error}`, 'a request that it can do')
    this.ears.done?.(request, answer)
    return answer
  }

  private take(text: string): void {
    try {
      for (const line of this.cutter.push(text)) this.takeLine(line)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      this.ears.nonsense?.(error)
    }
  }

  private takeLine(line: string): void {
    this.lines++
    try {
      const message = readFromBoard(line, this.lines)
      if ('hello' in message) this.hello = message
      else if ('id' in message) this.open.get(message.id)?.(message)
      else this.ears.change?.(message)
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      this.ears.nonsense?.(error)
    }
  }
}
