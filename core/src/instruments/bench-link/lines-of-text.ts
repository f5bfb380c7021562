import { InputError } from '../../base/errors'
import { LONGEST_LINE } from './messages'

/** Cuts what comes from a wire into lines, however it is cut up on the way. */
export class LineCutter {
  private held = ''

  /** @returns the lines that are whole @throws InputError where a line does not end */
  push(piece: string): string[] {
    const parts = (this.held + piece).split('\n')
    this.held = parts.pop()!
    if (this.held.length > LONGEST_LINE)
      throw new InputError('a line does not end', `lines of at most ${LONGEST_LINE} bytes`, { file: 'the board' })
    return parts.map(p => p.trim()).filter(Boolean)
  }
}
