import { readFileSync, statSync } from 'node:fs'
import { basename } from 'node:path'
import { InputError, LimitError } from '@wobrin/core/base/errors'

/** A file as text, where it is no larger than such a file can be. @param what it should be, such as “a CSV file” */
export function readText(path: string, what: string, mostMb: number): string {
  const size = statSync(path, { throwIfNoEntry: false })?.size
  if (size === undefined) throw new InputError('there is no such file', what, { file: path })
  if (size > mostMb * 1024 ** 2)
    throw new LimitError('the file is larger than it can be', `${what} of at most ${mostMb} MB`, { file: path })
  return readFileSync(path, 'utf8')
}

/** Largest file of JSON that is read, megabytes. */
const MOST_JSON_MB = 5

/**
 * What is made of a file of JSON.
 * @param what it should be, such as “a bench as JSON” @throws InputError with the file’s name
 */
export function fromJson<T>(path: string, what: string, make: (value: unknown) => T): T {
  const text = readText(path, 'a JSON file', MOST_JSON_MB)
  const file = basename(path)
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    throw new InputError(`it is not JSON (${(error as Error).message})`, what, { file })
  }
  try {
    return make(value)
  } catch (error) {
    if (!(error instanceof InputError) || error.where.file) throw error
    throw new InputError(error.problem, error.expected, { ...error.where, file })
  }
}
