import { BoardClient, type BoardEars, type BoardWire, type Pause } from './board-client'
import { BoardRecorder } from './board-recorder'

/** A board, and what it told while something was done with it. */
export class RecordedBoard {
  readonly board: BoardClient
  /** Of what was done last; null while nothing was. */
  last: BoardRecorder | null = null
  private now: BoardRecorder | null = null

  constructor(wire: BoardWire, pause: Pause, ears: BoardEars = {}) {
    this.board = new BoardClient(wire, pause, {
      ...ears,
      change: c => {
        this.now?.change(c)
        ears.change?.(c)
      },
      done: (request, answer) => this.now?.done(request, answer),
    })
  }

  /** Does something with the board; what it told meanwhile is kept, also where that fails. */
  async during<T>(run: (board: BoardClient) => Promise<T>): Promise<T> {
    const { board } = this
    const hello = board.hello ?? (await board.begin())
    this.now = this.last = new BoardRecorder(hello, await board.ask({ read: 'lines' }))
    try {
      return await run(board)
    } finally {
      this.now = null
    }
  }
}
