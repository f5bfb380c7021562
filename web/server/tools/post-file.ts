import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { request } from 'node:http'
import { text } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'

/** What a server said. */
export interface Answer {
  readonly status: number
  readonly body: string
}

/**
 * Sends a file to a server of this machine, and waits for its answer as long as it takes: reading a large archive in
 * takes longer than `fetch` waits for the first word.
 * @param url of plain HTTP
 */
export async function postFile(url: string, path: string, contentType: string): Promise<Answer> {
  const { size } = await stat(path)
  const sending = request(url, {
    method: 'POST',
    headers: { 'content-type': contentType, 'content-length': size },
  })
  const answered = new Promise<Answer>((resolve, reject) => {
    sending.once('error', reject)
    sending.once('response', response => {
      text(response).then(body => resolve({ status: response.statusCode ?? 0, body }), reject)
    })
  })
  // A server that refuses it answers before all of it is sent; then the answer counts.
  pipeline(createReadStream(path), sending).catch(() => undefined)
  return answered
}
