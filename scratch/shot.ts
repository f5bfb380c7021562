import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { seed } from '../demo/src/seed'
import { serve } from '../scripts/serve.mjs'
const data = mkdtempSync(join(tmpdir(), 'wobrin-shot-'))
const { child, address } = await serve({ port: 4199, host: '127.0.0.1', data })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] })
try {
  await seed(address)
  const { lines } = (await (await fetch(`${address}/api/bench`)).json()) as any
  const drive = (tag: string) => `/drives/${lines.find((l: any) => l.drive.tag === tag).drive.id}`
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const mod = await import(process.argv[2]!)
  await mod.default({ page, address, drive, shot: (n: string, full = false) => page.screenshot({ path: `/tmp/shot-${n}.png`, fullPage: full }) })
} finally { await browser.close(); child.kill(); rmSync(data, { recursive: true, force: true }) }
