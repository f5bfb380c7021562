import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')

/** The code is not in any project, so what needs types is left out. */
const UNTYPED = {
  languageOptions: { parserOptions: { project: null } },
  rules: { '@typescript-eslint/no-floating-promises': 'off', '@typescript-eslint/no-misused-promises': 'off' },
} as const

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
    const [result] = await new ESLint({ cwd: root, overrideConfig: UNTYPED }).lintText(`${code}\n`, {
      filePath: join(root, 'core/src/instruments/spindle/invented.ts'),
    })
    expect(result!.messages.map(m => m.ruleId)).toContain(rule)
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
    'core/src/instruments/spindle/index.ts': 'export const a = 1',
    'core/src/signals/captures/index.ts': 'export const b = 1',
    'core/src/release/index.ts': 'export const d = 1',
    'web/app/x.ts': 'export {}',
    'web/server/y.ts': 'export const y = 1',
    'cli/z.ts': 'export {}',
  }
  const use = (name: string, from: string) => `import { ${name} } from '${from}'\nexport default ${name}`

  it.each<[string, Record<string, string>, string]>([
    [
      'a layer does not know those below it',
      { 'core/src/signals/captures/r.ts': use('a', '../../instruments/spindle') },
      'layers',
    ],
    [
      'not even their types',
      { 'core/src/findings/t.ts': "import type { d } from '../release'\nexport type D = typeof d" },
      'layers',
    ],
    [
      'nothing of core stands outside the layers',
      { 'core/src/helpers/h.ts': use('b', '../signals/captures') },
      'known-layers',
    ],
    ['core does not know the web', { 'core/src/log/s.ts': use('y', '../../../web/server/y') }, 'core-stands-alone'],
    [
      'core does not know Node',
      { 'core/src/log/n.ts': "import fs from 'node:fs'\nexport default fs" },
      'core-without-platform',
    ],
    [
      'layers of core are used through an index',
      { 'core/src/base/inner/c.ts': 'export const c = 1', 'core/src/log/p.ts': use('c', '../base/inner/c') },
      'public-faces',
    ],
    [
      'so are the folders of one layer',
      { 'core/src/signals/codes/c.ts': 'export const c = 1', 'core/src/signals/captures/p.ts': use('c', '../codes/c') },
      'public-faces',
    ],
    [
      'two files do not need each other, types included',
      {
        'core/src/log/one.ts': "import type { Two } from './two'\nexport type One = Two[]",
        'core/src/log/two.ts': "import type { One } from './one'\nexport type Two = One[]",
      },
      'no-circular',
    ],
    ['the application does not reach into the server', { 'web/app/q.ts': use('y', '../server/y') }, 'app-not-server'],
  ])('%s', (_, files, rule) => {
    expect(violations({ ...quiet, ...files })).toContain(rule)
  })

  it('and has nothing to say of a tree that keeps them', () => {
    expect(violations({ ...quiet, 'core/src/instruments/spindle/ok.ts': use('b', '../../signals/captures') })).toEqual(
      [],
    )
  })
})
