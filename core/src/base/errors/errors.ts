/** Where in the input something was wrong. Every part is optional: name what is known. */
export interface InputPlace {
  /** Name of the file as the user knows it. */
  readonly file?: string
  /** Line number, counted from 1. */
  readonly line?: number
  /** Offset in bytes from the start of the (decompressed) file, counted from 0. */
  readonly byteOffset?: number
  /** Name of a form field, option or argument. */
  readonly field?: string
}

function describePlace(where: InputPlace): string {
  const at: string[] = []
  if (where.line !== undefined) at.push(`line ${where.line}`)
  if (where.byteOffset !== undefined) at.push(`byte ${where.byteOffset}`)
  if (where.field !== undefined) at.push(where.field)
  return [where.file, at.join(', ')].filter(Boolean).join(', ')
}

/**
 * What came in cannot be used. The message is one sentence naming the file, the place, what is wrong and
 * what was expected, ready to be shown to a person.
 */
export class InputError extends Error {
  override readonly name: string = 'InputError'
  /** What is wrong, without the place. */
  readonly problem: string
  /** What was expected instead. */
  readonly expected: string
  readonly where: InputPlace

  constructor(problem: string, expected: string, where: InputPlace = {}) {
    const place = describePlace(where)
    // What is quoted from the input may hold line ends; the message stays one line.
    super(`${place ? `${place}: ` : ''}${problem}; expected ${expected}.`.replace(/\p{Cc}+/gu, ' '))
    this.problem = problem
    this.expected = expected
    this.where = where
  }
}

/** The input is larger than this program agrees to hold. */
export class LimitError extends InputError {
  override readonly name = 'LimitError'
}

/** A setting, option or argument is outside what it may be. */
export class ParameterError extends InputError {
  override readonly name = 'ParameterError'
}

/** The work was stopped by the person who started it. */
export class AbortedError extends Error {
  override readonly name = 'AbortedError'
  constructor() {
    super('Stopped before the end; nothing was kept.')
  }
}
