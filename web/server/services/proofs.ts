import { proofEntry, writeTestEntry } from '@wobrin/core/bench/entries'
import type { LogEntry } from '@wobrin/core/log'
import type { ProofInput } from '../../shared/proof'
import type { WriteTestInput } from '../../shared/write-test'
import type { DriveService } from './drives'

/** Counted tests on the log. */
export class ProofService {
  constructor(private readonly drives: DriveService) {}

  /** @throws ParameterError where the counts cannot be, or the drive that read is none */
  keep(driveId: string, input: ProofInput): LogEntry {
    const drive = this.drives.get(driveId)
    const tagOf = (id: string) => this.drives.get(id).tag
    return this.drives.sent(input.id, drive.id) ?? this.drives.append(proofEntry(input, drive, tagOf))
  }

  /** A write test as a host told it. @throws ParameterError where it cannot be, or nothing was tried */
  keepWriteTest(driveId: string, input: WriteTestInput): LogEntry {
    const drive = this.drives.get(driveId)
    return this.drives.sent(input.id, drive.id) ?? this.drives.append(writeTestEntry(input, drive))
  }
}
