import { cp, mkdir } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { build } from 'esbuild'

/**
 * Puts beside the built server what its bundle cannot hold: the scripts of worker threads, what is done to a data
 * folder from the command line, the database migrations and the fonts for PDF.
 * @param web the web folder @param serverDir where the built server stands
 */
export async function finishServer(web: string, serverDir: string): Promise<void> {
  const out = join(serverDir, 'companions')
  await mkdir(out, { recursive: true })
  await build({
    entryPoints: {
      'judge-capture': join(web, 'server/workers/judge-capture.ts'),
      'check-log': join(web, 'server/workers/check-log.ts'),
      'copy-database': join(web, 'server/workers/copy-database.ts'),
      'import-archive': join(web, 'server/workers/import-archive.ts'),
      'export-archive': join(web, 'server/workers/export-archive.ts'),
      'workshop-tool': join(web, 'server/tools/workshop-tool.ts'),
    },
    outdir: out,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    // It stands beside the server with what was compiled for this machine.
    external: ['better-sqlite3'],
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    // Libraries of the old module form ask for `require`.
    banner: { js: "import { createRequire as __r } from 'node:module';const require = __r(import.meta.url);" },
  })
  await cp(join(web, 'server/database/migrations'), join(out, 'migrations'), { recursive: true })
  const fonts = join(
    dirname(createRequire(join(web, 'package.json')).resolve('@fontsource/b612/package.json')),
    'files',
  )
  for (const file of ['b612-latin-400-normal.woff', 'b612-latin-700-normal.woff', 'b612-latin-400-italic.woff']) {
    await cp(join(fonts, file), join(out, 'fonts', file))
  }
}
