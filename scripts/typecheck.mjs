/** Type-checks core without any platform, then everything else, then the application. */
import { giveUp, run } from './ensure.mjs'

const steps = [
  ['npx', ['tsc', '-p', 'core/tsconfig.json']],
  ['npx', ['tsc', '-p', 'tsconfig.json']],
  ['npm', ['run', '--silent', 'typecheck', '--workspace', 'web']],
]
for (const [command, args] of steps) if (!run(command, args)) giveUp(`type errors (${command} ${args.join(' ')})`)
