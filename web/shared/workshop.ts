import { number, object, string, type InferType } from 'yup'

/** Settings of the workshop, with their defaults: an invented one. */
export const workshopSchema = object({
  name: string().trim().max(120, 'The name is longer than 120 characters.').required('Give the workshop a name.').default('Skerrow harbour tide archive'),
  mainsHz: number().oneOf([50, 60], 'Mains frequency is 50 or 60 Hz.').required().default(50),
  speedSchool: string().oneOf(['leave-alone', 'dial-in'] as const).required().default('leave-alone'),
  theme: string().oneOf(['day', 'dim', 'system'] as const).required().default('day'),
  tone: object({
    volume: number().min(0).max(1).required().default(0.3),
    /** Share of speed that makes one octave. */
    octaveShare: number().oneOf([0.03, 0.06, 0.12]).required().default(0.06),
  }).required(),
}).noUnknown()

export type WorkshopSettings = InferType<typeof workshopSchema>

export const defaultWorkshop = (): WorkshopSettings => workshopSchema.getDefault() as WorkshopSettings
