import { appendFileSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'

export type Level = 'info' | 'warn' | 'error'

/** The file with where in the program a fault came up. */
export const FAULTS_FILE = 'errors.log'
/** Past this size it is begun anew, and the one before it is kept. */
const MOST_BYTES = 1024 ** 2

/** One event, one line: when, how grave, what. @returns the line */
export function logLine(level: Level, what: string, now = new Date()): string {
  const line = `${now.toISOString()} ${level} ${what.replace(/\s*\n\s*/g, ' ').trim()}`
  if (level === 'info') console.log(line)
  else console.error(line)
  return line
}

/** Keeps what a person need not read. A disk that takes nothing more is told elsewhere. */
export function keepFault(root: string, text: string): void {
  const path = join(root, FAULTS_FILE)
  try {
    if ((statSync(path, { throwIfNoEntry: false })?.size ?? 0) > MOST_BYTES) renameSync(path, `${path}.1`)
    appendFileSync(path, text, { mode: 0o600 })
  } catch {
    // The line was said already.
  }
}

/** A start with more to say than this says how much more. */
const MOST_LINES = 20

/** One line each for a list of problems, a long one cut short: `wobrin verify` names all. */
export function logProblems(problems: readonly string[], now = new Date()): void {
  for (const said of problems.slice(0, MOST_LINES)) logLine('error', said, now)
  const more = problems.length - MOST_LINES
  if (more > 0) logLine('error', `${more} more of the kind. “wobrin verify” names all of them.`, now)
}
