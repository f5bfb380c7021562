/** `npm test`: installs what it needs, then checks style, types and import rules, and runs unit and browser tests. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensureChromium, ensureDependencies, ensureNode, giveUp, offerOutsideTools, root, run, say } from './ensure.mjs'

const begun = Date.now()
const results = join(root, 'test-results')
const unitFile = join(results, 'unit.json')
const browserFile = join(results, 'browser.json')

ensureNode()
ensureDependencies()
ensureChromium()
offerOutsideTools()
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

const step = (name, command, args, env) => {
  say(name)
  return run(command, args, { env })
}
const must = (name, command, args) => {
  if (!step(name, command, args)) giveUp(`${name.toLowerCase()} failed; its message above says where.`)
}
must('Preparing types', 'npm', ['run', '--silent', 'prepare-types', '--workspace', 'web'])
must('Style', 'npx', ['eslint', '.', '--max-warnings', '0'])
must('Import rules', 'npm', ['run', '--silent', 'imports'])
must('Types', 'npm', ['run', '--silent', 'typecheck'])
const unit = step('Unit tests', 'npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitFile}`])
ensureBuild()
const browser = step('Browser tests', 'npx', ['playwright', 'test', '--config', 'web/e2e/playwright.config.ts'], { PLAYWRIGHT_JSON_OUTPUT_NAME: browserFile })

const read = file => existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null
const u = read(unitFile)
const b = read(browserFile)
const passed = (u?.numPassedTests ?? 0) + (b?.stats.expected ?? 0)
// A run that broke before its first test has failed too.
const failed = Math.max(unit ? 0 : 1, u?.numFailedTests ?? 0) + Math.max(browser ? 0 : 1, (b?.stats.unexpected ?? 0) + (b?.stats.flaky ?? 0))
const skipped = (u?.numPendingTests ?? 0) + (b?.stats.skipped ?? 0)
console.log(`\nIn ${Math.round((Date.now() - begun) / 1000)} s:`)
console.log(`${passed} passed, ${failed} failed, ${skipped} skipped`)
process.exit(unit && browser && failed === 0 ? 0 : 1)
