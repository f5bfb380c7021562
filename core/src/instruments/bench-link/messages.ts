import { InputError } from '../../base/errors'
import { LINE_NAMES, type LineName } from '../interface'

/** Version of the protocol. */
export const LINK_VERSION = 1
/** A line is no longer than this, bytes; flux comes in several. */
export const LONGEST_LINE = 65_536

/** Lines that a board drives. A board may have fewer. */
export const DRIVEN_LINES = ['select', 'motor', 'direction', 'side', 'write-gate'] as const
export type DrivenLine = (typeof DRIVEN_LINES)[number]

/** What the board says of itself, first of all. */
export interface Hello {
  readonly hello: 'bench-link'
  readonly version: number
  readonly board: string
  /** Lines that it sees. */
  readonly lines: readonly LineName[]
  /** Lines that it can drive, and `step` where it can step. */
  readonly drives: readonly (DrivenLine | 'step')[]
  /** Whether it can tell flux transitions of the read line. */
  readonly flux: boolean
  /** Supply voltages that it measures, by name such as "5V". */
  readonly volts: readonly string[]
  readonly simulated: boolean
}

/** A line changed its level: at so many microseconds since the board started. */
export interface LineChange {
  readonly t: number
  readonly line: LineName
  readonly low: boolean
}
/** The button of the board was pressed or let go. */
export interface ButtonChange {
  readonly t: number
  readonly button: boolean
}

/** Answer to a request; what was asked for stands beside `ok`. */
export interface Answer {
  readonly id: number
  readonly ok?: true
  readonly error?: string
  /** Microseconds since the board started: when it was done; of flux, when its reading began. */
  readonly t?: number
  /** Levels of all lines that the board sees: true where low. */
  readonly lines?: Readonly<Record<string, boolean>>
  readonly volts?: Readonly<Record<string, number>>
  /** Nanoseconds from each flux transition to the next, the first from the start of reading; of all parts together. */
  readonly flux?: readonly number[]
  /** Nanoseconds from the start of reading to each index pulse. */
  readonly index?: readonly number[]
}

/** A part of a long answer; the answer itself follows. A small board cannot hold a revolution. */
export interface FluxPart {
  readonly id: number
  readonly more: true
  readonly flux: readonly number[]
}

export type FromBoard = Hello | LineChange | ButtonChange | Answer | FluxPart

/** What the host asks of a board; each is answered once, with its id. */
export type ToBoard = { readonly id: number } & (
  | { readonly set: DrivenLine; readonly low: boolean }
  | { readonly step: 'inward' | 'outward' }
  | { readonly read: 'lines' | 'volts' }
  | { readonly read: 'flux'; readonly turns: number }
)

const isNumber = (x: unknown): x is number => typeof x === 'number' && Number.isFinite(x) && x >= 0
const isStrings = (x: unknown): x is string[] => Array.isArray(x) && x.every(s => typeof s === 'string')

/**
 * A line from a board.
 * @param at which line it is, for the message
 * @throws InputError naming what is wrong with it
 */
export function readFromBoard(line: string, at: number): FromBoard {
  const wrong = (problem: string, expected: string) =>
    new InputError(problem, expected, { file: 'the board', line: at })
  let m: Record<string, unknown>
  try {
    m = JSON.parse(line) as Record<string, unknown>
  } catch {
    throw wrong(`“${line.slice(0, 40)}” is not JSON`, 'a JSON object on a line of its own')
  }
  if (typeof m !== 'object' || m === null || Array.isArray(m)) throw wrong('it is not an object', 'a JSON object')
  if ('hello' in m) return helloOf(m, wrong)
  if ('id' in m) return answerOf(m, wrong)
  if (!isNumber(m.t)) throw wrong('there is no time t', 'microseconds since the board started')
  if (typeof m.button === 'boolean') return { t: m.t, button: m.button }
  if (!LINE_NAMES.includes(m.line as LineName))
    throw wrong(`there is no line “${String(m.line)}”`, LINE_NAMES.join(', '))
  if (typeof m.low !== 'boolean') throw wrong('low is not true or false', 'true where the line is low')
  return { t: m.t, line: m.line as LineName, low: m.low }
}

type Wrong = (problem: string, expected: string) => InputError

function helloOf(m: Record<string, unknown>, wrong: Wrong): Hello {
  if (m.hello !== 'bench-link') throw wrong(`hello is “${String(m.hello)}”`, '"bench-link"')
  if (m.version !== LINK_VERSION) throw wrong(`version ${String(m.version)} is not known`, `${LINK_VERSION}`)
  if (typeof m.board !== 'string') throw wrong('the board has no name', 'board: a text')
  if (!isStrings(m.lines) || m.lines.some(l => !LINE_NAMES.includes(l as LineName)))
    throw wrong('lines is not a list of lines', LINE_NAMES.join(', '))
  const known: readonly string[] = [...DRIVEN_LINES, 'step']
  if (!isStrings(m.drives) || m.drives.some(l => !known.includes(l)))
    throw wrong('drives is not a list of lines that a host drives', known.join(', '))
  if (!isStrings(m.volts)) throw wrong('volts is not a list of names', 'such as ["5V", "12V"], or []')
  return {
    hello: 'bench-link',
    version: LINK_VERSION,
    board: m.board,
    lines: m.lines as LineName[],
    drives: m.drives as Hello['drives'],
    flux: m.flux === true,
    volts: m.volts,
    simulated: m.simulated === true,
  }
}

function answerOf(m: Record<string, unknown>, wrong: Wrong): Answer | FluxPart {
  if (!isNumber(m.id)) throw wrong('the id is not a number', 'the id of the request')
  if (m.more === true) {
    if (!Array.isArray(m.flux) || !m.flux.every(isNumber)) throw wrong('flux is not a list of numbers', 'nanoseconds')
    return { id: m.id, more: true, flux: m.flux }
  }
  if (m.ok !== true && typeof m.error !== 'string')
    throw wrong('it says neither ok nor error', 'ok: true, or error: why')
  for (const list of ['flux', 'index'] as const)
    if (list in m && !(Array.isArray(m[list]) && (m[list] as unknown[]).every(isNumber)))
      throw wrong(`${list} is not a list of numbers`, 'nanoseconds')
  const volts = m.volts as Record<string, unknown> | undefined
  if (volts !== undefined && !Object.values(volts).every(v => typeof v === 'number'))
    throw wrong('volts are not numbers', 'volts by their names')
  const lines = m.lines as Record<string, unknown> | undefined
  if (lines !== undefined && !Object.values(lines).every(v => typeof v === 'boolean'))
    throw wrong('lines are not true or false', 'true where a line is low, by its name')
  return m as unknown as Answer
}
