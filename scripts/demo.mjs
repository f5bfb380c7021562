/** `npm run demo`: installs, builds, fills an invented workshop on the first start, and serves it. */
import { join, resolve } from 'node:path'
import { ensureBuild, ensureDependencies, ensureNode, giveUp, root, run, say } from './ensure.mjs'
import { portIsFree, serve } from './serve.mjs'

if (process.argv.includes('--help') || process.argv.includes('-h')) {
  console.log(`npm run demo: installs, builds, fills an invented workshop on the first start, and serves it.

Settings, as environment variables:
  PORT          port to serve at (4170)
  HOST          address to listen on (127.0.0.1: this machine alone)
  WOBRIN_DATA   folder of the workshop's data (data)`)
  process.exit(0)
}

const port = Number(process.env.PORT || 4170)
const host = process.env.HOST || '127.0.0.1'
const data = resolve(root, process.env.WOBRIN_DATA || 'data')

ensureNode()
ensureDependencies()
ensureBuild()
if (!(await portIsFree(port, host)))
  giveUp(`port ${port} is taken; stop what uses it, or choose another: PORT=${port + 1} npm run demo`)

const { child, address } = await serve({ port, host, data }).catch(error => giveUp(error.message))
const bench = await (await fetch(`${address}/api/bench`)).json()
if (bench.lines.length === 0) {
  say('Filling the demo workshop: recordings are simulated, then read and judged like any others.')
  if (!run(process.execPath, ['--import', 'tsx', join('demo', 'src', 'seed.ts'), address])) {
    child.kill()
    giveUp('the demo workshop could not be filled; its message above says why.')
  }
}
say(`Wobrin is at ${address} (Ctrl+C stops it; what you enter is kept in ${data})`)

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
child.on('exit', code => process.exit(code ?? 0))
