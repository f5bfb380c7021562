import { spawn } from 'node:child_process'
import { connect, type Socket } from 'node:net'
import { join } from 'node:path'
import { root } from '../../scripts/ensure.mjs'
import { expect, test } from './support'

const bin = join(root, 'cli/bin/wobrin.mjs')

test('the simulated board shows its lines, times the index and reads the disk', async ({ page }) => {
  await page.goto('/instruments/bench-link')
  await page.getByRole('button', { name: 'Use the simulated board' }).click()
  const lines = page.getByTestId('board-lines')
  const row = (name: RegExp) => lines.getByRole('row', { name })
  await expect(row(/^select/)).toContainText('high')
  await row(/^select/)
    .getByRole('button')
    .click()
  await row(/^motor/)
    .getByRole('button')
    .click()
  await expect(row(/^motor/)).toContainText('low, true')
  await expect(page.getByTestId('board-rpm')).toContainText(/(299|300)\.\d/)
  await page.getByRole('button', { name: 'Read voltages' }).click()
  await expect(page.getByText(/^5V: [45]\.\d\d V$/)).toBeVisible()
  await expect(row(/write gate/i).getByRole('button')).toHaveCount(0)

  await page.getByLabel('Cylinders').fill('2')
  await page.getByRole('button', { name: 'Read the disk' }).click()
  await expect(page.getByTestId('board-sectors')).toContainText('4 of 4 tracks')
  await expect(page.getByTestId('board-sectors')).toContainText(/(\d+) of \1 sectors/)
  await expect(page.getByTestId('call')).toBeVisible()
  // The motor stops once it was read.
  await expect(row(/^motor/)).toContainText('high')
})

test('a board on a serial port speaks the same protocol, and says when it is pulled out', async ({ page }) => {
  // The port is a stand-in of the browser's; the board behind it is the one of the command line, over its socket.
  const board = spawn(process.execPath, [bin, 'bench-link', '--simulate', '--mechanism', '3.5in'], { cwd: root })
  let socket: Socket | undefined
  try {
    const address = await new Promise<string>(resolve => board.stdout.once('data', d => resolve(String(d).trim())))
    const [host, port] = address.split(':')
    await page.exposeFunction('serialWrite', (text: string) => void socket?.write(text))
    await page.exposeFunction('serialOpen', () => {
      socket = connect(Number(port), host)
      socket.setEncoding('utf8')
      socket.on(
        'data',
        text => void page.evaluate(t => (window as never as Taker).serialTake(t), String(text)).catch(() => {}),
      )
      socket.on('close', () => void page.evaluate(() => (window as never as Taker).serialEnd()).catch(() => {}))
      socket.on('error', () => {})
    })
    await page.addInitScript(() => {
      const w = window as never as Taker
      const requestPort = async () => ({
        open: () => w.serialOpen(),
        close: async () => {},
        readable: new ReadableStream<Uint8Array>({
          start(c) {
            w.serialTake = text => c.enqueue(new TextEncoder().encode(text))
            w.serialEnd = () => c.close()
          },
        }),
        writable: new WritableStream<Uint8Array>({ write: bytes => w.serialWrite(new TextDecoder().decode(bytes)) }),
      })
      Object.defineProperty(navigator, 'serial', { value: { requestPort } })
    })
    await page.goto('/instruments/bench-link')
    await page.getByRole('button', { name: 'Connect a board…' }).click()
    const lines = page.getByTestId('board-lines')
    await lines
      .getByRole('row', { name: /^select/ })
      .getByRole('button')
      .click()
    await lines
      .getByRole('row', { name: /^motor/ })
      .getByRole('button')
      .click()
    await expect(page.getByTestId('board-rpm')).toContainText(/(299|300)\.\d/)
    await page.getByLabel('Cylinders').fill('1')
    await page.getByRole('button', { name: 'Read the disk' }).click()
    await expect(page.getByTestId('board-sectors')).toContainText('2 of 2 tracks')
    await expect(page.getByTestId('board-sectors')).toContainText(/(\d+) of \1 sectors/)
    board.kill()
    await expect(page.getByText('The board is gone')).toBeVisible()
  } finally {
    socket?.destroy()
    board.kill()
  }
})

interface Taker {
  serialTake: (text: string) => void
  serialEnd: () => void
  serialOpen: () => Promise<void>
  serialWrite: (text: string) => Promise<void>
}

test('a browser without serial ports says so', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(navigator, 'serial', { value: undefined }))
  await page.goto('/instruments/bench-link')
  await page.getByRole('button', { name: 'Connect a board…' }).click()
  await expect(page.getByText('no serial ports')).toBeVisible()
})
