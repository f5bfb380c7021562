import { array, boolean, number, object, string, tuple, type InferType } from 'yup'
import { ADJUSTER_IDS, SCALES, ZONES } from '@wobrin/core/drives'
import { SOURCE_IDS } from '@wobrin/core/base/observations'
import { instant, uuid } from './log-input'
import { UUID } from './patterns'

const counted = () =>
  object({
    good: number().integer().min(0).max(10_000).required('Say how many sectors read.'),
    expected: number().integer().min(1).max(10_000).required('Say how many sectors there are.'),
    margin: number().min(0).max(1).optional(),
    named: number().integer().min(-100).max(100).optional(),
  }).noUnknown()
const mark = () =>
  number()
    .min(-100_000, 'A position lies on the adjuster’s scale.')
    .max(100_000, 'A position lies on the adjuster’s scale.')

/** A sweep with every try; what it says is worked out by the server. */
export const sweepInputSchema = object({
  id: uuid(),
  at: instant(),
  adjuster: string()
    .oneOf([...ADJUSTER_IDS])
    .required('Say which adjuster was moved.'),
  scale: string().oneOf(Object.values(SCALES)).required('Say what its scale is.'),
  travel: tuple([mark().required(), mark().required()])
    .required('Say how far it goes.')
    .test('rises', 'The travel goes from a lower mark to a higher one.', t => t !== undefined && t[0] < t[1]),
  stood: mark().nullable().default(null),
  witness: mark().nullable().default(null),
  by: string()
    .oneOf(['lower', 'upper'] as const)
    .nullable()
    .default(null),
  umPerUnit: number()
    .positive('A unit of the scale moves the head by more than 0 µm.')
    .max(100_000)
    .nullable()
    .default(null),
  rows: array(
    object({
      position: mark().required('Each row has its position.'),
      side: string()
        .oneOf(['below', 'above'] as const)
        .default('below'),
      lower: counted().required(),
      upper: counted().nullable().default(null),
      struck: boolean().default(false),
      source: string()
        .oneOf([...SOURCE_IDS])
        .default('host'),
    }).noUnknown(),
  )
    .min(1, 'Nothing was tried yet.')
    .max(200, 'A sweep has at most 200 positions.')
    .required(),
  setTo: mark().nullable().default(null),
  recheck: object({
    position: mark().nullable().default(null),
    zones: array(
      object({
        zone: string()
          .oneOf([...ZONES])
          .required(),
        lower: counted().required(),
        upper: counted().nullable().default(null),
      }).noUnknown(),
    )
      .max(3)
      .required(),
  })
    .noUnknown()
    .nullable()
    .default(null),
  disk: string().matches(UUID, 'A disk’s id is a UUID.').nullable().default(null),
  simulated: boolean().default(false),
  remark: string().trim().max(300).default(''),
}).noUnknown()
export type SweepInput = InferType<typeof sweepInputSchema>
