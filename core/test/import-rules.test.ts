import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')

describe('the linter keeps core free of any platform', () => {
  it.each([
    ['process.exit(1)', 'no-restricted-globals'],
    ['export const now = new Date()', 'no-restricted-syntax'],
    ['export const now = Date.now()', 'no-restricted-syntax'],
    ['document.title = "x"', 'no-restricted-globals'],
    ['console.log(1)', 'no-restricted-globals'],
    ['export const r = Math.random()', 'no-restricted-properties'],
    ["import { readFileSync } from 'node:fs'\nexport default readFileSync", 'no-restricted-imports'],
    ["import { ref } from 'vue'\nexport default ref", 'no-restricted-imports'],
  ])('%s', async (code, rule) => {
    const [result] = await new ESLint({ cwd: root }).lintText(`${code}\n`, {
      filePath: join(root, 'core/src/spindle/invented.ts'),
    })
    expect(result.messages.map(m => m.ruleId)).toContain(rule)
  })
})

describe('the import rules let arrows point one way only', () => {
  /** A small tree with the same folders, and one arrow too many. */
  function violations(files: Record<string, string>): string[] {
    const folder = mkdtempSync(join(tmpdir(), 'wobrin-rules-'))
    for (const [path, content] of Object.entries({ 'tsconfig.json': '{}', ...files })) {
      mkdirSync(dirname(join(folder, path)), { recursive: true })
      writeFileSync(join(folder, path), content)
    }
    const json = execFileSync(
      join(root, 'node_modules/.bin/depcruise'),
      ['--config', join(root, '.dependency-cruiser.cjs'), '--output-type', 'json', 'core', 'web', 'cli'],
      { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] },
    )
    const report = JSON.parse(json) as { summary: { violations: { rule: { name: string } }[] } }
    return report.summary.violations.map(v => v.rule.name)
  }
  const quiet = {
    'core/src/spindle/index.ts': 'export const a = 1',
    'core/src/captures/index.ts': 'export const b = 1',
    'web/app/x.ts': 'export {}',
    'web/server/y.ts': 'export const y = 1',
    'cli/z.ts': 'export {}',
  }

  it.each<[string, Record<string, string>, string]>([
    [
      'readers do not know the spindle',
      { 'core/src/captures/r.ts': "import { a } from '../spindle'\nexport default a" },
      'captures-first',
    ],
    [
      'core does not know the web',
      { 'core/src/spindle/s.ts': "import { y } from '../../../web/server/y'\nexport default y" },
      'core-stands-alone',
    ],
    [
      'core does not know Node',
      { 'core/src/spindle/n.ts': "import fs from 'node:fs'\nexport default fs" },
      'core-without-platform',
    ],
    [
      'folders of core are used through their index',
      {
        'core/src/captures/inner.ts': 'export const c = 1',
        'core/src/spindle/p.ts': "import { c } from '../captures/inner'\nexport default c",
      },
      'public-faces',
    ],
    [
      'the application does not reach into the server',
      { 'web/app/q.ts': "import { y } from '../server/y'\nexport default y" },
      'app-not-server',
    ],
  ])('%s', (_, files, rule) => {
    expect(violations({ ...quiet, ...files })).toContain(rule)
  })

  it('and has nothing to say of a tree that keeps them', () => {
    expect(
      violations({ ...quiet, 'core/src/spindle/ok.ts': "import { b } from '../captures'\nexport default b" }),
    ).toEqual([])
  })
})
