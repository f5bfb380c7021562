import { boolean, number, object, string, tuple, type InferType } from 'yup'
import { instant, uuid } from './log-input'

const count = (what: string) =>
  number()
    .typeError(`${what} are a whole number.`)
    .integer(`${what} are a whole number.`)
    .max(10_000_000, 'At most ten million.')
    .required(`${what} are left out.`)
const counted = () =>
  object({
    good: count('Sectors that came back').min(0, 'At least 0.'),
    sectors: count('Sectors written').min(1, 'At least one sector was written.'),
  })
    .noUnknown()
    .nullable()
    .default(null)
const byHead = () => tuple([counted(), counted()]).required()
const told = () => boolean().nullable().default(null)

/** What a host said of writing a disk; null where it was not tried. */
export const writeTestSchema = object({
  id: uuid(),
  at: instant(),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
  result: object({
    blocked: told(),
    allowed: told(),
    format: byHead(),
    pattern: byHead(),
    overwrite: byHead(),
    first: counted(),
    last: counted(),
    homeAfter: told(),
    tracks: number()
      .typeError('Tracks are a whole number.')
      .integer('Tracks are a whole number.')
      .min(1, 'At least one track.')
      .max(10_000)
      .nullable()
      .default(null),
    formatS: number()
      .typeError('The time of the format is in seconds.')
      .positive('The time of the format is above 0 s.')
      .max(86_400, 'At most a day.')
      .nullable()
      .default(null),
  })
    .noUnknown()
    .required(),
}).noUnknown()
export type WriteTestInput = InferType<typeof writeTestSchema>
