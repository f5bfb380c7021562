import { readFile } from 'node:fs/promises'
import { ParameterError } from '@wobrin/core/base/errors'

/** A file as bytes. @param what it should be, such as “a WAV file” @throws ParameterError where it cannot be read */
export const readBytes = (path: string, what: string): Promise<Uint8Array> =>
  readFile(path).catch((error: Error) => {
    throw new ParameterError(`it cannot be read: ${error.message}`, what, { file: path })
  })
