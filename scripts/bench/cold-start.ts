import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { median } from '@wobrin/core/base/numbers'
import { serverScript } from '../ensure.mjs'
import { freePort, stop } from '../serve.mjs'

const RUNS = 9
const LOOK_AGAIN_MS = 2
const PATIENCE_MS = 60_000

/** Milliseconds from the start of a script to its first answer. */
async function firstAnswer(script: string, args: readonly string[], env: NodeJS.ProcessEnv): Promise<number> {
  const port = await freePort()
  const begun = performance.now()
  const child = spawn(process.execPath, [script, ...args], {
    stdio: 'ignore',
    env: { ...process.env, ...env, PORT: String(port), NODE_ENV: 'production' },
  })
  try {
    while (performance.now() - begun < PATIENCE_MS) {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)
      if (answer?.ok) return performance.now() - begun
      await setTimeout(LOOK_AGAIN_MS)
    }
    throw new Error(`${script} did not answer`)
  } finally {
    await stop(child)
  }
}

/** The server's start beside a bare one with the same database open, by turns. @param data its folder */
export async function coldStart(data: string): Promise<void> {
  const bare: number[] = []
  const ours: number[] = []
  for (let i = 0; i < RUNS; i++) {
    bare.push(await firstAnswer(join(import.meta.dirname, 'bare-server.mjs'), [join(data, 'wobrin.sqlite')], {}))
    ours.push(await firstAnswer(serverScript, [], { HOST: '127.0.0.1', WOBRIN_DATA: data }))
  }
  console.log(
    `First answer after a start, ${RUNS} by turns: ${median(ours).toFixed(0)} ms, a bare server with the same ` +
      `database ${median(bare).toFixed(0)} ms: ${(median(ours) / median(bare)).toFixed(1)} x (at most 3)`,
  )
}
