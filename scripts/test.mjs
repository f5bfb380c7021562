/** `npm test`: installs what it needs, then checks style, types and import rules, and runs unit and browser tests. */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureChromium, ensureDependencies, ensureNode, giveUp, offerOutsideTools, root, run, say } from './ensure.mjs'

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

/** Runs a command beside others; what it prints is kept, and shown when it is done. */
const beside = (command, args) =>
  new Promise(resolve => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
    })
    let output = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', piece => {
        output += piece
      })
    child.once('exit', code => resolve({ ok: code === 0, output }))
  })

say('Unit tests; beside them style, import rules, types and the build')
const checking = beside(process.execPath, [join('scripts', 'check.mjs')])
const testing = beside('npx', [
  'vitest',
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${unitFile}`,
])
const checked = await checking
console.log(checked.output)
const { ok: unit, output } = await testing
console.log(output)
// What does not pass these is not worth a browser.
if (!checked.ok) giveUp('style, import rules, types or the build failed; the messages above say where.')
say('Browser tests')
const browser = run('npx', ['playwright', 'test', '--config', 'web/e2e/playwright.config.ts'], {
  env: { PLAYWRIGHT_JSON_OUTPUT_NAME: browserFile },
})

const read = file => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null)
const u = read(unitFile)
const b = read(browserFile)
const passed = (u?.numPassedTests ?? 0) + (b?.stats.expected ?? 0)
// A run that broke before its first test has failed too.
const failed =
  Math.max(unit ? 0 : 1, u?.numFailedTests ?? 0) +
  Math.max(browser ? 0 : 1, (b?.stats.unexpected ?? 0) + (b?.stats.flaky ?? 0))
const skipped = (u?.numPendingTests ?? 0) + (b?.stats.skipped ?? 0)

/** The failed unit tests, each with the first line of its message. */
const unitFailures = (u?.testResults ?? []).flatMap(({ name, message, assertionResults }) => {
  const failedTests = assertionResults.filter(({ status }) => status === 'failed')
  // A file that broke before its first test has only a message of its own.
  if (!failedTests.length) return message ? [`${name}: ${message.split('\n')[0]}`] : []
  return failedTests.map(test => `${name} › ${test.fullName}: ${test.failureMessages[0]?.split('\n')[0] ?? ''}`)
})

/** The failed browser tests of a suite and of the suites in it. */
const browserFailures = suite => [
  ...(suite.specs ?? []).filter(({ ok }) => !ok).map(({ file, line, title }) => `${file}:${line} › ${title}`),
  ...(suite.suites ?? []).flatMap(browserFailures),
]
const failures = [...unitFailures, ...(b?.suites ?? []).flatMap(browserFailures)]
console.log(failures.map(line => `Failed: ${line.replace(`${root}/`, '')}`).join('\n'))
console.log(`\nIn ${Math.round((Date.now() - begun) / 1000)} s:`)
console.log(`${passed} passed, ${failed} failed, ${skipped} skipped`)
process.exit(unit && browser && failed === 0 ? 0 : 1)
