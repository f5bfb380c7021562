import { array, number, object, string, type InferType } from 'yup'
import { AGENTS, type LubricantSchool } from '@wobrin/core/bench/cleaning'
import { defaultWorkshop } from './workshop-defaults'

const start = defaultWorkshop()

/** Settings of the workshop. Its name is asked for where it is first needed. */
export const workshopSchema = object({
  name: string().trim().max(120, 'The name is longer than 120 characters.').defined().default(start.name),
  mainsHz: number().oneOf([50, 60], 'Mains frequency is 50 or 60 Hz.').required().default(start.mainsHz),
  speedSchool: string()
    .oneOf(['leave-alone', 'dial-in'] as const)
    .required()
    .default(start.speedSchool),
  lubricantSchool: string<LubricantSchool>()
    .oneOf(['light-oil', 'thin-grease'] as const)
    .required()
    .default(start.lubricantSchool),
  /** Cleaning and lubricating agents at hand. */
  shelf: array(
    string()
      .oneOf(
        AGENTS.map(a => a.id),
        'There is no such agent.',
      )
      .required(),
  )
    .max(40)
    .required()
    .default(start.shelf),
  /** Sign of the currency that amounts are in. */
  currency: string()
    .trim()
    .max(4, 'A currency sign has at most four characters.')
    .required('Give a currency sign.')
    .default(start.currency),
  /** Folder on another disk where backups go as well, with recordings and photos; empty for none. */
  secondPlace: string().trim().max(400, 'The path is longer than 400 characters.').default(start.secondPlace),
  theme: string()
    .oneOf(['day', 'dim', 'system'] as const)
    .required()
    .default(start.theme),
  tone: object({
    volume: number().min(0).max(1).required().default(start.tone.volume),
    /** Share of speed that makes one octave. */
    octaveShare: number().oneOf([0.03, 0.06, 0.12]).required().default(start.tone.octaveShare),
  }).required(),
}).noUnknown()

export type WorkshopSettings = InferType<typeof workshopSchema>
