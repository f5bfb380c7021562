import type { CaptureChannel, ReadOptions } from './capture'
import { LevelTrack } from './level-track'
import { PulseFinder } from './pulse-finder'

const WORDS: Readonly<Record<string, number>> = {
  '0': 0,
  '1': 1,
  l: 0,
  h: 1,
  low: 0,
  high: 1,
  false: 0,
  true: 1,
  x: 2,
  z: 2,
}

/** 0, 1 or 2 (unknown) for a logic cell; -1 for an empty one (no change); -2 for anything else. */
export function logicLevel(cell: string): number {
  if (cell === '0') return 0
  if (cell === '1') return 1
  if (cell === '') return -1
  return WORDS[cell.toLowerCase()] ?? -2
}

/** One column of a CSV capture; takes cells in order of time. */
export interface CsvColumn {
  /** @returns false where the cell cannot be read */
  add(t: number, cell: string): boolean
  /** The same of what was read already. @param value a level (0, 1) or a voltage */
  set(t: number, value: number): void
  finish(end: number): { channel: CaptureChannel; notice?: string }
  /** The changes from a time on, which this does not end. */
  peek(from: number, end: number): CaptureChannel
}

export class LogicColumn implements CsvColumn {
  private readonly track: LevelTrack
  constructor(
    private readonly name: string,
    maxEdges: number,
    rolling = false,
  ) {
    this.track = new LevelTrack(maxEdges, rolling)
  }

  add(t: number, cell: string): boolean {
    const level = logicLevel(cell)
    if (level >= 0) this.track.set(level, t)
    return level !== -2
  }

  set(t: number, level: number): void {
    this.track.set(level, t)
  }

  finish(end: number): { channel: CaptureChannel } {
    return { channel: this.track.finish(this.name, 1, 0, end) }
  }

  peek(from: number, end: number): CaptureChannel {
    return this.track.peek(this.name, 1, 0, from, end)
  }
}

export class AnalogueColumn implements CsvColumn {
  private readonly finder: PulseFinder
  constructor(
    private readonly name: string,
    private readonly decimalComma: boolean,
    sampleRateHz: number,
    maxEdges: number,
    private readonly polarity: ReadOptions['polarity'],
    rolling = false,
  ) {
    this.finder = new PulseFinder(sampleRateHz, maxEdges, rolling)
  }

  add(t: number, cell: string): boolean {
    if (cell === '') return true
    const x = Number(this.decimalComma ? cell.replace(',', '.') : cell)
    if (!Number.isFinite(x)) return false
    this.finder.push(t, x)
    return true
  }

  set(t: number, volts: number): void {
    this.finder.push(t, volts)
  }

  peek(from: number): CaptureChannel {
    return this.finder.snapshot(this.name, this.polarity, from).channel
  }

  finish(): { channel: CaptureChannel; notice: string } {
    const { channel, polarity } = this.finder.finish(this.name, this.polarity)
    return {
      channel,
      notice: `"${this.name}" holds voltages, not levels: pulses were found by a threshold and point ${polarity === 'positive' ? 'up' : 'down'}.`,
    }
  }
}
