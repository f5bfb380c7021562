/** `npm run quick`: style, types, import rules and core without simulation, in about a minute; before every commit. */
import { spawn } from 'node:child_process'
import { ensureDependencies, ensureNode, giveUp, root } from './ensure.mjs'

ensureNode()
ensureDependencies()

/** Tests that simulate whole drives, drive other programs or replace modules: `npm test` has them. */
const SLOW = [
  'core/test/simulator',
  'core/test/instruments/alignment',
  'core/test/instruments/interface/report',
  'core/test/instruments/interface/outside',
  'core/test/calculators/alignment',
  'core/test/signals/captures/bad-input',
  'core/test/signals/codes/read-track',
  'core/test/signals/codes/group-codes',
  'core/test/signals/codes/fuzz',
  'core/test/bench/stations/counted-places',
  'core/test/bench/stations/align-order',
  'core/test/damaged-files',
  'core/test/import-rules',
  'core/test/one-place',
]

const beside = (name, command, args) =>
  new Promise(resolve => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', piece => (output += piece))
    child.once('exit', code => resolve({ name, ok: code === 0, output }))
  })

/** What was looked at and has not changed is not looked at again. */
const cache = name => ['--cache', '--cache-location', `.cache/${name}`]

const begun = Date.now()
// Modules are loaded once for all of these, which is most of the time that they would take.
const tests = [
  'vitest',
  'run',
  'core/test',
  '--reporter=dot',
  '--no-isolate',
  ...SLOW.flatMap(s => ['--exclude', `**/${s}**`]),
]
const checks = async () => {
  const done = []
  for (const [name, command, args] of [
    ['layout', 'npx', ['prettier', '--check', '.', '--log-level', 'warn', ...cache('prettier')]],
    ['style', 'npx', ['eslint', '.', '--max-warnings', '0', ...cache('eslint/')]],
    [
      'types of core',
      'npx',
      ['tsc', '-p', 'core/tsconfig.json', '--incremental', '--tsBuildInfoFile', '.cache/core.tsbuildinfo'],
    ],
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
