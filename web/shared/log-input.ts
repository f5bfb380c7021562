import { array, boolean, mixed, number, object, string, type InferType } from 'yup'
import { AS_FOUND_KINDS, RESTS, STATION_IDS, type AsFoundKind } from '@wobrin/core/log'
import { measuresSchema } from './measures'
import { INSTANT, SHA_256, UUID } from './patterns'

export const uuid = () => string().matches(UUID, 'An entry’s id is a UUID.').required()
export const instant = () => string().matches(INSTANT, 'A time is ISO 8601 in UTC.').required()
const ref = () => string().matches(UUID, 'An entry’s id is a UUID.')
const words = (most: number) => string().trim().max(most, `At most ${most} characters.`).default('')
const share = () => number().min(0, 'A mark lies on its photo.').max(1, 'A mark lies on its photo.').required()

const itemSchema = object({
  kind: string()
    .oneOf(Object.keys(AS_FOUND_KINDS) as AsFoundKind[])
    .required(),
  name: string()
    .trim()
    .min(1, 'Say what it is.')
    .max(80, 'A name has at most 80 characters.')
    .required('Say what it is.'),
  state: words(120),
  detail: words(200),
  colour: words(40),
  from: words(80),
  to: words(80),
  measured: words(80),
  behind: ref().nullable().default(null),
  mark: object({ photo: ref().required(), x: share(), y: share() }).noUnknown().nullable().default(null),
}).noUnknown()

/** An entry made by hand. Measurements come in by their own way, so that each has its recording. */
export const entrySchema = object({
  id: uuid(),
  at: instant(),
  kind: string()
    .oneOf([
      'note',
      'step',
      'station',
      'taken-back',
      'released',
      'wait',
      'wait-ended',
      'photo',
      'finding',
      'as-found',
      'undone',
      'put-back',
      'override',
      'acknowledged',
      'part',
    ] as const)
    .required(),
  station: string()
    .oneOf([...STATION_IDS])
    .required(),
  /** Left out where the server words it: findings, marks, gates. */
  title: string().trim().max(300, 'An entry’s title has at most 300 characters.').default(''),
  detail: string().trim().max(4000, 'An entry has at most 4000 characters.').default(''),
  step: string().max(80).optional(),
  outcome: string()
    .oneOf(['released', 'parts', 'quarantined', 'returned'] as const)
    .optional(),
  /** What is still good in a drive that is given up for parts. */
  parts: array(string().max(40).required()).max(120).optional(),
  minutes: number().min(1, 'A wait is at least a minute.').max(525_600, 'A wait is at most a year.').optional(),
  holds: string().max(80).nullable().optional(),
  /** What has to rest while it waits. */
  rests: array(string().oneOf(RESTS).required()).max(RESTS.length).optional(),
  wait: ref().optional(),
  photo: string().matches(SHA_256, 'A photo is named by its SHA-256.').optional(),
  finding: object({
    finding: string().max(80).optional(),
    question: string().max(80).optional(),
    value: number().typeError('The reading is a number.').optional(),
    place: string().max(80).nullable().default(null),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  item: itemSchema.default(undefined).optional(),
  of: ref().optional(),
  broke: string()
    .oneOf(['cut', 'snapped', 'unsoldered'] as const)
    .nullable()
    .optional(),
  leftOff: boolean().optional(),
  gate: string().max(40).optional(),
  caution: string().max(40).optional(),
  /** What a person says of one part. */
  part: object({
    part: string().max(40).required('Choose a part.'),
    condition: string().max(20).required('Say what it is like.'),
    known: string().max(20).default('looked at'),
    measures: measuresSchema(),
  })
    .noUnknown()
    .default(undefined)
    .optional(),
  takesBack: uuid().nullable().default(null).notRequired(),
}).noUnknown()
export type EntryInput = InferType<typeof entrySchema>

/** A kept recording, to be judged by the server and put on the log. */
export const speedInputSchema = object({
  id: uuid(),
  at: instant(),
  captureSha: string().matches(SHA_256, 'A recording is named by its SHA-256.').required(),
  channel: string().max(400).optional(),
  pulsesPerTurn: number().integer().min(1).max(1000).optional(),
  evenMarks: boolean().default(false),
  sampleRateHz: number().positive().optional(),
  timeUnit: string()
    .oneOf(['s', 'ms', 'us', 'ns'] as const)
    .optional(),
  polarity: string()
    .oneOf(['auto', 'positive', 'negative'] as const)
    .optional(),
  movedTurns: number().min(-20, 'A move is at most 20 turns.').max(20, 'A move is at most 20 turns.').default(0),
  simulated: boolean().default(false),
  remark: string().trim().max(300).default(''),
}).noUnknown()

export const ringsSchema = array(
  object({
    rpm: number().positive().max(10_000).required(),
    mainsHz: number().positive().max(1000).required(),
  }),
)
  .min(1)
  .max(4)
  .required()

/** A sum, with what was typed into it. */
export const sumInputSchema = object({
  id: uuid(),
  at: instant(),
  instrument: string().max(40).required('Say which instrument.'),
  values: mixed<Record<string, string>>(
    (v): v is Record<string, string> =>
      typeof v === 'object' &&
      v !== null &&
      !Array.isArray(v) &&
      Object.values(v).every(x => typeof x === 'string' && x.length <= 80),
  )
    .typeError('The values are words, each of at most 80 characters.')
    .required('Give the values.'),
  remark: string().trim().max(300).default(''),
}).noUnknown()
