import { boolean, number, object, string, type InferType } from 'yup'

/** Settings of the workshop, with their defaults: an invented one. */
export const workshopSchema = object({
  name: string().trim().max(120, 'The name is longer than 120 characters.').required('Give the workshop a name.').default('Skerrow harbour tide archive'),
  initials: string().trim().max(4, 'Bench initials have at most four letters.').default(''),
  mainsHz: number().oneOf([50, 60], 'Mains frequency is 50 or 60 Hz.').required().default(50),
  speedSchool: string().oneOf(['leave-alone', 'dial-in'] as const).required().default('leave-alone'),
  lubricantSchool: string().oneOf(['light-oil', 'thin-grease'] as const).required().default('light-oil'),
  theme: string().oneOf(['day', 'dim', 'system'] as const).required().default('day'),
  tone: object({
    on: boolean().required().default(false),
    volume: number().min(0).max(1).required().default(0.3),
  }).required(),
}).noUnknown()

export type WorkshopSettings = InferType<typeof workshopSchema>

export const defaultWorkshop = (): WorkshopSettings => workshopSchema.getDefault() as WorkshopSettings
