import { readFileSync, statSync } from 'node:fs'
import { InputError, LimitError } from '@wobrin/core/base/errors'

/** A file as text, where it is no larger than such a file can be. @param what it should be, such as “a CSV file” */
export function readText(path: string, what: string, mostMb: number): string {
  const size = statSync(path, { throwIfNoEntry: false })?.size
  if (size === undefined) throw new InputError('there is no such file', what, { file: path })
  if (size > mostMb * 1024 ** 2)
    throw new LimitError('the file is larger than it can be', `${what} of at most ${mostMb} MB`, { file: path })
  return readFileSync(path, 'utf8')
}
