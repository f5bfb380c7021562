import { findNodeAtLocation, parseTree, printParseErrorCode, type JSONPath, type ParseError } from 'jsonc-parser'
import { InputError } from '../../base/errors'

/** JSON with the line of each of its values, for sentences that say where. */
export interface Located {
  readonly value: unknown
  /** @throws InputError at the line of a value */
  readonly refuse: (path: JSONPath, problem: string, expected: string) => never
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length

/**
 * Reads JSON and keeps where each value stands.
 * @throws InputError with the line where it is no JSON
 */
export function locatedJson(text: string, file: string): Located {
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  const [error] = errors
  if (error || !tree)
    throw new InputError(
      `it is not JSON (${error ? printParseErrorCode(error.error) : 'it is empty'})`,
      'knowledge as JSON',
      { file, line: lineAt(text, error?.offset ?? 0) },
    )
  return {
    value: JSON.parse(text) as unknown,
    refuse(path, problem, expected) {
      let at: JSONPath = path
      // What is missing has no place: the nearest thing around it has.
      while (at.length && !findNodeAtLocation(tree, at)) at = at.slice(0, -1)
      const node = at.length ? findNodeAtLocation(tree, at) : tree
      throw new InputError(problem, expected, { file, line: lineAt(text, node?.offset ?? 0), field: path.join('.') })
    },
  }
}
