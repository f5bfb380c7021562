import { number, object, string, type InferType } from 'yup'
import { PROOF_TESTS, type ProofTestId } from '@wobrin/core/proof'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const COUNTED = PROOF_TESTS.filter(t => t.counted).map(t => t.id)

/** A test whose sectors were counted: formatting, patterns, interchange. */
export const proofInputSchema = object({
  id: uuid(),
  at: instant(),
  test: string()
    .oneOf(COUNTED as ProofTestId[], 'There is no such test to be counted.')
    .required('Say which test it was.'),
  sectors: number()
    .typeError('The sectors are a whole number.')
    .integer('The sectors are a whole number.')
    .min(1, 'At least one sector was tried.')
    .max(10_000_000)
    .required('Say how many sectors were tried.'),
  errors: number()
    .typeError('The failed sectors are a whole number.')
    .integer('The failed sectors are a whole number.')
    .min(0)
    .required('Say how many failed; 0 for none.'),
  /** Drive that read it, for interchange: one of the workshop's. */
  reader: string().matches(UUID, 'A drive’s id is a UUID.').nullable().default(null),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type ProofInput = InferType<typeof proofInputSchema>
