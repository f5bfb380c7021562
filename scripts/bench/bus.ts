import { execFileSync } from 'node:child_process'
import { createWriteStream } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Browser } from '@playwright/test'
import { median } from '@wobrin/core/base/numbers'
import { vcdChunks } from '@wobrin/core/signals/captures'
import { fluxOf, nearestCells } from '@wobrin/core/signals/separator'
import { halfCellOf, readSectors, readTrack, writeTrack, type Format } from '@wobrin/core/signals/codes'
import { jitterTable } from './jitter'
import { Random, readSurface, recordReading, SimulatedDrive, soundDrive, wholeSurface } from '@wobrin/core/simulator'

export const format: Format = { code: 'MFM', rate: 250_000 }
const half = halfCellOf(format)

/** Flux of an MFM track of nine sectors, read for some revolutions. */
export function track(seed: number, revolutions = 4): Float64Array {
  const random = new Random(seed)
  const sectors = Array.from({ length: 9 }, (_, i) => ({
    cylinder: 0,
    head: 0,
    sector: i + 1,
    data: Uint8Array.from({ length: 512 }, () => Math.floor(random.next() * 256)),
  }))
  return fluxOf(writeTrack(format, sectors, 0.2), half, revolutions)
}

/** The read engine: transitions a second, and how it bears jitter beside a plain decoder. */
export function engine(): void {
  const times = track(1)
  const rate = (run: () => unknown): number => {
    for (let i = 0; i < 10; i++) run()
    return median(
      Array.from({ length: 9 }, () => {
        const begun = performance.now()
        for (let i = 0; i < 10; i++) run()
        return (times.length * 10) / (performance.now() - begun) / 1000
      }),
    )
  }
  const [ours, plain] = [
    rate(() => readTrack(times, format)),
    rate(() => readSectors(nearestCells(times, half), 'MFM')),
  ]
  console.log(
    `Read engine: ${ours.toFixed(1)} million transitions a second with margins, phases and sectors (${(ours / plain).toFixed(2)} x a plain nearest-cell decoder, ${plain.toFixed(1)} million)`,
  )
  jitterTable()
}

/**
 * The stand-in: a whole surface of two turns a track, simulated and read, against the time that the disk itself would
 * take.
 */
export function surface(): void {
  const seconds = Array.from({ length: 3 }, () => {
    const drive = new SimulatedDrive(soundDrive('3.5in', 3))
    const begun = performance.now()
    let tracks = 0
    for (const _ of readSurface(drive, wholeSurface(drive, 2))) tracks++
    return { own: (performance.now() - begun) / 1000, disk: drive.timeS, tracks }
  })
  const [best] = seconds.sort((a, b) => a.own - b.own).slice(1)
  console.log(
    `Simulated surface of ${best!.tracks} tracks, read as it goes: ${best!.own.toFixed(2)} s for ${best!.disk.toFixed(1)} s of the disk's own time: ${(best!.disk / best!.own).toFixed(0)} x real time (baseline: the disk)`,
  )
}

/** A recording of 80 cylinders, two heads, two turns each. @returns its path */
export async function wholeDisk(folder: string): Promise<string> {
  const path = join(folder, 'whole-disk.vcd')
  const recording = recordReading(soundDrive('3.5in', 3), { turns: 2 })
  await pipeline(
    Readable.from(vcdChunks(recording.channels, { tickNs: 10, durationS: recording.durationS })),
    createWriteStream(path),
  )
  return path
}

export function readingDisk(path: string): void {
  const runs = Array.from(
    { length: 3 },
    () =>
      JSON.parse(
        execFileSync(process.execPath, ['--import', 'tsx', 'scripts/bench/read-bus.ts', path], { encoding: 'utf8' }),
      ) as {
        seconds: number
        parsing: number
        megabytes: number
        peakMegabytes: number
        beforeMegabytes: number
        totals: { good: number }
        recordedS: number
        edges: number
      },
  )
  const m = runs.sort((a, b) => a.seconds - b.seconds)[1]!
  console.log(
    `Recording of a whole disk, ${m.megabytes.toFixed(0)} MB, ${(m.edges / 1e6).toFixed(1)} million changes: read and judged in ${m.seconds.toFixed(2)} s (${m.parsing.toFixed(2)} s of it the file), ${(64 / m.seconds).toFixed(1)} x faster than the disk turns its 320 turns (baseline 64 s); highest memory ${m.peakMegabytes.toFixed(0)} MB, ${m.beforeMegabytes.toFixed(0)} MB of it before it began (the command itself: about 50); ${m.totals.good} sectors good`,
  )
}

/** What is drawn of a recording belongs to its opening. */
const AFTER_MS = 500

/** The same in the page: tasks of 50 ms and more, as the browser counts them, and the longest time without a turn. */
export async function openingDisk(browser: Browser, address: string, path: string): Promise<void> {
  const page = await (await browser.newContext()).newPage()
  await page.goto(`${address}/instruments/read-test`, { waitUntil: 'networkidle' })
  // As text: a named function would not survive the way into the page.
  await page.evaluate(
    `window.longest = 0; window.last = performance.now(); setInterval(() => { const now = performance.now(); window.longest = Math.max(window.longest, now - window.last); window.last = now }, 4)
    window.tasks = []; new PerformanceObserver(list => window.tasks.push(...list.getEntries().map(e => Math.round(e.duration)))).observe({ type: 'longtask' })`,
  )
  const begun = performance.now()
  await page.getByTestId('bus-file').first().setInputFiles(path)
  await page.evaluate('window.longest = 0; window.tasks = []')
  await page.getByRole('progressbar').first().waitFor()
  await page.waitForFunction(() => document.querySelector('[role=status] progress') === null, null, {
    timeout: 300_000,
  })
  const seconds = (performance.now() - begun) / 1000
  await page.waitForTimeout(AFTER_MS)
  const longest = await page.evaluate<number>('window.longest')
  const tasks = await page.evaluate<number[]>('window.tasks')
  console.log(
    `  in the page, in its worker: ${seconds.toFixed(1)} s; tasks of 50 ms and more: ${tasks.join(', ') || 'none'} ` +
      `(wanted: none); longest time without a turn, drawing included: ${longest.toFixed(0)} ms`,
  )
  await page.context().close()
}
