/**
 * What the commands of this repository need before they can run. Plain Node, no dependencies: it must work in a
 * fresh clone.
 */
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))

export function say(text) {
  console.log(`\n· ${text}`)
}

/** Ends with one clear sentence. */
export function giveUp(text) {
  console.error(`\nwobrin: ${text}`)
  process.exit(1)
}

/** Runs a command in the repository with its output shown; returns whether it went well. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...options.env },
    ...options.spawn,
  })
  return result.status === 0
}

const has = command => spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0
const isRoot = () => process.getuid?.() === 0

function aptInstall(packages) {
  if (!has('apt-get') || !isRoot()) return false
  const env = { DEBIAN_FRONTEND: 'noninteractive' }
  return (
    run('apt-get', ['update', '-qq'], { env }) &&
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
      env,
      spawn: { stdio: ['ignore', 'ignore', 'inherit'] },
    })
  )
}

export function ensureNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(`Node ${process.versions.node} is too old; install Node 20.19 or newer.`)
}

/** Installs the locked dependencies where they are missing or the lock has changed. */
export function ensureDependencies() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const stamp = join(root, 'node_modules/.wobrin-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('Installing the dependencies; the database driver may be compiled, which takes about two minutes.')
  const install = () => run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  if (!install()) {
    const tools = ['python3', 'make', 'g++'].filter(t => !has(t))
    if (tools.length === 0) giveUp('npm ci failed; its own message above says why.')
    say(`Installing what the compilation needs: ${tools.join(', ')}.`)
    if (!aptInstall(tools))
      giveUp(
        `${tools.join(', ')} are missing; install them (as root: apt-get install ${tools.join(' ')}) and try again.`,
      )
    if (!install()) giveUp('npm ci failed; its own message above says why.')
  }
  writeFileSync(stamp, lock)
}

/** Installs Debian's Chromium for the browser tests where it is missing. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return
  say('Installing Debian’s chromium for the browser tests.')
  if (!aptInstall(['chromium']))
    giveUp('the browser tests need /usr/bin/chromium; install it (as root: apt-get install chromium) and try again.')
}

/**
 * Installs the converters that the reader tests compare with, where that is possible; without them those tests are
 * skipped.
 */
export function offerOutsideTools() {
  const missing = [
    ['sigrok-cli', 'sigrok-cli'],
    ['vcd2fst', 'gtkwave'],
    ['mkfs.fat', 'dosfstools'],
    ['mcopy', 'mtools'],
    ['unzip', 'unzip'],
    ['pdftotext', 'poppler-utils'],
  ]
    .filter(([command]) => !has(command))
    .map(([, name]) => name)
  if (missing.length && !aptInstall(missing))
    console.log(`  (${missing.join(' and ')} not installed: the tests against them are skipped)`)
}

function fingerprint(folder, hash) {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.name.startsWith('.') || entry.name === 'node_modules') continue
    const path = join(folder, entry.name)
    if (entry.isDirectory()) fingerprint(path, hash)
    else hash.update(path.slice(root.length)).update(readFileSync(path))
  }
}

/** Builds the application where its sources have changed since the last build. */
export function ensureBuild() {
  const hash = createHash('sha256').update(readFileSync(join(root, 'package-lock.json')))
  for (const folder of ['core/src', 'cli/src', 'web/app', 'web/server', 'web/shared', 'web/public', 'web/build'])
    fingerprint(join(root, folder), hash)
  hash.update(readFileSync(join(root, 'web/nuxt.config.ts')))
  const wanted = hash.digest('hex')
  const stamp = join(root, 'web/.output/.built-from')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building the application (about a minute).')
  if (!run('npm', ['run', '--silent', 'build'])) giveUp('the build failed; its message above says why.')
  mkdirSync(dirname(stamp), { recursive: true })
  writeFileSync(stamp, wanted)
}

export const serverScript = join(root, 'web/.output/server/index.mjs')
