import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { root, serverScript } from './ensure.mjs'

/** Whether nothing listens on a port yet. */
export function portIsFree(port, host) {
  return new Promise(resolve => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)))
    probe.listen(port, host)
  })
}

/**
 * Starts the built server and waits until it answers. Returns the process, its address and the milliseconds it took.
 * `patience` is how long it may take, in seconds; `killAfterMs` kills it that long after it was begun.
 */
export async function serve({ port, host, data, quiet = false, patience = 60, killAfterMs }) {
  const begun = performance.now()
  const child = spawn(process.execPath, [serverScript], {
    cwd: root,
    stdio: ['ignore', quiet ? 'ignore' : 'pipe', 'inherit'],
    env: { ...process.env, PORT: String(port), HOST: host, WOBRIN_DATA: data, NODE_ENV: 'production' },
  })
  if (killAfterMs !== undefined) setTimeout(() => child.kill('SIGKILL'), killAfterMs)
  let ended = false
  child.once('exit', () => {
    ended = true
  })
  // A server that listens everywhere is asked where it is at home: only there it answers without pairing.
  const asked = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host
  const address = `http://${asked.includes(':') ? `[${asked}]` : asked}:${port}`
  for (let tries = 0; tries < patience * 40 && !ended; tries++) {
    const answer = await fetch(`${address}/api/health`).catch(() => null)
    if (answer?.ok) return { child, address, milliseconds: performance.now() - begun }
    await new Promise(resolve => setTimeout(resolve, 25))
  }
  child.kill()
  throw new Error(`the server did not answer within ${patience} s`)
}

/** Ends a server and waits until it is gone. Resolves with its exit code. */
export function stop(child, signal = 'SIGTERM') {
  const ended = new Promise(resolve => child.once('exit', resolve))
  child.kill(signal)
  return ended
}

/** A port of this machine that nothing listens on now. */
export function freePort(host = '127.0.0.1') {
  return new Promise(resolve => {
    const probe = createServer().listen(0, host, () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
