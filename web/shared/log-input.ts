import { array, boolean, number, object, string } from 'yup'
import { STATION_IDS } from '@wobrin/core/observations'

const uuid = () => string().matches(/^[0-9a-f-]{36}$/, 'An entry’s id is a UUID.').required()
const instant = () => string().matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?Z$/, 'A time is ISO 8601 in UTC.').required()

/** An entry made by hand. Measurements come in by their own way, so that each has its recording. */
export const entrySchema = object({
  id: uuid(),
  at: instant(),
  kind: string().oneOf(['note', 'step', 'station', 'taken-back', 'released', 'wait', 'wait-ended', 'photo'] as const).required(),
  station: string().oneOf([...STATION_IDS]).required(),
  title: string().trim().min(1, 'Say something.').max(300, 'An entry’s title has at most 300 characters.').required(),
  detail: string().trim().max(4000, 'An entry has at most 4000 characters.').default(''),
  step: string().max(80).optional(),
  outcome: string().oneOf(['released', 'parts', 'quarantined', 'returned'] as const).optional(),
  minutes: number().min(1, 'A wait is at least a minute.').max(525_600, 'A wait is at most a year.').optional(),
  wait: string().max(36).optional(),
  photo: object({
    sha: string().matches(/^[0-9a-f]{64}$/).required(),
    width: number().integer().min(1).max(20_000).required(),
    height: number().integer().min(1).max(20_000).required(),
  }).default(undefined).optional(),
  takesBack: uuid().nullable().default(null).notRequired(),
}).noUnknown()

/** A kept recording, to be judged by the server and put on the log. */
export const speedInputSchema = object({
  id: uuid(),
  at: instant(),
  captureSha: string().matches(/^[0-9a-f]{64}$/, 'A recording is named by its SHA-256.').required(),
  channel: string().max(400).optional(),
  pulsesPerTurn: number().integer().min(1).max(1000).optional(),
  evenMarks: boolean().default(false),
  sampleRateHz: number().positive().optional(),
  timeUnit: string().oneOf(['s', 'ms', 'us', 'ns'] as const).optional(),
  polarity: string().oneOf(['auto', 'positive', 'negative'] as const).optional(),
  movedTurns: number().min(-20, 'A move is at most 20 turns.').max(20, 'A move is at most 20 turns.').default(0),
  simulated: boolean().default(false),
  remark: string().trim().max(300).default(''),
}).noUnknown()

export const ringsSchema = array(object({
  rpm: number().positive().max(10_000).required(),
  mainsHz: number().positive().max(1000).required(),
})).min(1).max(4).required()
