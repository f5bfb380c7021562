import { BoardClient, BoardRecorder, type Pause } from '../../../src/instruments/bench-link'
import type { DriveSpec } from '../../../src/simulator'
import { read } from '../../helpers'
import { onWire, type Fault } from './on-wire'

/** Does something through a simulated board, and gives what the board told meanwhile as a recording. */
export async function recordBoard<T>(
  run: (board: BoardClient, pause: Pause, hands: ReturnType<typeof onWire>['board']) => Promise<T>,
  { fault, spec }: { readonly fault?: Fault; readonly spec?: DriveSpec } = {},
) {
  const { wire, pause, board: hands } = onWire(fault, spec)
  let recorder: BoardRecorder | null = null
  const board = new BoardClient(wire, pause, {
    change: c => recorder?.change(c),
    done: (request, answer) => recorder?.done(request, answer),
  })
  const hello = await board.begin()
  recorder = new BoardRecorder(hello, await board.ask({ read: 'lines' }))
  const result = await run(board, pause, hands)
  return { result, capture: await read('board.vcd', [...recorder.vcd('What a board told')].join('')) }
}
