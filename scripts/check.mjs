/** Style, import rules and types, then the build: what `npm test` does beside the unit tests, on the other core. */
import { ensureBuild, giveUp, run, say } from './ensure.mjs'

const must = (name, command, args) => {
  say(name)
  if (!run(command, args)) giveUp(`${name.toLowerCase()} failed; its message above says where.`)
}
must('Preparing types', 'npm', ['run', '--silent', 'prepare-types', '--workspace', 'web'])
must('Layout', 'npm', ['run', '--silent', 'format:check'])
must('Style', 'npx', ['eslint', '.', '--max-warnings', '0'])
must('Import rules', 'npm', ['run', '--silent', 'imports'])
must('Types', 'npm', ['run', '--silent', 'typecheck'])
ensureBuild()
