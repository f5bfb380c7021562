import { array, boolean, number, object, string, type AnySchema, type InferType } from 'yup'
import { GOAL_IDS, ROUTE_IDS, type GoalId, type RouteId } from '@wobrin/core/log'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { INSTANT, UUID } from './patterns'

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
  year: number()
    // An emptied field says that nobody knows.
    .transform((value: unknown, sent: unknown) => (sent === '' ? null : value))
    .typeError('The year of make is a year, such as 1989.')
    .integer('The year of make is a year, such as 1989.')
    .min(1960, 'The year of make is 1960 or later.')
    .max(2040, 'The year of make is 2040 or earlier.')
    .nullable()
    .default(null),
  goal: string<GoalId>()
    .oneOf([...GOAL_IDS], 'Choose a level, or none.')
    .nullable()
    .default(null),
  route: string<RouteId>()
    .oneOf([...ROUTE_IDS], 'The route is complaint or overhaul.')
    .default('complaint'),
  practice: number()
    .integer('A practice drive has a whole number.')
    .min(0)
    .max(2 ** 31)
    .nullable()
    .default(null),
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

const ids = () => array(string().trim().max(60, 'An id has at most 60 characters.').required()).max(40).default([])

/** A drive as it comes in: its facts, and what is said of it. */
export const arrivalSchema = driveSchema.shape({
  id: string().matches(UUID, 'A drive’s id is a UUID.').optional(),
  receivedAt: string().matches(INSTANT, 'A time is ISO 8601 in UTC.').optional(),
  complaints: ids(),
  found: ids(),
})
export type Arrival = InferType<typeof arrivalSchema>

const anyFacts = Object.fromEntries(
  Object.entries(facts).map(([key, schema]) => [key, (schema as AnySchema).optional().default(undefined)]),
)

/** Facts corrected later: any of them; `before` is what whoever corrects them saw. */
export const driveChangeSchema = object({
  ...anyFacts,
  before: object(anyFacts).noUnknown().optional().default(undefined),
}).noUnknown()
