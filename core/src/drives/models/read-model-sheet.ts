import { array, mixed, number, object, string, ValidationError } from 'yup'
import { InputError } from '../../base/errors'
import { MECHANISM_IDS } from '../types'
import { MEMORY_TOPIC_IDS, POINT_UNITS, type ModelSheet } from './model-sheet'

/** Sizes beyond which a sheet is none. */
const MOST = { bytes: 400_000, points: 200, pins: 300, memory: 100 } as const

const text = (what: string, most: number) =>
  string().strict().max(most, `${what} has at most ${most} characters`).defined(`${what} is left out`)
const named = (what: string, most: number) =>
  string().strict().trim().required(`${what} is left out`).max(most, `${what} has at most ${most} characters`)

const schema = object({
  format: string().strict().oneOf(['wobrin-model-sheet'], 'format is “wobrin-model-sheet”').required(),
  version: number().strict().oneOf([1], 'this program knows version 1').required(),
  mechanism: string()
    .strict()
    .oneOf(MECHANISM_IDS, `a drive type is one of ${MECHANISM_IDS.join(', ')}`)
    .required(),
  maker: text('the maker', 120),
  model: named('the model', 120),
  points: array(
    object({
      id: string()
        .strict()
        .matches(/^[a-z0-9-]{1,50}$/, 'an id is of small letters, digits and hyphens')
        .required('an id is left out'),
      name: named('a test point’s name', 80),
      state: text('what the drive does meanwhile', 80),
      unit: string()
        .strict()
        .oneOf(POINT_UNITS, `a unit is one of ${POINT_UNITS.filter(Boolean).join(', ')}`)
        .defined(),
      part: string().strict().max(60).nullable().defined('the part is left out; null where none is known'),
      expected: object({
        value: mixed<number | string>(
          (v): v is number | string => (typeof v === 'number' && Number.isFinite(v)) || typeof v === 'string',
        ).required('an expected value is a number or a word'),
        from: text('where it is from', 120),
      })
        .noUnknown()
        .nullable()
        .defined('the expected value is left out; null where none is known'),
    }).noUnknown(),
  )
    .strict()
    .max(MOST.points, `at most ${MOST.points} test points`)
    .required('the test points are left out'),
  pins: array(
    object({
      plug: named('a plug', 40),
      pin: named('a pin', 20),
      signal: named('a signal', 80),
      from: text('where it is from', 120),
    }).noUnknown(),
  )
    .strict()
    .max(MOST.pins, `at most ${MOST.pins} pins`)
    .required('the pins are left out'),
  memory: array(
    object({
      topic: string()
        .strict()
        .oneOf(MEMORY_TOPIC_IDS, `a topic is one of ${MEMORY_TOPIC_IDS.join(', ')}`)
        .required('the topic is left out'),
      text: named('a text', 1000),
      from: text('where it is from', 120),
    }).noUnknown(),
  )
    .strict()
    .max(MOST.memory, `at most ${MOST.memory} texts`)
    .required('the texts are left out'),
}).noUnknown()

/**
 * Checks what claims to be a model sheet.
 * @throws InputError naming the field and what was expected there
 */
export function checkModelSheet(json: unknown, file?: string): ModelSheet {
  let sheet: ModelSheet
  try {
    sheet = schema.validateSync(json, { abortEarly: true, strict: true }) as unknown as ModelSheet
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    throw new InputError(error.message.split('\n')[0]!.slice(0, 300), 'a model sheet as this program writes it', {
      file,
      field: error.path || undefined,
    })
  }
  const ids = sheet.points.map(p => p.id)
  const twice = ids.find((id, i) => ids.indexOf(id) !== i)
  if (twice !== undefined)
    throw new InputError(`the test point “${twice}” is there twice`, 'each id once', { file, field: 'points' })
  return sheet
}

/**
 * Reads a model sheet from JSON.
 * @param content the file's content
 * @throws InputError
 */
export function readModelSheet(content: string, file?: string): ModelSheet {
  if (content.length > MOST.bytes)
    throw new InputError(`it is ${content.length} characters long`, `a model sheet of at most ${MOST.bytes}`, { file })
  let json: unknown
  try {
    json = JSON.parse(content)
  } catch (error) {
    throw new InputError(`it is not JSON (${(error as Error).message.slice(0, 80)})`, 'a model sheet', { file })
  }
  return checkModelSheet(json, file)
}
