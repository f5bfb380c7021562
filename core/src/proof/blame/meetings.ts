import { caseNumber, FAR_OFF } from './model'

/**
 * A head that reads and whoever wrote what it reads, as variables of the model; −1 for a writer's head that is none of
 * ours. All that such a head read of such a writer is in one case, whatever the configuration.
 */
export interface Meeting {
  readonly machine: number
  readonly head: number
  readonly writer: number
  readonly writerHead: number
}

const OFF_TRACK = 1
const OFF_SPEED = 2
const HEAD_OFF = 3
const HEAD_FAR = 4

/** The case in which a meeting is in a configuration. */
export function caseOf(meeting: Meeting, config: readonly number[]): number {
  const [m, h] = [config[meeting.machine]!, config[meeting.head]!]
  const own = h >= HEAD_OFF ? 0 : h
  if (meeting.writer === meeting.machine) return own
  const wm = config[meeting.writer]!
  const writerHead = meeting.writerHead < 0 ? 0 : config[meeting.writerHead]!
  const beside =
    h === HEAD_FAR || writerHead === HEAD_FAR
      ? FAR_OFF
      : Number(m === OFF_TRACK || h === HEAD_OFF) + Number(wm === OFF_TRACK || writerHead === HEAD_OFF)
  return caseNumber(own, beside, Number(m === OFF_SPEED) + Number(wm === OFF_SPEED))
}

/** The meetings of some reads, each once: there are far fewer of them than sides of disks that were read. */
export class Meetings {
  readonly all: Meeting[] = []
  private readonly numbers = new Map<string, number>()
  private readonly known = new WeakMap<readonly number[], Uint8Array>()

  /** @returns the number of a meeting, the same for the same one */
  numberOf(meeting: Meeting): number {
    const key = `${meeting.machine} ${meeting.head} ${meeting.writer} ${meeting.writerHead}`
    const known = this.numbers.get(key)
    if (known !== undefined) return known
    this.numbers.set(key, this.all.length)
    return this.all.push(meeting) - 1
  }

  /** The case of each; for a configuration that was asked for before, as it was. */
  cases(config: readonly number[]): Uint8Array {
    let cases = this.known.get(config)
    if (!cases) {
      cases = Uint8Array.from(this.all, meeting => caseOf(meeting, config))
      this.known.set(config, cases)
    }
    return cases
  }
}
