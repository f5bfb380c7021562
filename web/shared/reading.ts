import { mixed, number, object, string, type InferType } from 'yup'
import { SOURCE_IDS, type SourceId } from '@wobrin/core/base/observations'
import { instant, uuid } from './log-input'

/** Sources that a person can name for a reading that is typed. */
const TYPED = SOURCE_IDS.filter(s => s !== 'recording' && s !== 'simulated' && s !== 'instrument')

/** A reading as it is typed: two fields are enough, the rest has usual values. */
export const readingInputSchema = object({
  id: uuid(),
  at: instant(),
  key: string().max(60).required('Say what was read.'),
  value: mixed<number | string>((v): v is number | string => typeof v === 'number' || typeof v === 'string')
    .typeError('A reading is a number or one of its words.')
    .required('Give the reading.'),
  label: string().trim().max(120, 'At most 120 characters.').optional(),
  unit: string().max(4).optional(),
  of: number().integer('Sectors are whole numbers.').min(1).max(10_000_000).optional(),
  source: string<SourceId>().oneOf(TYPED, 'Say how it was read.').optional(),
  by: string().trim().max(80, 'At most 80 characters.').optional(),
  uncertainty: number().min(0, 'An uncertainty is 0 or more.').nullable().optional(),
  movedTurns: number().min(-20, 'A move is at most 20 turns.').max(20, 'A move is at most 20 turns.').default(0),
  remark: string().trim().max(300, 'At most 300 characters.').default(''),
}).noUnknown()
export type ReadingEntryInput = InferType<typeof readingInputSchema>
