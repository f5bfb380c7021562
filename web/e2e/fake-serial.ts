import { spawn } from 'node:child_process'
import { connect, type Socket } from 'node:net'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { root } from '../../scripts/ensure.mjs'

const bin = join(root, 'cli/bin/wobrin.mjs')

interface Taker {
  serialTake: (text: string) => void
  serialEnd: () => void
  serialOpen: () => Promise<void>
  serialWrite: (text: string) => Promise<void>
}

/** A board at a serial port of the browser. */
export interface SerialBoard {
  /** As if its plug were pulled. */
  pull(): void
  end(): void
}

/**
 * Gives a page a serial port with a board behind it: the port is a stand-in of the browser's, the board the one of the
 * command line, over its socket.
 * @param real whether the board leaves out that it is simulated, as one with a drive behind it does
 */
export async function serialBoard(page: Page, real = false): Promise<SerialBoard> {
  const board = spawn(process.execPath, [bin, 'bench-link', '--simulate', '--mechanism', '3.5in'], { cwd: root })
  let socket: Socket | undefined
  const address = await new Promise<string>(resolve => board.stdout.once('data', d => resolve(String(d).trim())))
  const [host, port] = address.split(':')
  await page.exposeFunction('serialWrite', (text: string) => void socket?.write(text))
  await page.exposeFunction('serialOpen', () => {
    socket = connect(Number(port), host)
    socket.setEncoding('utf8')
    socket.on('data', data => {
      const text = real ? String(data).replace('"simulated":true', '"simulated":false') : String(data)
      void page.evaluate(t => (window as never as Taker).serialTake(t), text).catch(() => {})
    })
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
  return {
    pull: () => void board.kill(),
    end: () => {
      socket?.destroy()
      board.kill()
    },
  }
}
