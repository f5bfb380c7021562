import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { InputError, ParameterError } from '@wobrin/core/base/errors'
import type { DriveFacts } from '@wobrin/core/log'

/** What a server that has a data folder says of itself there. */
const HOLDER = '.server.json'
/** An answer that takes longer comes from no server of this application, ms. */
const PATIENCE_MS = 10_000

/**
 * Address of the server that has a workshop.
 * @param address as given; otherwise that of the server which has the data folder
 * @throws InputError where no server has it
 */
export function serverAddress(address: string | undefined, data: string | undefined): string {
  if (address) return address.replace(/\/+$/, '')
  const folder = data ?? process.env.WOBRIN_DATA ?? 'data'
  try {
    return (JSON.parse(readFileSync(join(folder, HOLDER), 'utf8')) as { address: string }).address
  } catch {
    throw new InputError('no server runs on this data folder', 'start one, or name it with --server http://…', {
      file: folder,
    })
  }
}

/** A server as the command line talks to it. */
export class RunningServer {
  constructor(readonly address: string) {}

  /** The drive with a tag. @throws ParameterError where there is none */
  async drive(tag: string): Promise<DriveFacts> {
    const all = await this.get<readonly DriveFacts[]>('/api/drives')
    const found = all.find(d => d.tag.toLowerCase() === tag.toLowerCase())
    if (!found)
      throw new ParameterError(`there is no drive “${tag}”`, 'the tag of a drive of the workshop', { field: 'drive' })
    return found
  }

  get<T>(path: string): Promise<T> {
    return this.ask<T>(path, { method: 'GET' })
  }

  post<T>(path: string, body: unknown): Promise<T> {
    return this.ask<T>(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
  }

  /** Sends a file's bytes as they are. */
  send<T>(path: string, bytes: Uint8Array): Promise<T> {
    return this.ask<T>(path, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: bytes as BodyInit,
    })
  }

  private async ask<T>(path: string, init: RequestInit): Promise<T> {
    const file = this.address
    let response: Response
    try {
      response = await fetch(`${this.address}${path}`, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) })
    } catch {
      throw new InputError('no server answers there', 'the address of a running Wobrin server', { file })
    }
    const said = (await response.json().catch(() => null)) as (T & { readonly detail?: string }) | null
    if (response.ok && said !== null) return said
    throw new InputError(said?.detail ?? `it answered ${response.status}`, 'a Wobrin server', { file })
  }
}
