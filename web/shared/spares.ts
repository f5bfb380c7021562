import { number, object, string, type InferType } from 'yup'
import { MECHANISM_IDS, type MechanismId } from '@wobrin/core/drives'
import { PART_KNOWN } from '@wobrin/core/log'
import { findPart, type Measures } from '@wobrin/core/parts'
import { measuresSchema } from './measures'
import { dateExists, SHA_256 } from './patterns'

const words = (most: number) => string().trim().max(most, `At most ${most} characters.`).default('')

/** A part on the shelf, or on its way to it. */
export const spareSchema = object({
  part: string()
    .max(40)
    .required('Choose what it is.')
    .test('known', 'Choose what it is.', value => value !== undefined && findPart(value) !== undefined),
  name: string()
    .trim()
    .min(1, 'Give it a name that finds it again.')
    .max(80, 'A name has at most 80 characters.')
    .required('Give it a name that finds it again.'),
  mechanism: string()
    .oneOf([...MECHANISM_IDS], 'Choose a drive type.')
    .nullable()
    .default(null),
  maker: words(60),
  model: words(60),
  pieces: number()
    .typeError('Pieces: a whole number.')
    .integer('Pieces: a whole number.')
    .min(1, 'Pieces: at least 1.')
    .max(9999, 'Pieces: at most 9999.')
    .default(1),
  known: string().oneOf(PART_KNOWN).default('not known'),
  says: words(200),
  measures: measuresSchema(),
  place: words(80),
  /** Day on which it should arrive; null for one that is here. */
  dueOn: string()
    .matches(/^\d{4}-\d\d-\d\d$/, 'A day is written 2026-03-31.')
    .test('exists', 'This day does not exist.', dateExists)
    .nullable()
    .default(null),
  photo: string().matches(SHA_256, 'A photo is named by its SHA-256.').nullable().default(null),
  /** What became of it; null while it is there. */
  gone: string().trim().max(120, 'At most 120 characters.').nullable().default(null),
}).noUnknown()
export type SpareInput = Omit<InferType<typeof spareSchema>, 'mechanism' | 'measures'> & {
  readonly mechanism: MechanismId | null
  readonly measures: Measures
}

/** A part as the shelf keeps it. */
export interface KeptSpare extends SpareInput {
  readonly id: string
  readonly addedAt: string
}
