import type { H3Event } from 'h3'
import { ValidationError, type AnySchema, type InferType } from 'yup'
import { InputError, LimitError, ParameterError } from '@wobrin/core/base/errors'
import { FILE_KINDS, type FileKind } from '../../shared/knowledge'
import { UUID } from '../../shared/patterns'
import type { Exported } from '../services/archives'
import { ChangedMeanwhile } from '../services/changed-meanwhile'
import { AskerLeft, TooBusy } from '../services/judge-pool'
import { NotFound } from '../services/not-found'
import { SetAside } from '../services/set-aside'
import { keepFault, logLine } from '../services/server-log'
import { storageProblem } from '../services/storage-problem'

/** A problem as RFC 9457 has it, with the place taken apart for forms. */
interface Problem {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  readonly where?: Record<string, unknown>
}

function problemOf(event: H3Event, error: unknown): Problem {
  if (error instanceof NotFound)
    return { type: 'urn:wobrin:not-found', title: 'Not there', status: 404, detail: error.message }
  if (error instanceof ValidationError) {
    return {
      type: 'urn:wobrin:invalid',
      title: 'Not valid',
      status: 422,
      detail: error.errors.join(' '),
      where: { field: error.inner[0]?.path ?? error.path },
    }
  }
  if (error instanceof LimitError)
    return {
      type: 'urn:wobrin:too-large',
      title: 'Too large',
      status: 413,
      detail: error.message,
      where: { ...error.where },
    }
  if (error instanceof ParameterError)
    return {
      type: 'urn:wobrin:parameter',
      title: 'Not possible',
      status: 422,
      detail: error.message,
      where: { ...error.where },
    }
  if (error instanceof InputError)
    return {
      type: 'urn:wobrin:input',
      title: 'Not usable',
      status: 422,
      detail: error.message,
      where: { ...error.where },
    }
  if (error instanceof SetAside)
    return { type: 'urn:wobrin:set-aside', title: 'Set aside', status: 409, detail: error.message }
  if (error instanceof ChangedMeanwhile)
    return {
      type: 'urn:wobrin:changed',
      title: 'Changed meanwhile',
      status: error.status,
      detail: error.message,
      ...(error.field ? { where: { field: error.field } } : {}),
    }
  if (error instanceof TooBusy) return { type: 'urn:wobrin:busy', title: 'Busy', status: 503, detail: error.message }
  // Nobody reads this any more; it is no fault of the server's.
  if (error instanceof AskerLeft)
    return { type: 'urn:wobrin:left', title: 'Cancelled', status: 499, detail: 'The request was cancelled.' }
  if (error instanceof NotHere)
    return {
      type: 'urn:wobrin:refused',
      title: 'Refused',
      status: 403,
      detail: 'This is done at the machine that the server runs on.',
    }
  const storage = storageProblem(error)
  if (storage) return { type: 'urn:wobrin:storage', title: 'Not saved', status: 507, detail: storage }
  logFault(event, error)
  return {
    type: 'about:blank',
    title: 'Something went wrong',
    status: 500,
    detail:
      'The server met an error of its own; nothing was changed. The file errors.log in its data folder says more.',
  }
}

/** A fault of the server's own is one line where a person reads; where it came up goes to a file beside the data. */
function logFault(event: H3Event, error: unknown): void {
  const { message, stack } = error instanceof Error ? error : new Error(String(error))
  const line = logLine('error', `${event.method} ${event.path.split('?')[0]}: ${message}`)
  useServices().then(
    ({ folder }) => keepFault(folder.root, `${line}\n${stack ?? ''}\n`),
    () => {},
  )
}

/** Answers with a problem. */
export function sendProblem(event: H3Event, problem: Problem): Problem {
  setResponseStatus(event, problem.status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return problem
}

const READS: ReadonlySet<string> = new Set(['GET', 'HEAD'])

/** An API route: whatever goes wrong becomes `application/problem+json` (RFC 9457). */
export function api<T>(run: (event: H3Event, services: Services) => T | Promise<T>) {
  return defineEventHandler(async event => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      const services = await useServices()
      // Who looks waits for nothing; who writes goes before an import.
      return READS.has(event.method)
        ? await run(event, services)
        : await services.importing.first(() => run(event, services))
    } catch (error) {
      return sendProblem(event, problemOf(event, error))
    }
  })
}

