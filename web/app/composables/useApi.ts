import { FetchError } from 'ofetch'

/** The sentence of a problem document (RFC 9457), or a plain one where the server did not answer. */
export function problemText(error: unknown): string {
  if (error instanceof FetchError) {
    const detail = (error.data as { detail?: string } | undefined)?.detail
    if (detail) return detail
    return error.status
      ? `The server answered with status ${error.status}; nothing was changed.`
      : 'The server does not answer. Is it still running? Nothing was lost on this page.'
  }
  return error instanceof Error ? error.message : String(error)
}

/** Whether a server answered: what it refused is not lost, what it never heard may still come. */
export const wasAnswered = (error: unknown): error is FetchError & { status: number } =>
  error instanceof FetchError && Boolean(error.status)

/** The form field that a problem document names, or null. */
export function problemField(error: unknown): string | null {
  return error instanceof FetchError
    ? ((error.data as { where?: { field?: string } } | undefined)?.where?.field ?? null)
    : null
}
