/** The person stopped it. */
export class Stopped extends Error {}

/**
 * Sends a file as the plain body of a POST, with progress; `fetch` cannot tell how far an upload has come.
 * @param onProgress share that was sent, 0 to 1
 * @returns the answer's JSON
 * @throws Stopped when the signal says so; an Error with the server's sentence otherwise
 */
export function sendFile<T>(
  url: string,
  file: File,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', url)
    request.responseType = 'json'
    request.upload.addEventListener('progress', e => {
      if (e.lengthComputable) onProgress(e.loaded / e.total)
    })
    request.addEventListener('load', () => {
      if (request.status < 300) resolve(request.response as T)
      else
        reject(
          new Error(
            (request.response as { detail?: string } | null)?.detail ??
              `The server answered with status ${request.status}; nothing was kept.`,
          ),
        )
    })
    request.addEventListener('error', () =>
      reject(new Error('The server does not answer. Is it still running? What you chose is still on this machine.')),
    )
    request.addEventListener('abort', () => reject(new Stopped()))
    signal.addEventListener('abort', () => request.abort())
    request.send(file)
  })
}
