import { array, object, string, type InferType } from 'yup'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const ref = (what: string) => string().matches(UUID, what)

/** A whole drive that goes into the place of another one. */
export const exchangeSchema = object({
  id: uuid(),
  at: instant(),
  by: ref('Choose the drive that goes in.').required('Choose the drive that goes in.'),
  /** As-found entries that belong to the machine. */
  passOn: array(ref('What is passed on is named by its entry.').required())
    .max(500, 'At most 500 things are passed on.')
    .default([]),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type Exchange = InferType<typeof exchangeSchema>
