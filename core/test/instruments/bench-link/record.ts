import { RecordedBoard, type BoardClient, type Pause } from '../../../src/instruments/bench-link'
import type { DriveSpec } from '../../../src/simulator'
import { read } from '../../helpers'
import { onWire, type Fault } from './on-wire'

/** Does something through a simulated board, and gives what the board told meanwhile as a recording. */
export async function recordBoard<T>(
  run: (board: BoardClient, pause: Pause, hands: ReturnType<typeof onWire>['board']) => Promise<T>,
  { fault, spec }: { readonly fault?: Fault; readonly spec?: DriveSpec } = {},
) {
  const { wire, pause, board: hands } = onWire(fault, spec)
  const recorded = new RecordedBoard(wire, pause)
  const result = await recorded.during(board => run(board, pause, hands))
  const text = [...recorded.last!.vcd('What a board told')].join('')
  return { result, capture: await read('board.vcd', text) }
}
