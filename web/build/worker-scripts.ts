import { join } from 'node:path'
import { build } from 'esbuild'

/**
 * Bundles scripts that run beside the server, each for itself.
 * @param web the web folder @param scripts paths of the sources below its `server` folder @param outdir where they go
 */
export async function buildScripts(web: string, scripts: readonly string[], outdir: string): Promise<void> {
  await build({
    entryPoints: scripts.map(s => join(web, 'server', `${s}.ts`)),
    entryNames: '[name]',
    outdir,
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
}
