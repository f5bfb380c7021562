import { boolean, number, object, string, type AnySchema, type InferType } from 'yup'
import { MECHANISM_IDS } from '@wobrin/core/drives'

const line = (label: string, most: number) =>
  string().trim().max(most, `${label} is longer than ${most} characters.`).default('')

const millimetres = (label: string) =>
  number()
    .typeError(`${label} is a number of millimetres.`)
    .positive(`${label} is above 0 mm.`)
    .max(2000, `${label} is at most 2000 mm.`)

/** Sizes of a belt drive: all that is known, or null. */
const pulleysSchema = object({
  motorPulleyMm: millimetres('The motor pulley').required('Give the motor pulley’s diameter.'),
  flywheelMm: millimetres('The flywheel').required('Give the flywheel’s diameter.'),
  beltLengthMm: millimetres('The belt').optional(),
  centreDistanceMm: millimetres('The centre distance').optional(),
}).noUnknown()

const flag = () => boolean().nullable().default(null)
const featuresSchema = object({
  spindle: string()
    .oneOf(['belt', 'direct'] as const)
    .nullable()
    .default(null),
  carriage: string()
    .oneOf(['screw', 'band', 'spiral'] as const)
    .nullable()
    .default(null),
  heads: number<1 | 2>()
    .oneOf([1, 2] as const, 'A drive has one head or two.')
    .nullable()
    .default(null),
  loading: string()
    .oneOf(['lever', 'push-in'] as const)
    .nullable()
    .default(null),
  ownProcessor: flag(),
  hardSectored: flag(),
  phasesFromHost: flag(),
  pictureTube: flag(),
}).noUnknown()

const amount = (label: string) =>
  number()
    .typeError(`${label} is a number.`)
    .min(0, `${label} is 0 or more.`)
    .max(1_000_000, `${label} is at most a million.`)
    .nullable()
    .default(null)
const accountSchema = object({
  paid: amount('What was paid'),
  parts: amount('The price of parts'),
  working: amount('The worth working'),
  asParts: amount('The worth as parts'),
  hours: amount('Hours so far'),
  hourRate: amount('What an hour is to bring'),
  chance: number()
    .typeError('The chance is a number.')
    .min(0, 'A chance is 0 % or more.')
    .max(1, 'A chance is at most 100 %.')
    .nullable()
    .default(null),
  matters: boolean().required().default(false),
}).noUnknown()

const facts = {
  tag: string()
    .trim()
    .required('Give it a tag, such as SK-21.')
    .max(12, 'A tag has at most 12 characters.')
    .matches(/^[\w-]+$/, { message: 'A tag is made of letters, digits and hyphens.', excludeEmptyString: true }),
  simulated: boolean().default(false),
  mechanism: string()
    .oneOf([...MECHANISM_IDS], 'Choose the drive type.')
    .required('Choose the drive type.'),
  maker: line('The maker', 60),
  model: line('The model', 60),
  serial: line('The serial number', 60),
  host: line('The host', 120),
  ownerWords: line('What it does wrong', 500),
  features: featuresSchema.nullable().default(null),
  account: accountSchema.nullable().default(null),
  nominalRpm: number()
    .typeError('The nominal speed is a number.')
    .positive('The nominal speed is above 0.')
    .max(10_000)
    .nullable()
    .default(null),
  motor: string()
    .oneOf(['ac', 'dc'] as const)
    .nullable()
    .default(null),
  hasTrimmer: boolean().nullable().default(null),
  pulleys: pulleysSchema.nullable().default(null),
}

/** What is said of a drive when it comes in. */
export const driveSchema = object(facts).noUnknown()
export type NewDrive = InferType<typeof driveSchema>

/** Facts corrected later: any of them. */
export const driveChangeSchema = object(
  Object.fromEntries(
    Object.entries(facts).map(([key, schema]) => [key, (schema as AnySchema).optional().default(undefined)]),
  ),
).noUnknown()
