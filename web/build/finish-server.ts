import { cp, mkdir } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { keepCompiled } from './keep-compiled'
import { buildScripts } from './worker-scripts'

/** What the server does in threads. */
const WORKERS = ['judge-capture', 'check-log', 'copy-database', 'import-archive', 'export-archive']

/**
 * Puts beside the built server what its bundle cannot hold: the scripts of worker threads, what is done to a data
 * folder from the command line, the database migrations and the fonts for PDF. Then it is run once, for a fast start.
 * @param web the web folder @param serverDir where the built server stands
 */
export async function finishServer(web: string, serverDir: string): Promise<void> {
  const out = join(serverDir, 'companions')
  await mkdir(out, { recursive: true })
  await buildScripts(web, [...WORKERS.map(w => `workers/${w}`), 'tools/workshop-tool'], out)
  await cp(join(web, 'server/database/migrations'), join(out, 'migrations'), { recursive: true })
  const fonts = join(
    dirname(createRequire(join(web, 'package.json')).resolve('@fontsource/b612/package.json')),
    'files',
  )
  for (const file of ['b612-latin-400-normal.woff', 'b612-latin-700-normal.woff', 'b612-latin-400-italic.woff']) {
    await cp(join(fonts, file), join(out, 'fonts', file))
  }
  await keepCompiled(web, serverDir)
}
