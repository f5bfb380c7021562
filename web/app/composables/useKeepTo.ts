/**
 * Keeping something on a drive's log: at once where the page was opened for a drive, else by asking which one.
 * @param driveId the drive that the page was opened for @param keepIn puts it on the log of a drive
 */
export function useKeepTo(driveId: string | null, keepIn: (id: string) => Promise<void>) {
  const notices = useNotices()
  /** Given to the dialog that asks for the drive. */
  const keepTo = shallowRef<((id: string) => Promise<void>) | null>(null)
  async function keep(): Promise<void> {
    if (!driveId) keepTo.value = keepIn
    else await keepIn(driveId).catch(error => error instanceof Stopped || notices.problem(problemText(error)))
  }
  return { keepTo, keep }
}
