import { boolean, number, object, string, type InferType } from 'yup'
import { instant, uuid } from './log-input'
import { SHA_256 } from './patterns'

const MOVE = 'A move is at most 20 turns.'

/** A kept recording of sound, or the frames of a film, to be judged by the server and put on the log. */
export const sensedInputSchema = object({
  id: uuid(),
  at: instant(),
  captureSha: string().matches(SHA_256, 'A recording is named by its SHA-256.').required(),
  /** A sound once a revolution, the tone of a motor, the steps of a seek; a mark or a ring of bars in a film. */
  of: string()
    .oneOf(['rub', 'tone', 'steps', 'mark', 'ring'] as const)
    .required('Say what it is of.'),
  perRevolution: number().integer().min(1).max(1000).optional(),
  /** Steps that the host was told to make in each seek. */
  steps: number().integer().min(1).max(1000).optional(),
  slowed: number().min(1, 'A film plays as fast as it was taken, or slower.').max(64).default(1),
  bars: number().integer().min(2).max(2000).optional(),
  creeps: string()
    .oneOf(['with', 'against'] as const)
    .nullable()
    .default(null),
  movedTurns: number().min(-20, MOVE).max(20, MOVE).default(0),
  simulated: boolean().default(false),
  remark: string().trim().max(300).default(''),
}).noUnknown()
export type SensedInput = InferType<typeof sensedInputSchema>
