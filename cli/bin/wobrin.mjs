#!/usr/bin/env node
import { existsSync } from 'node:fs'

// A closed pipe (`| head`) ends a command quietly.
for (const stream of [process.stdout, process.stderr])
  stream.on('error', error => {
    if (error.code === 'EPIPE') process.exit(0)
    throw error
  })

/** The bundle that the build made; in a tree that was never built the sources are compiled on the fly. */
const bundle = new URL('../dist/main.mjs', import.meta.url)
async function load() {
  if (existsSync(bundle)) return import(bundle)
  const { register } = await import('tsx/esm/api')
  register()
  return import('../src/main.ts')
}
const { main } = await load()
process.exitCode = await main(process.argv.slice(2))
