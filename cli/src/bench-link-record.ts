import { createWriteStream } from 'node:fs'
import { createInterface } from 'node:readline/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setTimeout as pause } from 'node:timers/promises'
import { createGzip } from 'node:zlib'
import { ParameterError } from '@wobrin/core/base/errors'
import {
  hostTestByBoard,
  readDiskByBoard,
  RecordedBoard,
  wholeDisk,
  type BoardClient,
  type HandsAsked,
  type Hello,
} from '@wobrin/core/instruments/bench-link'
import { MOST_EDGES, reportBus, type BusReport } from '@wobrin/core/instruments/interface'
import { readCapture } from '@wobrin/core/signals/captures'
import { boardWire } from './board-wire'
import { fileSource } from './file-source'

export interface BoardRecording {
  readonly address: string
  /** File for the recording, packed with gzip where its name ends in .gz. */
  readonly out: string
  readonly cylinders: number
  readonly heads: 1 | 2
}

const later = (ms: number) => pause(ms)

/** Reads the disk at a board, and keeps what the board told as a recording of the interface. */
export const recordRead = (to: BoardRecording & { readonly turns: number }): Promise<void> =>
  record(to, async board => {
    const tracks = wholeDisk(to.cylinders, to.heads)
    for await (const { done, all } of readDiskByBoard(board, later, { tracks, turns: to.turns }))
      console.error(`  ${done} of ${all} tracks`)
  })

/** Does with a drive what a host's test program does, keeps the recording, and says what it shows. */
export async function recordTest(to: BoardRecording): Promise<Pick<BusReport, 'call' | 'shows' | 'totals'>> {
  await record(to, async board => {
    for await (const { done, all, says } of hostTestByBoard(board, later, { ...to, ask: askHands }))
      console.error(`  ${done + 1} of ${all}: ${says}`)
  })
  const capture = await readCapture(await fileSource(to.out), { maxEdgesPerChannel: MOST_EDGES })
  const { call, shows, totals } = reportBus(capture)
  return { call, shows, totals }
}

async function record({ address, out }: BoardRecording, run: (board: BoardClient) => Promise<void>): Promise<void> {
  const wire = await boardWire(address)
  const recorded = new RecordedBoard(wire, later)
  try {
    await recorded.during(run)
  } finally {
    wire.close()
    // What came until a board was lost is kept.
    if (recorded.last) await write(recorded.last, recorded.board.hello!, out)
  }
}

async function write(recorder: NonNullable<RecordedBoard['last']>, of: Hello, out: string): Promise<void> {
  const text = Readable.from(recorder.vcd(`What ${of.board} told${of.simulated ? ', simulated' : ''}`))
  const file = createWriteStream(out)
  await (out.endsWith('.gz') ? pipeline(text, createGzip(), file) : pipeline(text, file))
}

/** Hands are asked at a terminal; without one nobody can help. */
async function askHands(what: HandsAsked): Promise<boolean> {
  if (!process.stdin.isTTY) return false
  const terminal = createInterface({ input: process.stdin, output: process.stderr })
  try {
    return (await terminal.question(`  Please ${what}, then press Enter (or type s to skip): `)).trim() === ''
  } finally {
    terminal.close()
  }
}

/** @throws ParameterError where no file is named */
export function fileTo(out: string | undefined): string {
  if (out) return out
  throw new ParameterError('no file was named for the recording', '--out FILE.vcd or FILE.vcd.gz', { field: 'out' })
}
