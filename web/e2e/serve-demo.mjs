/** Serves a freshly filled demo workshop in a folder of its own, for the browser tests. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { run } from '../../scripts/ensure.mjs'
import { serve } from '../../scripts/serve.mjs'

const port = Number(process.argv[2])
const data = mkdtempSync(join(tmpdir(), 'wobrin-e2e-'))
// Filled behind another port, so that the tests' own port answers only once everything is there; that start also
// shows that a restart keeps what was entered.
const filling = await serve({ port: port + 1, host: '127.0.0.1', data })
if (!run(process.execPath, ['--import', 'tsx', join('demo', 'src', 'seed.ts'), filling.address])) process.exit(1)
await new Promise(resolve => filling.child.once('exit', resolve).kill())
const { child } = await serve({ port, host: '127.0.0.1', data })

for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill('SIGTERM'))
child.on('exit', code => {
  rmSync(data, { recursive: true, force: true })
  process.exit(code ?? 0)
})
