import { InputError } from '../../base/errors'
import {
  DRIVEN_LINES,
  LineCutter,
  LINK_VERSION,
  type Answer,
  type Hello,
  type ToBoard,
} from '../../instruments/bench-link'
import { LINE_NAMES, type LineName } from '../../instruments/interface'
import { SimulatedDrive, type Adjuster } from '../drive/simulated-drive'
import type { DriveSpec } from '../drive/spec'

/** Lines that the board tells changes of: flux is asked for. */
const TOLD = LINE_NAMES.filter(l => l !== 'read-data')
const MOST_TURNS = 20
/** Transitions of one line. */
const PART = 4000
/** A turn is read on so far beyond its index, so that its last sector is whole, s. */
const BEYOND_S = 0.005

/**
 * A board of the bench link, with a simulated drive plugged into it: what a real board and a real drive would say, from
 * the model of the drive.
 */
export class SimulatedBoard {
  private readonly drive: SimulatedDrive
  private readonly cutter = new LineCutter()
  /** Time up to which changes were told, s. */
  private toldS = 0
  /** Time of the wire, s. */
  private wireS = 0
  /** When the last change of each line was that was told, s. */
  private readonly last = new Map<LineName, number>()

  /** @param say sends a line of text to the host */
  constructor(
    spec: DriveSpec,
    private readonly say: (line: string) => void,
  ) {
    this.drive = new SimulatedDrive(spec)
  }

  /** Says what it is: the first thing on a new wire. */
  greet(): void {
    const hello: Hello = {
      hello: 'bench-link',
      version: LINK_VERSION,
      board: 'simulated board',
      lines: TOLD,
      drives: [...DRIVEN_LINES, 'step'],
      flux: true,
      volts: ['5V', '12V'],
      simulated: true,
    }
    this.send(hello)
  }

  /**
   * Lets time pass to so many seconds of the wire, and tells what changed. A read runs ahead of the wire at once; what
   * the host waits after it passes on the drive all the same.
   */
  advanceTo(timeS: number): void {
    this.drive.advanceTo(this.drive.timeS + Math.max(0, timeS - this.wireS))
    this.wireS = Math.max(this.wireS, timeS)
    this.tell()
  }

  /** Hands at the drive: its disk out, or in. */
  disk(where: 'out' | 'in'): void {
    if (where === 'out') this.drive.remove()
    else this.drive.insert()
    this.tell()
  }

  /** Hands at an adjuster of the drive. @param by µm towards the hub; of the sensor, cylinders */
  adjust(adjuster: Adjuster, by: number): void {
    this.drive.nudge(adjuster, by)
    this.tell()
  }

  /** Takes what the host sends. */
  take(text: string): void {
    let lines: string[]
    try {
      lines = this.cutter.push(text)
    } catch {
      return
    }
    for (const line of lines) {
      const request = requestOf(line)
      // What has no id cannot be answered.
      if (request) this.answer(request)
    }
  }

  private answer(request: ToBoard): void {
    try {
      const more = this.doIt(request)
      this.tell()
      this.send({ id: request.id, ok: true, t: this.microseconds, ...more })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      this.send({ id: request.id, error: error.problem })
    }
  }

  private doIt(request: ToBoard): Partial<Answer> {
    if ('set' in request) {
      if (!DRIVEN_LINES.includes(request.set) || typeof request.low !== 'boolean')
        throw new InputError('there is no such line to set', DRIVEN_LINES.join(', '))
      this.drive.set(request.set, request.low)
      return {}
    }
    if ('step' in request) {
      if (request.step !== 'inward' && request.step !== 'outward')
        throw new InputError('a step goes inward or outward', 'inward, outward')
      this.drive.set('direction', request.step === 'inward')
      this.drive.advanceTo(this.drive.timeS + 2e-5)
      this.drive.step()
      return {}
    }
    if (request.read === 'lines')
      return { lines: Object.fromEntries(TOLD.map((l): [LineName, boolean] => [l, this.drive.explain(l).low])) }
    if (request.read === 'volts') {
      const { logicV, motorV } = this.drive.spec.power
      return { volts: { '5V': logicV, '12V': motorV } }
    }
    if (request.read === 'flux') return this.flux(request)
    throw new InputError('that is not known here', 'set, step, read lines, read volts, read flux')
  }

  /** Flux from now on, until so many revolutions have passed their index. */
  private flux({ id, turns }: { readonly id: number; readonly turns: number }): Partial<Answer> {
    if (!Number.isInteger(turns) || turns < 1 || turns > MOST_TURNS)
      throw new InputError(`turns is ${String(turns)}`, `a whole number from 1 to ${MOST_TURNS}`)
    const { drive } = this
    drive.takeFlux()
    const fromS = drive.timeS
    const turnS = 60 / (drive.media?.layout.rpm ?? 300)
    let marks: Float64Array = new Float64Array()
    for (const endS = fromS + turnS * (turns + 2); drive.timeS < endS && marks.length <= turns;) {
      drive.advanceTo(drive.timeS + turnS / 20)
      marks = drive.indexFalls(fromS)
    }
    drive.advanceTo(drive.timeS + BEYOND_S)
    const times = drive.takeFlux()
    const nanoseconds = (t: number) => Math.round(t * 1e9)
    const flux = Array.from(times, (t, i) => nanoseconds(t - (i ? times[i - 1]! : fromS)))
    for (let at = 0; at < flux.length; at += PART) this.send({ id, more: true, flux: flux.slice(at, at + PART) })
    return {
      t: Math.round(fromS * 1e6),
      index: Array.from(marks, t => nanoseconds(t - fromS)),
    }
  }

  /** Tells the changes since it last did, in the order of their times. */
  private tell(): void {
    const fromS = this.toldS
    const lines = this.drive.recent(fromS)
    const changes = TOLD.flatMap(line => {
      const edges = lines[line]
      if (!edges) return []
      return Array.from(edges.times, (t, i) => ({ t: t + fromS, line, low: (edges.initial + i) % 2 === 1 }))
    })
    changes.sort((a, b) => a.t - b.t)
    for (const c of changes) {
      // A line that is set just now changes at the very time up to which was told.
      if (c.t <= (this.last.get(c.line) ?? -1)) continue
      this.last.set(c.line, c.t)
      this.send({ t: Math.round(c.t * 1e6), line: c.line, low: c.low })
    }
    this.toldS = this.drive.timeS
    // What was told is not needed again: memory stays flat.
    this.drive.forget()
  }

  private get microseconds(): number {
    return Math.round(this.drive.timeS * 1e6)
  }

  private send(message: object): void {
    this.say(`${JSON.stringify(message)}\n`)
  }
}

/** A request, where it has an id; what else it says is looked at when it is done. */
function requestOf(line: string): ToBoard | null {
  try {
    const m = JSON.parse(line) as ToBoard
    return typeof m === 'object' && m !== null && Number.isInteger(m.id) ? m : null
  } catch {
    return null
  }
}
