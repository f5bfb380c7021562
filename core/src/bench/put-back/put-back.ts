import { AS_FOUND_KINDS } from '../../log'
import type { RecordedItem } from '../../findings'

export interface PutBackStep {
  readonly recorded: RecordedItem
  readonly title: string
  /** What to look at when it is back. */
  readonly check: string
  /** What has to be made anew, or null. */
  readonly remake: string | null
  readonly done: boolean
}

export interface PutBackList {
  /** What goes back first stands first. */
  readonly steps: readonly PutBackStep[]
  /** How many are neither put back nor left off. */
  readonly left: number
  /** Whole sentences. */
  readonly warnings: readonly string[]
}

/**
 * The way back: what was undone last goes back first, except that nothing goes on in front of what lies behind it.
 * Where the record of what lies behind what runs in a circle, the order of undoing decides and a warning says so.
 * Cost: square in the number of things undone.
 */
export function putBackList(record: readonly RecordedItem[]): PutBackList {
  const undone = record.filter(r => r.undone)
  const byId = new Map(undone.map(r => [r.entry.id, r]))
  const waiting = new Set([...undone].sort((a, b) => b.undone!.seq - a.undone!.seq || b.number - a.number))
  const order: RecordedItem[] = []
  const warnings: string[] = []
  while (waiting.size) {
    const covers = new Set([...waiting].map(r => r.item.behind).filter(id => id !== null && byId.has(id)))
    const free = [...waiting].find(r => !covers.has(r.entry.id))
    const next = free ?? [...waiting][0]!
    if (!free)
      warnings.push(
        `No. ${next.number}, ${next.item.name}: the records of what is in front contradict each other; its place follows the order of removal.`,
      )
    waiting.delete(next)
    order.push(next)
  }
  const steps = order.map(stepOf)
  return { steps, left: steps.filter(s => !s.done).length, warnings: [...warnings, ...warningsOf(undone, byId)] }
}

const name = (r: RecordedItem) => `${AS_FOUND_KINDS[r.item.kind].toLowerCase()} ${r.item.name}`

function stepOf(recorded: RecordedItem): PutBackStep {
  const { item, broke, putBack } = recorded
  return {
    recorded,
    title: `${AS_FOUND_KINDS[item.kind]}: ${item.name}`,
    check: checkOf(recorded),
    remake: remakeOf(item.kind, broke),
    done: putBack !== null,
  }
}

function checkOf({ item, notedOn }: RecordedItem): string {
  switch (item.kind) {
    case 'connector':
      return item.state
        ? `Pin 1 is at the ${item.state}. Every pin in a hole, none beside the row.`
        : 'Which end is pin 1 was not recorded: find it before this goes on.'
    case 'strap':
    case 'terminator':
      if (notedOn && item.state) return `On ${notedOn}: ${item.state}. Set this drive’s in the same way, then try it.`
      return item.state ? `As it was: ${item.state}.` : 'Its setting was not recorded: see what the host needs.'
    case 'wire':
      return [
        `${item.colour || 'Colour not recorded'}, from ${item.from || '?'} to ${item.to || '?'}.`,
        item.measured ? `Must measure ${item.measured} again.` : 'Measure it before power: its colour is not evidence.',
      ].join(' ')
    case 'screw':
      return item.detail
        ? `${item.detail}. Not longer than the one that came out.`
        : 'Not longer than the one that came out.'
    case 'tie':
      return item.detail ? `It held ${item.detail}; clear of what turns.` : 'Clear of what turns.'
    case 'loose':
      return item.state
        ? `It lies in ${item.state}. See that it sits and cannot fall out.`
        : 'See that it sits and cannot fall out.'
    case 'solder':
      return 'A clean joint, no bridge to its neighbour.'
    default:
      return item.detail ? `${item.detail}. Nothing pinched under it.` : 'Nothing pinched under it.'
  }
}

function remakeOf(kind: RecordedItem['item']['kind'], broke: RecordedItem['broke']): string | null {
  if (broke === 'cut')
    return kind === 'tie'
      ? 'A new tie.'
      : kind === 'wire'
        ? 'Join the cut wire and sleeve it.'
        : 'Make good what was cut.'
  if (broke === 'snapped') return 'Re-make what snapped: a new header or a wire in its place.'
  if (broke === 'unsoldered') return 'Solder it again.'
  return null
}

function warningsOf(undone: readonly RecordedItem[], byId: ReadonlyMap<string, RecordedItem>): string[] {
  return undone.flatMap(r => {
    const out: string[] = []
    const { item, number } = r
    if (item.kind === 'connector' && !item.state)
      out.push(`No. ${number}, ${name(r)}: which end is pin 1 was never recorded.`)
    if (item.kind === 'wire' && !item.measured)
      out.push(`No. ${number}, ${name(r)}: nothing was measured on it; its colour is not evidence.`)
    if (item.kind === 'loose' && !item.state && !r.putBack)
      out.push(`No. ${number}, ${name(r)}: where it was put was not recorded.`)
    const front = item.behind ? byId.get(item.behind) : undefined
    if (front?.putBack && !r.putBack)
      out.push(
        `No. ${front.number}, ${name(front)} is back on, but no. ${number}, ${name(r)} behind it is not: it has to come off again.`,
      )
    return out
  })
}
