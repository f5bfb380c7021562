import { boolean, mixed, object, string, type InferType } from 'yup'
import { LINE_NAMES } from '@wobrin/core/instruments/interface'
import { STATION_IDS } from '@wobrin/core/log'
import { CODE_IDS, type TrackCode } from '@wobrin/core/signals/codes'
import { instant, uuid } from './log-input'
import { SHA_256, UUID } from './patterns'

/** A surface to be read by the server and put on the log: from a kept recording, or from the stand-in. */
export const readTestInputSchema = object({
  id: uuid(),
  at: instant(),
  station: string()
    .oneOf([...STATION_IDS])
    .default('prove'),
  captureSha: string().matches(SHA_256, 'A recording is named by its SHA-256.').nullable().default(null),
  mapping: mixed<Record<string, string>>(
    (v): v is Record<string, string> =>
      typeof v === 'object' &&
      v !== null &&
      !Array.isArray(v) &&
      Object.entries(v).every(
        ([l, c]) => (LINE_NAMES as readonly string[]).includes(l) && typeof c === 'string' && c.length <= 400,
      ),
  )
    .typeError('The mapping names lines and their channels.')
    .default({}),
  inverted: boolean().default(false),
  code: string()
    .oneOf(['auto', ...(Object.keys(CODE_IDS) as TrackCode[])])
    .default('auto'),
  trusted: boolean().default(false),
  simulated: object({ mechanism: string().max(40).required(), story: string().max(40).required() })
    .noUnknown()
    .nullable()
    .default(null),
  /** The reference disk that was read. */
  disk: string().matches(UUID, 'A disk’s id is a UUID.').nullable().default(null),
  remark: string().trim().max(300).default(''),
}).noUnknown()
export type ReadTestInput = InferType<typeof readTestInputSchema>
