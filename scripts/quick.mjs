/** `npm run quick`: style, types, import rules and core without simulation, in about a minute; before every commit. */
import { spawn } from 'node:child_process'
import { ensureDependencies, ensureNode, giveUp, root } from './ensure.mjs'

ensureNode()
ensureDependencies()

/** Tests that simulate whole drives, or drive other programs: `npm test` has them. */
const SLOW = [
  'core/test/simulator',
  'core/test/instruments/alignment',
  'core/test/damaged-files',
  'core/test/import-rules',
]

const beside = (name, command, args) =>
  new Promise(resolve => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', piece => (output += piece))
    child.once('exit', code => resolve({ name, ok: code === 0, output }))
  })

const begun = Date.now()
const tests = ['vitest', 'run', 'core/test', '--reporter=dot', ...SLOW.flatMap(s => ['--exclude', `**/${s}**`])]
const checks = async () => {
  const done = []
  for (const [name, command, args] of [
    ['layout', 'npm', ['run', '--silent', 'format:check']],
    ['style', 'npx', ['eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', '.cache/eslint/']],
    ['types of core', 'npx', ['tsc', '-p', 'core/tsconfig.json']],
    ['import rules', 'npm', ['run', '--silent', 'imports']],
  ])
    done.push(await beside(name, command, args))
  return done
}
const [checked, tested] = await Promise.all([checks(), beside('tests of core', 'npx', tests)])
const all = [...checked, tested]
for (const { name, output } of all.filter(r => !r.ok)) console.error(`\n${name}:\n${output}`)
console.log(
  `${all.map(r => `${r.name} ${r.ok ? 'passed' : 'FAILED'}`).join(', ')}; ${Math.round((Date.now() - begun) / 1000)} s`,
)
if (all.some(r => !r.ok)) giveUp('see above.')
