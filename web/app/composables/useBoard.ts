import { proxy } from 'comlink'
import type { MechanismId } from '@wobrin/core/drives'
import type { DrivenLine, HandsAsked, Hello, HostTestStep, TrackPlace } from '@wobrin/core/instruments/bench-link'
import type { Adjuster } from '@wobrin/core/simulator'
import type { Answer } from '../workers/in-worker'
import type { BoardNews, BoardSurface, BoardWorker } from '../workers/board.worker'

/** The part of Web Serial that is used; the types of browsers do not have it yet. */
interface SerialPort {
  open(options: { readonly baudRate: number }): Promise<void>
  close(): Promise<void>
  readonly readable: ReadableStream<Uint8Array>
  readonly writable: WritableStream<Uint8Array>
}
type Serial = { requestPort(): Promise<SerialPort> }

const BAUD = 115_200
const NO_SERIAL =
  'This browser has no serial ports, or the page came over a network. Use `wobrin bench-link` at the command line, or the simulated board.'

/** A board of the bench link: on a serial port of this machine, or a simulated one. */
export function useBoard() {
  const hello = shallowRef<Hello | null>(null)
  const news = shallowRef<BoardNews | null>(null)
  const problem = ref<string | null>(null)
  const connecting = ref(false)
  const surface = shallowRef<BoardSurface | null>(null)
  const reading = ref(false)
  const volts = shallowRef<Readonly<Record<string, number>> | null>(null)
  const worker = useWorker<BoardWorker>(
    () => new Worker(new URL('../workers/board.worker.ts', import.meta.url), { type: 'module' }),
  )
  let close: (() => Promise<void>) | null = null

  const taken = <T>(answer: Answer<T>): T | null => {
    if ('ok' in answer) return answer.ok
    problem.value = 'problem' in answer ? answer.problem : null
    return null
  }
  async function begin(mechanism: MechanismId, story: string, write: ((text: string) => void) | null): Promise<void> {
    const onNews = proxy((n: BoardNews) => {
      news.value = n
    })
    hello.value = taken(await worker().begin(mechanism, story, write && proxy(write), onNews))
    if (!hello.value) await end()
  }

  /** @param story state of the simulated drive */
  async function simulate(mechanism: MechanismId, story = 'sound'): Promise<void> {
    await end()
    problem.value = null
    connecting.value = true
    await begin(mechanism, story, null)
    connecting.value = false
  }

  async function connect(mechanism: MechanismId): Promise<void> {
    await end()
    problem.value = null
    const { serial } = navigator as Navigator & { readonly serial?: Serial }
    if (!serial) {
      problem.value = NO_SERIAL
      return
    }
    connecting.value = true
    try {
      const port = await serial.requestPort()
      await port.open({ baudRate: BAUD })
      const writer = port.writable.getWriter()
      const reader = port.readable.getReader()
      close = async () => {
        await reader.cancel().catch(() => {})
        writer.releaseLock()
        await port.close().catch(() => {})
      }
      void pump(reader)
      const bytes = new TextEncoder()
      await begin(mechanism, '', text => void writer.write(bytes.encode(text)).catch(() => {}))
    } catch (error) {
      // Who closes the browser's list of ports wants none of them.
      if ((error as Error).name !== 'NotFoundError')
        problem.value = `The port did not open: ${(error as Error).message}`
    } finally {
      connecting.value = false
    }
  }
  async function pump(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<void> {
    const text = new TextDecoder()
    try {
      for (;;) {
        const { done, value } = await reader.read()
        if (done) break
        await worker().take(text.decode(value, { stream: true }))
      }
      await worker().lost('the connection ended')
    } catch {
      await worker().lost('the board was pulled out')
    }
  }

  async function end(): Promise<void> {
    await close?.()
    close = null
    await worker().end()
    hello.value = null
    news.value = null
    surface.value = null
    volts.value = null
  }
  onScopeDispose(() => void close?.())

  async function busy<T>(run: () => Promise<Answer<T>>): Promise<T | null> {
    problem.value = null
    reading.value = true
    try {
      return taken(await run())
    } finally {
      reading.value = false
    }
  }
  /** @returns what was read; null where it did not come to its end */
  async function readTracks(tracks: readonly TrackPlace[], turns: number): Promise<BoardSurface | null> {
    surface.value = null
    const shown = proxy((s: BoardSurface) => {
      surface.value = s
    })
    const whole = await busy(() => worker().readDisk(tracks, turns, shown))
    if (whole) surface.value = whole
    return whole
  }
  /** @returns how many parts of the test were done; null where it could not be made */
  const hostTest = (
    cylinders: number,
    heads: 1 | 2,
    onStep: (step: HostTestStep) => void,
    onHands: (what: HandsAsked) => Promise<boolean>,
  ): Promise<number | null> => busy(() => worker().hostTest(cylinders, heads, proxy(onStep), proxy(onHands)))

  return {
    hello,
    news,
    problem,
    connecting,
    surface,
    reading,
    volts,
    simulate,
    connect,
    end,
    readTracks,
    hostTest,
    /** What was read or tested last, as a file. */
    recording: async (name: string): Promise<File | null> => taken(await worker().recording(name)),
    disk: (where: 'out' | 'in') => worker().disk(where),
    adjust: (adjuster: Adjuster, position: number) => worker().adjust(adjuster, position),
    /** @returns counts of the heads, in their order; null where it could not be read */
    readPosition: (cylinder: number, heads: readonly (0 | 1)[], expected: number) =>
      busy(() => worker().readPosition(cylinder, heads, expected)),
    stop: () => worker().stop(),
    set: async (line: DrivenLine, low: boolean) => void taken(await worker().set(line, low)),
    step: async (way: 'inward' | 'outward') => void taken(await worker().step(way)),
    readVolts: async () => {
      volts.value = taken(await worker().volts())
    },
  }
}

export type Board = ReturnType<typeof useBoard>
