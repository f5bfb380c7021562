import { boolean, number, object, string, type AnySchema, type InferType } from 'yup'
import { MECHANISM_IDS } from '@wobrin/core/mechanisms'

const line = (label: string, most: number) => string().trim().max(most, `${label} is longer than ${most} characters.`).default('')

const millimetres = (label: string) => number().typeError(`${label} is a number of millimetres.`).positive(`${label} is above 0 mm.`).max(2000, `${label} is at most 2000 mm.`)

/** Sizes of a belt drive: all that is known, or null. */
const pulleysSchema = object({
  motorPulleyMm: millimetres('The motor pulley').required('Give the motor pulley’s diameter.'),
  flywheelMm: millimetres('The flywheel').required('Give the flywheel’s diameter.'),
  beltLengthMm: millimetres('The belt').optional(),
  centreDistanceMm: millimetres('The centre distance').optional(),
}).noUnknown()

const facts = {
  tag: string().trim().required('Give it a tag, such as SK-21.').max(12, 'A tag has at most 12 characters.').matches(/^[\w-]+$/, { message: 'A tag is made of letters, digits and hyphens.', excludeEmptyString: true }),
  mechanism: string().oneOf([...MECHANISM_IDS], 'Choose what kind of drive it is.').required('Choose what kind of drive it is.'),
  maker: line('The maker', 60),
  model: line('The model', 60),
  serial: line('The serial number', 60),
  host: line('The host', 120),
  ownerWords: line('What it does wrong', 500),
  paid: line('What was paid', 40),
  worth: line('What it is worth', 40),
  nominalRpm: number().typeError('The nominal speed is a number.').positive('The nominal speed is above 0.').max(10_000).nullable().default(null),
  motor: string().oneOf(['ac', 'dc'] as const).nullable().default(null),
  hasTrimmer: boolean().nullable().default(null),
  pulleys: pulleysSchema.nullable().default(null),
}

/** What is said of a drive when it comes in. */
export const driveSchema = object(facts).noUnknown()
export type NewDrive = InferType<typeof driveSchema>

/** Facts corrected later: any of them. */
export const driveChangeSchema = object(Object.fromEntries(
  Object.entries(facts).map(([key, schema]) => [key, (schema as AnySchema).optional().default(undefined)]),
)).noUnknown()
