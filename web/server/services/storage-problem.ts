/** What the disk or the database refused, in words; null for any other error. */
export function storageProblem(error: unknown): string | null {
  if (/database connection is not open/.test((error as Error | null)?.message ?? ''))
    return 'A backup is being put back. Nothing was saved. Send it again in a while.'
  const code = (error as { code?: unknown } | null)?.code
  if (typeof code !== 'string') return null
  if (code === 'ENOSPC' || code === 'EDQUOT' || code === 'SQLITE_FULL')
    return 'The disk is full. Nothing was saved. Make room on it, then send it again.'
  if (code === 'EROFS' || code === 'EACCES' || code === 'EPERM' || code.startsWith('SQLITE_READONLY'))
    return 'The data folder cannot be written to. Nothing was saved. Check who owns it, then send it again.'
  if (code.startsWith('SQLITE_IOERR') || code === 'EIO')
    return 'The disk did not take what was written. Nothing was saved. Check the disk before going on.'
  if (code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB')
    return 'The database is damaged. Nothing was saved. Stop the server; it says at its next start how to go on.'
  if (code.startsWith('SQLITE_BUSY'))
    return 'Another program holds the database. Nothing was saved. Send it again in a while.'
  return null
}
