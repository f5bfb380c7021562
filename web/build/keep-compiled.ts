import { fork } from 'node:child_process'
import { createHash } from 'node:crypto'
import { chmod, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { init, parse } from 'es-module-lexer'
import { build } from 'esbuild'
import { freePort } from '../../scripts/serve.mjs'

/** What is asked for once, so that what a start and its first answers need is compiled. */
const ASKED = ['/api/health', '/', '/api/workshop', '/api/bench']
const PATIENCE_MS = 120_000
const LOOK_AGAIN_MS = 50
/** What the build says to the server when it may keep what was compiled, and end. */
const KEEP = 'keep'

/**
 * Makes the server's own file start faster: it becomes a script of the old module form, for only of such a one does
 * this version of Node keep what it compiled; then the server is run once, and what was compiled stands beside it.
 * @param web the web folder @param serverDir where the built server stands
 */
export async function keepCompiled(web: string, serverDir: string): Promise<void> {
  const entry = join(serverDir, 'chunks/nitro/nitro.mjs')
  const folder = dirname(entry)
  const names = await asScript(entry, join(folder, 'nitro.cjs'))
  await build({
    entryPoints: [join(web, 'build/run-compiled.ts')],
    outfile: join(folder, 'run-compiled.mjs'),
    format: 'esm',
    platform: 'node',
    target: 'node20',
    logLevel: 'warning',
  })
  // The engine compares no more than the length of a script with what it kept: the name tells one from another.
  const hash = createHash('sha256').update(await readFile(join(folder, 'nitro.cjs')))
  const kept = `nitro-${hash.digest('hex').slice(0, 16)}.compiled`
  await writeFile(entry, entryOf(names, kept))
  // It belongs to the file that was.
  await rm(`${entry}.map`, { force: true })
  await runOnce(join(serverDir, 'index.mjs'))
  // The server writes for its own user only; this is for whoever starts it.
  await chmod(join(folder, kept), 0o644)
}

/** A module as a script that finds `import()` under a name. @returns what it exports */
async function asScript(module: string, script: string): Promise<string[]> {
  await init
  const source = await readFile(module, 'utf8')
  const [imports, exports] = parse(source)
  let at = 0
  let contents = ''
  for (const found of imports) {
    if (found.type !== 'dynamic') continue
    contents += `${source.slice(at, found.importStart)}__importFrom`
    at = found.dynamicStart
  }
  contents += source.slice(at)
  await build({
    stdin: { contents, resolveDir: dirname(module), sourcefile: module, loader: 'js' },
    outfile: script,
    format: 'cjs',
    platform: 'node',
    target: 'node20',
    logLevel: 'warning',
  })
  return exports.map(found => {
    if (found.type === 'direct') return found.name
    throw new Error(`${module} hands on what another module exports, which a script cannot`)
  })
}

/** The module that stands where the server's own file stood: it exports what the script does. */
const entryOf = (names: readonly string[], kept: string) => `import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { runCompiled } from './run-compiled.mjs'

const at = name => fileURLToPath(new URL(name, import.meta.url))
const { exports, keep } = runCompiled(at('nitro.cjs'), at('${kept}'), name => import(name))
if (process.argv[2] === '--${KEEP}')
  process.once('message', () => {
    writeFileSync(at('${kept}'), keep())
    process.exit()
  })
${names.map((n, i) => `const own${i} = exports[${JSON.stringify(n)}]`).join('\n')}
export { ${names.map((n, i) => `own${i} as ${n}`).join(', ')} }
`

/** Runs the server once in an empty place, asks it, and has it keep what was compiled. */
async function runOnce(index: string): Promise<void> {
  const place = await mkdtemp(join(tmpdir(), 'wobrin-build-'))
  const port = await freePort()
  const server = fork(index, [`--${KEEP}`], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', WOBRIN_DATA: place, NODE_ENV: 'production' },
  })
  const ended = new Promise<void>(resolve => server.once('exit', () => resolve()))
  try {
    for (const path of ASKED) await answered(`http://127.0.0.1:${port}${path}`, () => server.exitCode === null)
    server.send(KEEP)
    await ended
  } finally {
    server.kill()
    await rm(place, { recursive: true, force: true })
  }
}

async function answered(url: string, runs: () => boolean): Promise<void> {
  const begun = performance.now()
  while (runs() && performance.now() - begun < PATIENCE_MS) {
    const answer = await fetch(url).catch(() => null)
    if (answer) {
      await answer.arrayBuffer()
      if (answer.ok) return
    }
    await setTimeout(LOOK_AGAIN_MS)
  }
  throw new Error(`the built server did not answer ${url}`)
}
