import { InputError, LimitError } from '../../base/errors'

/** A one-bit variable declared in a VCD header. */
export interface VcdVariable {
  readonly name: string
  /** The identifier code that stands for it in the body. */
  readonly code: string
}

export interface VcdHeader {
  readonly ticksPerSecond: number
  readonly variables: readonly VcdVariable[]
  readonly notices: readonly string[]
}

const UNITS_PER_SECOND: Readonly<Record<string, number>> = {
  s: 1,
  ms: 1e3,
  us: 1e6,
  ns: 1e9,
  ps: 1e12,
  fs: 1e15,
}

/** Variables narrower than this table's kinds are passed over: IEEE 1364-2005, 18.2.3.8. */
const REAL_KINDS = new Set(['real', 'realtime', 'string', 'event'])

export const MAX_HEADER_BYTES = 4 * 1024 * 1024
/** Scopes that a name may carry: a design of chips has a dozen. */
const MAX_SCOPES = 256

/** A scope with the one around it; that of the file itself has none. Names are put together only at the end. */
interface Scope {
  readonly name: string
  readonly depth: number
  readonly outer: Scope | null
}

interface Declared {
  readonly name: string
  readonly code: string
  readonly scope: Scope
}

function parseTimescale(words: string[], file: string): number {
  const m = /^(1|10|100)(s|ms|us|ns|ps|fs)$/.exec(words.join(''))
  if (!m) {
    throw new InputError(
      `the time scale reads "${words.join(' ').slice(0, 40)}"`,
      '1, 10 or 100 followed by s, ms, us, ns, ps or fs',
      { file, field: '$timescale' },
    )
  }
  return UNITS_PER_SECOND[m[2]!]! / Number(m[1])
}

/**
 * Parses the declarations of a VCD file, up to and with `$enddefinitions $end`.
 * Follows IEEE 1364-2005, clause 18.2 (from memory).
 * @throws InputError on a missing time scale or a malformed declaration
 */
export function parseVcdHeader(text: string, file: string): VcdHeader {
  const words = text.split(/\s+/).filter(Boolean)
  const scopes: Scope[] = [{ name: '', depth: 0, outer: null }]
  const variables: Declared[] = []
  let ticksPerSecond = 0
  let wide = 0
  let reals = 0
  for (let i = 0; i < words.length; i++) {
    if (!words[i]!.startsWith('$')) continue
    const end = words.indexOf('$end', i + 1)
    if (end < 0) throw new InputError(`${words[i]} is never closed`, 'a matching $end', { file })
    const args = words.slice(i + 1, end)
    switch (words[i]) {
      case '$timescale':
        ticksPerSecond = parseTimescale(args, file)
        break
      case '$scope': {
        const outer = scopes.at(-1)!
        const name = args[1] ?? ''
        scopes.push(name ? { name, depth: outer.depth + 1, outer } : outer)
        break
      }
      case '$upscope':
        if (scopes.length > 1) scopes.pop()
        break
      case '$var': {
        const [kind = '', width = '', code, ...name] = args
        if (!code || name.length === 0 || !/^\d+$/.test(width)) {
          throw new InputError(
            `a $var declaration reads "${args.join(' ').slice(0, 60)}"`,
            'type, width, code and name',
            { file, field: '$var' },
          )
        }
        if (REAL_KINDS.has(kind)) reals++
        else if (width !== '1') wide++
        else variables.push({ name: name.join(''), code, scope: scopes.at(-1)! })
        break
      }
    }
    i = end
  }
  if (ticksPerSecond === 0)
    throw new InputError('the header has no time scale', 'a $timescale before $enddefinitions', { file })
  if (variables.length > 4096)
    throw new LimitError(`it declares ${variables.length} one-bit signals`, 'at most 4096', { file })
  const notices: string[] = []
  if (wide) notices.push(`${wide} ${wide === 1 ? 'signal' : 'signals'} wider than one bit passed over.`)
  if (reals) notices.push(`${reals} real-valued ${reals === 1 ? 'signal' : 'signals'} passed over.`)
  return { ticksPerSecond, variables: withUniqueNames(variables.map(named(variables, file))), notices }
}

/** The scope that all variables share: the innermost one, found in one walk up from each. */
function commonScope(variables: readonly Declared[]): Scope | null {
  let common = variables[0]?.scope ?? null
  for (const variable of variables) {
    let scope: Scope | null = variable.scope
    while (scope && common && scope.depth > common.depth) scope = scope.outer
    while (scope && common && common.depth > scope.depth) common = common.outer
    while (scope !== common) {
      scope = scope?.outer ?? null
      common = common?.outer ?? null
    }
  }
  return common
}

/** Names a variable by its scopes but those that all share: they tell nothing, and channel names stay short. */
function named(variables: readonly Declared[], file: string): (variable: Declared) => VcdVariable {
  const common = commonScope(variables)
  return ({ name, code, scope }) => {
    const parts = [name]
    for (let at: Scope | null = scope; at && at !== common; at = at.outer) {
      parts.push(at.name)
      if (parts.length > MAX_SCOPES)
        throw new LimitError('its scopes stand one inside another too often', `at most ${MAX_SCOPES} deep`, {
          file,
          field: '$scope',
        })
    }
    return { name: parts.reverse().join('.'), code }
  }
}

function withUniqueNames(variables: readonly VcdVariable[]): VcdVariable[] {
  const seen = new Map<string, number>()
  return variables.map(v => {
    const n = (seen.get(v.name) ?? 0) + 1
    seen.set(v.name, n)
    return n === 1 ? v : { ...v, name: `${v.name} (${n})` }
  })
}
