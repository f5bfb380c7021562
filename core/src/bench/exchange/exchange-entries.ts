import { ParameterError } from '../../base/errors'
import type { DriveFacts, DriveRef, NewEntry } from '../../log'
import { complaintsToPass, whyNot, type OnFile } from './may-replace'
import { notedAgain, passedOn } from './noted-again'

/** A whole drive that goes into the machine of another one. */
export interface Exchange {
  /** Id of the entry on the drive that comes out. */
  readonly id: string
  readonly at: string
  readonly remark: string
  /** Ids of as-found entries of the drive that comes out which belong to the machine. */
  readonly passOn: readonly string[]
}

const bare = { call: null, observations: [], evidence: null, takesBack: null } as const
const refOf = ({ id, tag }: DriveFacts): DriveRef => ({ id, tag })

/**
 * Entries of a drive that is replaced as a whole. The complaints that are open go on as the machine’s; what was noted
 * as found and belongs to the machine goes on with its photos, and is to be put back there.
 * @param newId makes an id for each entry beside the first
 * @returns the first one is the entry on the drive that comes out
 * @throws ParameterError where the other drive cannot go in, or what is passed on is not on the record
 */
export function exchangeEntries(exchange: Exchange, old: OnFile, other: OnFile, newId: () => string): NewEntry[] {
  const not = whyNot(old, other)
  if (not) throw new ParameterError(not.replace(/\.$/, ''), 'a drive that is at hand', { field: 'by' })
  const passed = passedOn(old, exchange.passOn)
  const [from, to] = [refOf(old.drive), refOf(other.drive)]
  const { at, remark } = exchange
  const common = { ...bare, at, station: 'open', detail: remark } as const
  return [
    {
      ...common,
      id: exchange.id,
      driveId: from.id,
      kind: 'replaced',
      title: `Replaced by ${to.tag}`,
      data: { type: 'replaced', by: to, passedOn: passed.map(r => r.entry.id) },
    },
    {
      ...common,
      id: newId(),
      driveId: to.id,
      kind: 'replaces',
      title: `In the place of ${from.tag}`,
      data: { type: 'replaces', drive: from, complaints: complaintsToPass(old) },
    },
    ...notedAgain(passed, old.log, from, to, at, newId),
  ]
}
