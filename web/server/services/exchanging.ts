import { randomUUID } from 'node:crypto'
import { exchangeEntries, factorsFrom, toldByReplacement, type OnFile } from '@wobrin/core/bench/exchange'
import type { CaseReading, WeighOptions } from '@wobrin/core/diagnosis'
import { inMachine, type DriveFacts, type LogEntry, type NewEntry } from '@wobrin/core/log'
import type { Exchange } from '../../shared/exchange'
import { keepStateAfter } from './drive-states'
import type { DriveService } from './drives'

/** Whole drives that replace one another in a machine. */
export class ExchangeService {
  constructor(private readonly drives: DriveService) {}

  /**
   * Puts a drive into the place of another one: on both logs, or on none. The host that it serves, and the level that
   * it is to reach, are the machine's.
   * @returns the entry on the drive that comes out
   * @throws ParameterError where the other drive cannot go in
   */
  exchange(oldId: string, asked: Exchange): LogEntry {
    const old = this.onFile(oldId)
    const sent = this.drives.sent(asked.id, oldId)
    if (sent) return sent
    const other = this.onFile(asked.by)
    const entries = exchangeEntries(asked, old, other, randomUUID)
    const kept = this.drives.within((tx, write) => {
      const all = entries.map((e: NewEntry) => write(e))
      for (const e of all) keepStateAfter(tx, e)
      return all[0]!
    })
    const { host, goal } = old.drive
    if (host) this.drives.change(other.drive.id, { host, goal })
    return kept
  }

  /** What the case of the drive that was there before adds to what is known of this one. */
  beside(drive: DriveFacts, known: Pick<WeighOptions, 'factors' | 'knowledge'>): Pick<WeighOptions, 'carried'> {
    const old = this.other(drive, log => inMachine(log).replaces?.drive.id)
    return old ? { carried: factorsFrom(old, known) } : {}
  }

  /** What the drive that has its place now says of a drive. */
  evidence(drive: DriveFacts): CaseReading[] {
    const other = this.other(drive, log => inMachine(log).replacedBy?.drive.id)
    return other ? toldByReplacement(this.onFile(drive.id), other) : []
  }

  private onFile(id: string): OnFile {
    return { drive: this.drives.get(id), log: this.drives.log(id) }
  }

  /** The other drive of an exchange; null where there was none, or it is not on file here. */
  private other(drive: DriveFacts, idOf: (log: readonly LogEntry[]) => string | undefined): OnFile | null {
    const id = idOf(this.drives.log(drive.id))
    const facts = id === undefined ? null : this.drives.find(id)
    return facts ? this.drives.aside.guard(facts, () => ({ drive: facts, log: this.drives.log(facts.id) })) : null
  }
}
