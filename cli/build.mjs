/** Bundles the command line, so that it starts without compiling anything. Commands are loaded when they are called. */
import { rm } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const dist = fileURLToPath(new URL('./dist', import.meta.url))
await rm(dist, { recursive: true, force: true })
await build({
  entryPoints: { main: fileURLToPath(new URL('./src/main.ts', import.meta.url)) },
  outdir: dist,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  logLevel: 'warning',
  // Libraries of the old module form ask for `require`.
  banner: { js: "import { createRequire as __r } from 'node:module';const require = __r(import.meta.url);" },
})