/** A route for the machine's own screen: who may come in is decided there. */
export function ownApi<T>(run: (event: H3Event, services: Services) => T | Promise<T>) {
  return api((event, services) => {
    if (event.context.own !== true) throw new NotHere()
    return run(event, services)
  })
}

class NotHere extends Error {}

/** A request's JSON may have so many bytes; recordings come another way. */
const MAX_JSON_BYTES = 256 * 1024

/** The request's JSON, checked. @throws ValidationError with every fault found */
export async function checkedBody<S extends AnySchema>(event: H3Event, schema: S): Promise<InferType<S>> {
  if (Number(getRequestHeader(event, 'content-length') ?? Infinity) > MAX_JSON_BYTES)
    throw new LimitError(
      'the request is larger than anything that is asked for here',
      `at most ${MAX_JSON_BYTES / 1024} kB of JSON, its length stated`,
    )
  const body = await readBody(event).catch(() => null)
  if (typeof body !== 'object' || body === null || Array.isArray(body))
    throw new ParameterError('the request has no JSON body', 'a JSON object')
  const options = { abortEarly: false, stripUnknown: false }
  try {
    return await schema.validate(body, options)
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    // A list or an object where a word belongs breaks what would trim it: without changing anything it is named.
    await schema.validate(body, { ...options, strict: true })
    throw new ParameterError(
      'a value is of another kind than its field',
      'words, numbers and lists as the form has them',
    )
  }
}

/** Sends an archive as it is written; one that the browser no longer wants is not written on. */
export function sendArchive(event: H3Event, { name, stream, missing }: Exported) {
  if (missing.length) setResponseHeader(event, 'x-wobrin-missing', missing.length)
  setResponseHeader(event, 'content-type', 'application/zip')
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}"`)
  const { res } = event.node
  res.once('close', () => stream.destroy())
  // Who left while recordings were compared with their names closes nothing any more.
  if (res.destroyed) {
    stream.destroy()
    throw new AskerLeft()
  }
  return sendStream(event, stream)
}

/** Says when the one who asked has gone before there was an answer. */
export function leaving(event: H3Event): AbortSignal {
  const gone = new AbortController()
  const { res } = event.node
  res.once('close', () => {
    if (!res.writableFinished) gone.abort()
  })
  return gone.signal
}

/** A request's body as it is, up to a limit. @throws LimitError, before more of it is read */
export async function limitedBody(event: H3Event, most: number): Promise<Uint8Array> {
  const tooLarge = () =>
    new LimitError('the file is larger than it can be', `at most ${Math.round(most / 1024 ** 2)} MB`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) throw tooLarge()
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of event.node.req as AsyncIterable<Uint8Array>) {
    bytes += chunk.length
    if (bytes > most) throw tooLarge()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

/** A part of the address. @throws ParameterError where it is not encoded as an address is */
export function param(event: H3Event, name: string): string {
  try {
    return decodeURIComponent(getRouterParam(event, name) ?? '')
  } catch {
    throw new ParameterError('the address is not encoded right', 'a percent sign before two hexadecimal digits', {
      field: name,
    })
  }
}

/** An id in the address that its sender made. @throws ParameterError */
export function uuidParam(event: H3Event, name: string): string {
  const id = param(event, name)
  if (!UUID.test(id)) throw new ParameterError('the id is not valid', 'a UUID', { field: name })
  return id
}

/** Which of the files that a workshop may edit. @throws NotFound */
export function knowledgeKind(event: H3Event): FileKind {
  const kind = FILE_KINDS.find(k => k === param(event, 'kind'))
  if (!kind) throw new NotFound('There is no such file.')
  return kind
}
