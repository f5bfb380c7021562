/**
 * `npm run bench`: speed and memory beside named baselines of the same run. Prints figures; never fails a test.
 */
import { join } from 'node:path'
import { ensureBuild, ensureDependencies, ensureNode, offerOutsideTools, run } from './ensure.mjs'

ensureNode()
ensureDependencies()
offerOutsideTools()
ensureBuild()
process.exit(
  run(process.execPath, [
    '--expose-gc',
    '--import',
    'tsx',
    join('scripts', 'bench', 'main.ts'),
    ...process.argv.slice(2),
  ])
    ? 0
    : 1,
)
