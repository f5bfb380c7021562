import type { DriveFacts } from '@wobrin/core/log'
import type { SetAsideDrive } from '../../shared/bench'

/** A drive that was asked for is set aside. */
export class SetAside extends Error {
  override readonly name = 'SetAside'

  constructor({ tag, reason }: Pick<SetAsideDrive, 'tag' | 'reason'>) {
    super(
      `${tag} is set aside: its log cannot be read (${reason}). Everything else works. ` +
        'Export it as it is from the bench.',
    )
  }
}

/** Drives that are set aside, for as long as this server runs. */
export class SetAsideDrives {
  private readonly drives = new Map<string, SetAsideDrive>()

  list(): SetAsideDrive[] {
    return [...this.drives.values()].sort((a, b) => a.tag.localeCompare(b.tag))
  }

  /** The drive is no longer there. */
  forget(id: string): void {
    this.drives.delete(id)
  }

  /** @throws SetAside where the drive is */
  refuse(id: string): void {
    const drive = this.drives.get(id)
    if (drive) throw new SetAside(drive)
  }

  /** Works something out from a drive's log; null, and the drive is set aside, where that fails. */
  guard<T>({ id, tag }: Pick<DriveFacts, 'id' | 'tag'>, run: () => T): T | null {
    if (this.drives.has(id)) return null
    try {
      return run()
    } catch (error) {
      this.drives.set(id, { id, tag, reason: (error as Error).message.replace(/\.$/, '') })
      return null
    }
  }

  /** The same where nothing can be shown without it. @throws SetAside */
  need<T>(drive: Pick<DriveFacts, 'id' | 'tag'>, run: () => T): T {
    const made = this.guard(drive, run)
    this.refuse(drive.id)
    return made!
  }
}
