import { InputError, LimitError, ParameterError, type InputPlace } from '@wobrin/core/base/errors'

/** An error as a thread sends it: classes do not survive the way out of it, nor does what a driver's error says. */
export interface SentError {
  /** The class of an input error; empty for any other. */
  readonly kind: string
  readonly problem: string
  readonly expected: string
  readonly where: InputPlace
  /** What the disk or the database refused. */
  readonly code?: string
  readonly stack?: string
}

const CLASSES: Readonly<Record<string, typeof InputError>> = { InputError, LimitError, ParameterError }

/** Takes an error apart. */
export function asSent(error: unknown): SentError {
  if (error instanceof InputError) {
    const { name, problem, expected, where } = error
    return { kind: name, problem, expected, where }
  }
  const failed = error instanceof Error ? error : new Error(String(error))
  const { message, stack } = failed
  const { code } = failed as { readonly code?: unknown }
  return {
    kind: '',
    problem: message,
    expected: '',
    where: {},
    ...(typeof code === 'string' ? { code } : {}),
    ...(stack ? { stack } : {}),
  }
}

/** Puts an error together again. */
export function asThrown({ kind, problem, expected, where, code, stack }: SentError): Error {
  const known = CLASSES[kind]
  if (known) return new known(problem, expected, where)
  return Object.assign(new Error(problem), code ? { code } : {}, stack ? { stack } : {})
}
