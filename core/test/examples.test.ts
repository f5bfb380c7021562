import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { describe, expect, it } from 'vitest'

/** Examples in doc comments are promises: each is run, and its answer compared with the one that stands behind it. */
const src = join(import.meta.dirname, '../src')
const EXAMPLE = /@example ((?:(?!@example)[\s\S])+?) \/\/ (.+?)(?: \*\/)?$/gm

interface Example {
  readonly file: string
  readonly code: string
  readonly answer: string
}

const examples = readdirSync(src, { recursive: true, encoding: 'utf8' })
  .filter(f => f.endsWith('.ts') && !f.endsWith('.d.ts'))
  .flatMap((file): Example[] => {
    const comments = readFileSync(join(src, file), 'utf8').match(/\/\*\*[\s\S]*?\*\//g) ?? []
    return comments.flatMap(c =>
      [...c.matchAll(EXAMPLE)].map(m => ({ file, code: m[1]!.replace(/\n\s*\*\s*/g, ' '), answer: m[2]!.trim() })),
    )
  })

/** What a file and its folder's public face give. */
async function scopeOf(file: string): Promise<Record<string, unknown>> {
  const index = join(src, dirname(file), 'index.ts')
  const face = existsSync(index) ? await import(/* @vite-ignore */ index) : {}
  return { ...face, ...(await import(/* @vite-ignore */ join(src, file))) }
}

const run = (code: string, scope: Record<string, unknown>): unknown =>
  new Function(...Object.keys(scope), `return (${code})`)(...Object.values(scope))

/** A number is compared to as many digits as are printed. */
function agrees(got: unknown, answer: string): void {
  const wanted = run(answer, {})
  const decimals = /^-?\d+(?:\.(\d+))?$/.exec(answer)
  if (typeof wanted === 'number' && decimals)
    expect(Math.abs(Number(got) - wanted)).toBeLessThanOrEqual(0.5 * 10 ** -(decimals[1]?.length ?? 9) + 1e-12)
  else if (typeof wanted === 'number') expect(got).toBeCloseTo(wanted, 9)
  else expect(got).toEqual(wanted)
}

describe('an example in a doc comment answers what it says', () => {
  it('there are some', () => expect(examples.length).toBeGreaterThan(12))
  it.each(examples)('$file: $code', async ({ file, code, answer }) => {
    agrees(run(code, await scopeOf(relative('.', file))), answer)
  })
})
