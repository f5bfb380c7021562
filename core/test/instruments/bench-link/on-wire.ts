import type { BoardWire } from '../../../src/instruments/bench-link'
import { SimulatedBoard, soundDrive } from '../../../src/simulator'

/** What a board says, changed on its way: a fault of a board that somebody builds. Null is said not at all. */
export type Fault = (line: string) => string | null

/** A simulated board whose time passes while the host waits, and its wire. */
export function onWire(fault: Fault = line => line, spec = soundDrive('3.5in', 7, 'mfm-80x2x9')) {
  let onText: (text: string) => void = () => {}
  let timeS = 0
  const board = new SimulatedBoard(spec, line => {
    const said = fault(line)
    if (said !== null) onText(said)
  })
  const wire: BoardWire = {
    write: text => board.take(text),
    listen: take => {
      onText = take
      board.greet()
    },
  }
  const pause = async (ms: number) => {
    timeS += ms / 1000
    board.advanceTo(timeS)
  }
  return { wire, pause, board }
}
