import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import wavefile from 'wavefile'
import { noise } from '../../core/test/noise'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-devices-'))
const RATE = 48_000

/** A WAV file of what a sound is at each time, written by a library of its own. */
export function soundFile(name: string, seconds: number, value: (t: number) => number): string {
  const samples = Int16Array.from({ length: seconds * RATE }, (_, i) =>
    Math.max(-32768, Math.min(32767, Math.round(32767 * value(i / RATE)))),
  )
  const wav = new wavefile.WaveFile()
  wav.fromScratch(1, RATE, '16', samples)
  const path = join(folder, name)
  writeFileSync(path, wav.toBuffer())
  return path
}

/** A film (YUV4MPEG2, from memory of its format) of a white mark on a dark disk, seen at 30 frames a second. */
export function filmFile(name: string, seconds: number, rpm: number): string {
  const [width, height, rate] = [128, 96, 30]
  const pieces = [Buffer.from(`YUV4MPEG2 W${width} H${height} F${rate}:1 Ip A1:1 C420jpeg\n`)]
  const random = noise(8)
  for (let f = 0; f < seconds * rate; f++) {
    const turned = ((f / rate) * rpm) / 60
    const frame = Buffer.alloc((width * height * 3) / 2, 128)
    for (let i = 0; i < width * height; i++) {
      const [x, y] = [(i % width) - width / 2, Math.floor(i / width) - height / 2]
      const angle = Math.atan2(y, x) / (2 * Math.PI) - turned
      const off = Math.abs(angle - Math.round(angle))
      // A wide mark, so that no frame can miss it.
      frame[i] = (off < 0.09 ? 200 : 50) + 6 * random()
    }
    pieces.push(Buffer.from('FRAME\n'), frame)
  }
  const path = join(folder, name)
  writeFileSync(path, Buffer.concat(pieces))
  return path
}

/** Runs something in a browser of its own, whose sound input or camera plays a file. */
export async function withDevices(
  baseURL: string,
  { sound, film }: { readonly sound?: string; readonly film?: string },
  run: (page: Page) => Promise<void>,
): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      ...(sound ? [`--use-file-for-fake-audio-capture=${sound}`] : []),
      ...(film ? [`--use-file-for-fake-video-capture=${film}`] : []),
    ],
  })
  const faults: string[] = []
  try {
    const page = await browser.newPage({ baseURL, viewport: { width: 1280, height: 800 } })
    page.on('pageerror', e => faults.push(e.message))
    page.on('console', m => m.type() === 'error' && faults.push(m.text()))
    await run(page)
  } finally {
    await browser.close()
  }
  if (faults.length) throw new Error(faults.join('\n'))
}
