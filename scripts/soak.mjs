/**
 * `npm run soak`: what takes too long for the tests. Kills a server again and again while it works, damages a million
 * times what is read, asks at random, and checks a very large workshop. Says what it did and what it lost; ends with 1
 * where that is anything. `npm run soak -- kills=100 damaged=0 requests=0 drives=0` does a part.
 */
import { join } from 'node:path'
import { ensureBuild, ensureDependencies, ensureNode, run } from './ensure.mjs'

ensureNode()
ensureDependencies()
ensureBuild()
process.exit(
  run(process.execPath, ['--import', 'tsx', join('scripts', 'soak', 'main.ts'), ...process.argv.slice(2)]) ? 0 : 1,
)
