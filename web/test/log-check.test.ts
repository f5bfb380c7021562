import { existsSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test, vi } from 'vitest'
import { LogCheck } from '../server/services/log-check'

/** A worker that takes in the number of entries as it begins, and ends when it is let go. */
const WORKER = `
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { parentPort, workerData } from 'node:worker_threads'
const entries = Number(readFileSync(workerData, 'utf8'))
writeFileSync(workerData + '.begun', '')
const until = setInterval(() => {
  if (!existsSync(workerData + '.go')) return
  clearInterval(until)
  parentPort.postMessage({ answer: { drives: 1, entries, problems: [] } })
}, 5)
`

function checkOf() {
  const folder = mkdtempSync(join(tmpdir(), 'wobrin-log-check-'))
  const script = join(folder, 'worker.mjs')
  const data = join(folder, 'entries')
  writeFileSync(script, WORKER)
  writeFileSync(data, '3')
  return {
    check: new LogCheck(script, data, ['SK-1 ends early.']),
    entries: (count: number) => writeFileSync(data, String(count)),
    begun: () => vi.waitUntil(() => existsSync(`${data}.begun`), { timeout: 30_000 }),
    letGo: () => writeFileSync(`${data}.go`, ''),
  }
}

describe('the check of all logs', () => {
  test('one that is asked for while another is under way follows it, and sees what was entered since', async () => {
    const { check, entries, begun, letGo } = checkOf()
    const first = check.run()
    await begun()
    entries(4)
    const [second, third] = [check.run(), check.run()]
    expect(check.state().running).toBe(true)
    letGo()
    expect(await first).toMatchObject({ entries: 3, problems: ['SK-1 ends early.'] })
    expect(await second).toMatchObject({ entries: 4, running: false })
    expect(await third).toBe(await second)
  }, 60_000)

  test('one that is stopped begins nothing more', async () => {
    const { check, begun } = checkOf()
    const first = check.run()
    await begun()
    const second = check.run()
    check.stop()
    expect((await first).problems.join(' ')).toContain('could not be checked')
    expect((await second).running).toBe(false)
  }, 60_000)
})
