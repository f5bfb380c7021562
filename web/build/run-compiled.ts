import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname } from 'node:path'
import { Script } from 'node:vm'

/** Names that a script finds: those of the old module form, and one that stands for `import()`. */
const KNOWN = ['exports', 'require', 'module', '__filename', '__dirname', '__importFrom']

export interface Ran {
  /** What the script exports. */
  readonly exports: Readonly<Record<string, unknown>>
  /** Whether what was kept of an earlier run was there and fitted this program, its version and its processor. */
  readonly used: boolean
  /** What may be kept for the next run: the functions that were called so far, compiled. */
  readonly keep: () => Buffer
}

/**
 * Runs a script with what the engine compiled in an earlier run. Without it, or where it does not fit, the script is
 * compiled anew: that takes longer, and nothing else.
 * @param path of the script, in the old module form @param kept where it was kept
 * @param importFrom what `import()` is for the script
 */
export function runCompiled(path: string, kept: string, importFrom: (name: string) => Promise<unknown>): Ran {
  const cachedData = readIfThere(kept)
  const source = `(function (${KNOWN.join(', ')}) {${readFileSync(path, 'utf8')}\n})`
  const script = new Script(source, { filename: path, cachedData })
  const module = { exports: {} }
  script.runInThisContext()(module.exports, createRequire(path), module, path, dirname(path), importFrom)
  return {
    exports: module.exports,
    used: cachedData !== undefined && !script.cachedDataRejected,
    keep: () => script.createCachedData(),
  }
}

function readIfThere(path: string): Buffer | undefined {
  try {
    return readFileSync(path)
  } catch {
    return undefined
  }
}
